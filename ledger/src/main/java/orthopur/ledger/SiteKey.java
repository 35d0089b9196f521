package orthopur.ledger;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.InvalidKeyException;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.HexFormat;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

/**
 * The key with which a site signs the heads of its log. It lies outside of the data and of every
 * backup: whoever can write there cannot sign.
 */
public final class SiteKey {
    /** What everybody knows; it signs the demo and nothing else. */
    public static final SiteKey DEMO =
            new SiteKey("orthopur demo, worth nothing".getBytes(StandardCharsets.UTF_8));

    private static final int BYTES = 32;
    private static final int ID_LETTERS = 12;
    private static final String MAC = "HmacSHA256";

    private final byte[] secret;

    private SiteKey(byte[] secret) {
        this.secret = secret.clone();
    }

    /**
     * @throws IOException when there is none, or what is there is none
     */
    public static SiteKey read(Path file) throws IOException {
        try {
            byte[] secret = HexFormat.of().parseHex(Files.readString(file).strip());
            if (secret.length == BYTES) {
                return new SiteKey(secret);
            }
        } catch (IllegalArgumentException e) {
            // Said below.
        }
        throw new IOException(
                "%s is no key: it holds %d hexadecimal digits and nothing else."
                        .formatted(file, 2 * BYTES));
    }

    /**
     * Makes a key that only its owner may read.
     *
     * @throws IOException when it cannot be written, or there is one
     */
    public static SiteKey create(Path file) throws IOException {
        byte[] secret = new byte[BYTES];
        new SecureRandom().nextBytes(secret);
        Files.createDirectories(file.toAbsolutePath().getParent());
        if (file.getFileSystem().supportedFileAttributeViews().contains("posix")) {
            Files.createFile(
                    file,
                    PosixFilePermissions.asFileAttribute(
                            PosixFilePermissions.fromString("rw-------")));
        } else {
            Files.createFile(file);
        }
        Files.writeString(file, HexFormat.of().formatHex(secret) + "\n", StandardOpenOption.WRITE);
        return new SiteKey(secret);
    }

    /** By what it is known without telling it. */
    public String id() {
        return Fingerprint.ofBytes(secret).substring(0, ID_LETTERS);
    }

    /** HMAC-SHA-256 of a text, in hexadecimal. */
    String mac(String text) {
        try {
            Mac mac = Mac.getInstance(MAC);
            mac.init(new SecretKeySpec(secret, MAC));
            return HexFormat.of().formatHex(mac.doFinal(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException | InvalidKeyException e) {
            throw new IllegalStateException(e);
        }
    }
}
