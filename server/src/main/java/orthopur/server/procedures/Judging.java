package orthopur.server.procedures;

import java.util.List;
import org.springframework.stereotype.Service;
import orthopur.chemical.Chemical;
import orthopur.formats.FormatError;
import orthopur.formats.Notation;
import orthopur.formats.ProcedureDocument;
import orthopur.formats.ProcedureFormat;
import orthopur.machine.MachineSheet;
import orthopur.machine.Problem;
import orthopur.procedure.Procedure;
import orthopur.runthrough.Context;
import orthopur.server.machines.Premises;
import orthopur.server.machines.Sheets;
import orthopur.text.Text;
import orthopur.verdict.Mending;
import orthopur.verdict.Verdict;
import orthopur.verdict.Verifier;

/** Reads procedures as they are written and judges them as the site stands today. */
@Service
class Judging {
    private final Sheets sheets;
    private final Premises premises;

    Judging(Sheets sheets, Premises premises) {
        this.sheets = sheets;
        this.premises = premises;
    }

    /** A procedure that was read for the newest sheet of its machine. */
    public record Written(ProcedureDocument document, Procedure procedure, MachineSheet sheet) {}

    /** A read procedure with its verdict. */
    record Judged(Written written, Verdict verdict) {
        ProcedureDocument document() {
            return written.document();
        }

        Procedure procedure() {
            return written.procedure();
        }
    }

    /**
     * Reads a text.
     *
     * @throws FormatError with all that is wrong with it, by pointer
     */
    Written read(String text) {
        return written(ProcedureFormat.document(text));
    }

    /**
     * Reads a document against the newest sheet of its machine.
     *
     * @throws FormatError with all that is wrong with it, by pointer
     */
    Written read(ProcedureDocument document) {
        return written(ProcedureFormat.checked(document));
    }

    private Written written(ProcedureDocument document) {
        MachineSheet sheet = sheets.newest(document.sheet());
        if (document.sheetVersion() > sheet.version()) {
            throw new FormatError(
                    List.of(
                            new Problem(
                                    "/sheetVersion",
                                    Text.of(
                                            "judging.the-procedure-is-for-version-of",
                                            "The procedure is for version {0} of the sheet of {1}; the newest here is {2}.",
                                            document.sheetVersion(),
                                            sheet.code(),
                                            sheet.version()))));
        }
        return new Written(
                document,
                ProcedureFormat.read(document, sheet, premises.now().chemicalIds()),
                sheet);
    }

    /** Runs a procedure through its machine. Its findings have no remedies. */
    Judged judge(Written written) {
        return judge(written, 0, false);
    }

    /**
     * @param shown place of the configuration whose ribbon is drawn
     * @param remedies whether each finding is told with what is proven to mend it; each is a run
     */
    Judged judge(Written written, int shown, boolean remedies) {
        Context context = premises.contextOf(written.sheet());
        Verdict verdict =
                remedies
                        ? Verifier.verify(written.procedure(), written.sheet(), context, shown)
                        : Verifier.withoutRemedies(
                                written.procedure(), written.sheet(), context, shown);
        return new Judged(written, verdict);
    }

    /** Takes every remedy that is proven to help, and says which. */
    Mending.Mended mend(Written written) {
        return Mending.all(
                written.procedure(), written.sheet(), premises.contextOf(written.sheet()));
    }

    /** The line notation with the names of a machine and of this site. */
    Notation notation(String machine) {
        return new Notation(sheets.newest(machine), premises.now().chemicals());
    }

    /** The products of this site. */
    List<Chemical> chemicals() {
        return premises.now().chemicals();
    }
}
