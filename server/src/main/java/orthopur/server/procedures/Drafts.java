package orthopur.server.procedures;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import orthopur.drafting.Drafter;
import orthopur.formats.FormatError;
import orthopur.formats.OldText;
import orthopur.formats.ProcedureFormat;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.machine.Vessel;
import orthopur.procedure.Procedure;
import orthopur.procedure.Schools;
import orthopur.server.machines.Premises;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Person;

/** First drafts: written from a sheet, or taken over from an old text. */
@Service
public class Drafts {
    private final Versions versions;
    private final Judging judging;
    private final Sheets sheets;
    private final Premises premises;

    Drafts(Versions versions, Judging judging, Sheets sheets, Premises premises) {
        this.versions = versions;
        this.judging = judging;
        this.sheets = sheets;
        this.premises = premises;
    }

    /** Reads an old text for the newest sheet of a machine. */
    List<OldText.Reading> read(String machine, String text) {
        Premises.Now site = premises.now();
        List<Vessel> vessels = site.site().vessels();
        return OldText.read(
                text,
                sheets.newest(machine),
                site.chemicals(),
                vessels == null ? List.of() : vessels);
    }

    /**
     * How a draft is wanted.
     *
     * @param scope options by group; a group that is not in it has the fitted one
     * @param halves whether it is parted into a closing and an opening half
     */
    public record Wish(
            Frequency kind, Schools schools, Map<String, List<String>> scope, boolean halves) {}

    /** Drafts a procedure from the newest sheet of a machine and stores it as a first draft. */
    @Transactional
    public String draft(String machine, Wish wish, Person person) {
        Versions.mayWrite(person);
        MachineSheet sheet = sheets.newest(machine);
        String id = freeId(machine, wish.kind());
        Procedure p =
                Drafter.draft(
                        sheet,
                        new Drafter.Request(
                                id,
                                sheet.name() + ", " + wish.kind().shown(),
                                wish.kind(),
                                wish.schools(),
                                wish.scope(),
                                wish.halves()),
                        premises.now().context());
        versions.insert(judging.judge(judging.read(ProcedureFormat.document(p))), 1, person.name());
        return id;
    }

    private String freeId(String machine, Frequency kind) {
        String base = (machine + "-" + kind.name()).toLowerCase(Locale.ROOT).replace('_', '-');
        String id = base;
        for (int n = 2; versions.newest(id) != null; n++) {
            id = base + "-" + n;
        }
        return id;
    }

    /**
     * Stores typed lines as a first draft of a new procedure.
     *
     * @throws FormatError with the place of every word that is not understood; nothing is stored
     */
    @Transactional
    public String draftOf(
            String machine,
            String title,
            Frequency kind,
            List<OldText.Typed> lines,
            Person person) {
        Versions.mayWrite(person);
        Premises.Now site = premises.now();
        String id = freeId(machine, kind);
        String text =
                OldText.procedure(
                        new OldText.Head(
                                id, title, kind, sheets.newest(machine), site.context().book()),
                        site.chemicals(),
                        lines);
        versions.insert(judging.judge(judging.read(text)), 1, person.name());
        return id;
    }
}
