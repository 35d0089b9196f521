package orthopur.server.files;

import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import orthopur.formats.Schemas;
import orthopur.formats.SheetFormat;
import orthopur.machine.MachineSheet;
import orthopur.round.Role;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Accounts;
import orthopur.server.people.Heavy;
import orthopur.server.people.Person;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Otherwise;
import orthopur.server.platform.Said;
import orthopur.server.procedures.Versions;
import orthopur.text.Text;

@RestController
@MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.FILES)
class FilesController {
    private static final String SIGNATURE = "X-Signature";

    private final Archive archive;
    private final Sheets sheets;
    private final Versions versions;
    private final Accounts accounts;

    FilesController(Sheets sheets, Versions versions, Archive archive, Accounts accounts) {
        this.accounts = accounts;
        this.archive = archive;
        this.sheets = sheets;
        this.versions = versions;
    }

    /**
     * @param what sheet or procedure
     * @param version of what was stored
     */
    record Imported(String what, String id, int version, @Nullable String name) {}

    /**
     * Takes a machine sheet or a procedure; tells them apart by their own keys. A procedure comes
     * in as a draft; a sheet is judged by at once, so it has to be signed.
     */
    @PostMapping("/api/files")
    @ResponseStatus(HttpStatus.CREATED)
    Imported take(
            @RequestBody String text,
            @RequestHeader(name = SIGNATURE, required = false) @Nullable String pin,
            @AuthenticationPrincipal Person person) {
        if (text.contains("\"steps\"")) {
            String id = orthopur.formats.ProcedureFormat.document(text).id();
            return new Imported("procedure", id, versions.add(text, person.name()), null);
        }
        MachineSheet sheet = SheetFormat.read(text);
        sheets.fits(sheet);
        if (pin == null) {
            throw new Said(
                    HttpStatus.PRECONDITION_REQUIRED,
                    Text.of(
                            "files-controller.a-machine-sheet-is-judged",
                            "A machine sheet is judged by as soon as it is here: sign it with your PIN."));
        }
        sheets.add(sheet, accounts.sign(person, pin));
        return new Imported("sheet", sheet.code(), sheet.version(), sheet.name());
    }

    /** The whole site. */
    @Heavy
    @GetMapping(value = "/api/archive", produces = "application/zip")
    ResponseEntity<byte[]> archive(@AuthenticationPrincipal Person person) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=\"orthopur-site.zip\"")
                .body(archive.write());
    }

    /** Takes the archive of a site in, all of it or nothing. */
    @Heavy
    @PostMapping(value = "/api/archive", consumes = "application/zip")
    Archive.TakenIn takeArchive(
            @RequestBody byte[] content,
            @RequestHeader(SIGNATURE) String pin,
            @AuthenticationPrincipal Person person) {
        return archive.read(content, accounts.sign(person, pin));
    }

    @MayUse(anybody = true)
    @GetMapping(value = "/api/schemas/{name}", produces = MediaType.APPLICATION_JSON_VALUE)
    String schema(@PathVariable String name) {
        if (!Schemas.NAMES.contains(name)) {
            throw Said.notFound(
                    Text.of(
                            "files-controller.there-is-no-schema",
                            "There is no schema \"{0}\".",
                            name));
        }
        return Schemas.text(name);
    }
}
