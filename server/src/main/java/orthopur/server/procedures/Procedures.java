package orthopur.server.procedures;

import static orthopur.db.Tables.PROCEDURE_VERSION;

import java.util.List;
import java.util.Set;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import orthopur.db.tables.records.ProcedureVersionRecord;
import orthopur.formats.ProcedureDocument;
import orthopur.formats.ProcedureFormat;
import orthopur.ledger.Sealed;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Procedure;
import orthopur.server.custody.Custody;
import orthopur.server.machines.Premises;
import orthopur.server.machines.Sheets;
import orthopur.server.platform.Memo;
import orthopur.server.platform.Said;
import orthopur.text.Text;

/** The approved procedures that are in force: what everything outside of the desk works by. */
@Service
public class Procedures {
    private final DSLContext db;
    private final Sheets sheets;
    private final Premises premises;
    private final Custody custody;
    private final Memo<String, ProcedureDocument> documents = new Memo<>(128);
    private final Memo<Written, Procedure> read = new Memo<>(128);

    /** All that a procedure is read from. */
    private record Written(ProcedureDocument document, MachineSheet sheet, Set<String> chemicals) {}

    Procedures(DSLContext db, Sheets sheets, Premises premises, Custody custody) {
        this.db = db;
        this.sheets = sheets;
        this.premises = premises;
        this.custody = custody;
    }

    /** An approved procedure, as the floor needs it. */
    public record Approved(int version, Procedure procedure, MachineSheet sheet) {}

    /** Every approved procedure with the sheet it was approved against. */
    public List<Approved> allApproved() {
        return approved().stream().map(r -> approvedVersion(r.id())).toList();
    }

    /** Every approved procedure that is as it was approved, for the floor. */
    public List<ApprovedRow> approved() {
        return db
                .selectFrom(PROCEDURE_VERSION)
                .where(PROCEDURE_VERSION.STATE.eq("APPROVED"))
                .orderBy(PROCEDURE_VERSION.MACHINE)
                .fetch()
                .stream()
                .filter(
                        r ->
                                custody.isWhole(
                                        Sealed.PROCEDURE_VERSION,
                                        r.getProcedureId() + "@" + r.getVersion()))
                .map(
                        r ->
                                new ApprovedRow(
                                        r.getProcedureId(),
                                        r.getVersion(),
                                        r.getMachine(),
                                        r.getTitle(),
                                        r.getKind()))
                .toList();
    }

    /**
     * Those that are written for their machine as it is fitted now. One for another way of fitting
     * is neither due nor offered on the floor; it stands on the shelf until the machine is changed.
     */
    public List<ApprovedRow> approvedForWhatIsFitted() {
        return approved().stream()
                .filter(
                        r -> {
                            Approved a = approvedVersion(r.id());
                            return a.procedure().coversFitted(a.sheet());
                        })
                .toList();
    }

    /** One approved procedure in a list. */
    public record ApprovedRow(String id, int version, String machine, String title, String kind) {}

    /**
     * The approved version of a procedure.
     *
     * @throws Said when there is none
     */
    public Approved approvedVersion(String id) {
        ProcedureVersionRecord r =
                db.selectFrom(PROCEDURE_VERSION)
                        .where(
                                PROCEDURE_VERSION
                                        .PROCEDURE_ID
                                        .eq(id)
                                        .and(PROCEDURE_VERSION.STATE.eq("APPROVED")))
                        .fetchOne();
        if (r == null) {
            throw Said.notFound(
                    Text.of(
                            "procedures.there-is-no-approved-version",
                            "There is no approved version of the procedure {0}.",
                            id));
        }
        custody.vouchFor(Sealed.PROCEDURE_VERSION, id + "@" + r.getVersion());
        ProcedureDocument d = documents.of(r.getDocument(), ProcedureFormat::document);
        custody.vouchFor(Sealed.SHEET, d.sheet() + "@" + d.sheetVersion());
        // The sheet it was approved against; a newer one has not been judged for it.
        MachineSheet sheet = sheets.version(d.sheet(), d.sheetVersion());
        return new Approved(
                r.getVersion(),
                read.of(
                        new Written(d, sheet, premises.now().chemicalIds()),
                        w -> ProcedureFormat.read(w.document(), w.sheet(), w.chemicals())),
                sheet);
    }
}
