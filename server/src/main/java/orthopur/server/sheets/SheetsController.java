package orthopur.server.sheets;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.formats.FormatError;
import orthopur.formats.ProblemDocument;
import orthopur.formats.SheetFormat;
import orthopur.machine.MachineSheet;
import orthopur.machine.Problem;
import orthopur.round.Role;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Accounts;
import orthopur.server.people.Person;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Otherwise;
import orthopur.server.platform.Said;
import orthopur.server.procedures.Effects;
import orthopur.text.Text;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A sheet while it is written, and its next version when it is signed. */
@RestController
@MayUse
@RequestMapping("/api")
class SheetsController {
    private final Sheets sheets;
    private final Effects effects;
    private final Accounts accounts;

    SheetsController(Sheets sheets, Effects effects, Accounts accounts) {
        this.sheets = sheets;
        this.effects = effects;
        this.accounts = accounts;
    }

    /** The newest sheet as a file. */
    @GetMapping(value = "/machines/{code}/sheet", produces = MediaType.APPLICATION_JSON_VALUE)
    String sheet(@PathVariable String code) {
        return SheetFormat.write(sheets.newest(code));
    }

    /**
     * What a sheet would be like.
     *
     * @param problems what keeps it from being saved, by place
     * @param effect on the approved procedures; null while there are problems
     */
    record Checked(List<ProblemDocument> problems, Effects.@Nullable Effect effect) {}

    /** Checks a sheet as it is written; nothing is saved. */
    @PostMapping("/sheets/check")
    Checked check(@RequestBody JsonNode document) {
        try {
            MachineSheet sheet = SheetFormat.read(document.toString());
            List<Problem> unfit = sheets.unfit(sheet);
            return unfit.isEmpty()
                    ? new Checked(List.of(), effects.effect(sheet))
                    : new Checked(ProblemDocument.of(unfit), null);
        } catch (FormatError e) {
            return new Checked(ProblemDocument.of(e.problems()), null);
        }
    }

    /** A sheet that is signed. */
    record SignedSheet(JsonNode document, String pin) {}

    record SavedSheet(String code, int version) {}

    /**
     * Saves the next version of a sheet; older ones stay.
     *
     * @param before the version it was written on; 0 for a new machine
     */
    @MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.SHEETS)
    @PutMapping("/machines/{code}/sheet")
    SavedSheet save(
            @PathVariable String code,
            @RequestHeader("If-Match") String before,
            @RequestBody SignedSheet in,
            @AuthenticationPrincipal Person person) {
        if (!(in.document() instanceof ObjectNode document)) {
            throw new Said(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    Text.of(
                            "sheets-controller.the-sheet-has-to-be",
                            "The sheet has to be a JSON object."));
        }
        MachineSheet was =
                sheets.all().stream().filter(s -> s.code().equals(code)).findFirst().orElse(null);
        int newest = was == null ? 0 : was.version();
        if (!before.replace("\"", "").equals(String.valueOf(newest))) {
            throw Said.conflict(
                    newest == 0
                            ? Text.of(
                                    "sheets-controller.there-is-no-machine-any",
                                    "There is no machine {0} any more.",
                                    code)
                            : Text.of(
                                    "sheets-controller.there-is-a-newer-version",
                                    "There is a newer version: version {0} of the sheet of {1} was saved since.",
                                    newest,
                                    code));
        }
        document.put("code", code).put("version", newest + 1);
        MachineSheet sheet = SheetFormat.read(document.toString());
        sheets.add(sheet, accounts.sign(person, in.pin()));
        return new SavedSheet(code, sheet.version());
    }
}
