package orthopur.server.floor;

import static orthopur.db.Tables.PHOTO;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.util.HexFormat;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.round.Role;
import orthopur.server.people.Person;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Otherwise;
import orthopur.server.platform.Said;
import orthopur.text.Text;

/** Photos of the floor, kept under the SHA-256 of their bytes; the entry in the log names it. */
@RestController
@MayUse
@RequestMapping("/api/photos")
class Photos {
    private final DSLContext db;
    private final Clock clock;

    Photos(DSLContext db, Clock clock) {
        this.db = db;
        this.clock = clock;
    }

    /** Keeps a photo; the same one sent again changes nothing. */
    @MayUse(
            value = {Role.SUPERVISOR, Role.CREW},
            otherwise = Otherwise.PHOTOS)
    @PutMapping("/{sha256}")
    ResponseEntity<Void> put(
            @PathVariable String sha256,
            @RequestBody byte[] bytes,
            @AuthenticationPrincipal Person person) {
        String type = type(bytes);
        if (type == null) {
            throw new Said(
                    HttpStatus.UNSUPPORTED_MEDIA_TYPE,
                    Text.of("photos.this-is-not-a-photo", "This is not a photo in JPEG or PNG."));
        }
        if (!sha256.equals(hash(bytes))) {
            throw Said.conflict(
                    Text.of(
                            "photos.the-photo-was-damaged-on",
                            "The photo was damaged on its way. Send it again."));
        }
        db.insertInto(PHOTO)
                .set(PHOTO.SHA256, sha256)
                .set(PHOTO.TYPE, type)
                .set(PHOTO.BYTES, bytes)
                .set(PHOTO.TAKEN_BY, person.name())
                .set(PHOTO.TAKEN_AT, clock.millis())
                .onConflictDoNothing()
                .execute();
        return ResponseEntity.noContent().build();
    }

    @GetMapping("/{sha256}")
    ResponseEntity<byte[]> get(@PathVariable String sha256) {
        var photo =
                db.selectFrom(PHOTO)
                        .where(PHOTO.SHA256.eq(sha256))
                        .fetchOptional()
                        .orElseThrow(
                                () ->
                                        Said.notFound(
                                                Text.of(
                                                        "photos.this-photo-has-not-come",
                                                        "This photo has not come in.")));
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(photo.getType()))
                .header("Cache-Control", "private, max-age=31536000, immutable")
                .body(photo.getBytes());
    }

    /** By its first bytes, whatever the sender says. */
    static @Nullable String type(byte[] b) {
        if (b.length > 3 && (b[0] & 0xff) == 0xff && (b[1] & 0xff) == 0xd8) {
            return "image/jpeg";
        }
        boolean png = b.length > 8 && (b[0] & 0xff) == 0x89 && b[1] == 'P' && b[2] == 'N';
        return png ? "image/png" : null;
    }

    static String hash(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
