package orthopur.server.procedures;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import orthopur.db.tables.records.ProcedureVersionRecord;
import orthopur.formats.Notation;
import orthopur.ledger.Sealed;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Procedure;
import orthopur.server.custody.Custody;
import orthopur.server.machines.Premises;
import orthopur.verdict.Verdict;

/** Versions of procedures as they are printed. */
@Service
public class OnPaper {
    private final Versions versions;
    private final Judging judging;
    private final Premises premises;
    private final Custody custody;

    OnPaper(Versions versions, Judging judging, Premises premises, Custody custody) {
        this.versions = versions;
        this.judging = judging;
        this.premises = premises;
        this.custody = custody;
    }

    /**
     * A version as it goes onto paper.
     *
     * @param lines each step in line notation, without its id
     * @param overrides figures that this site has changed, in words
     */
    public record Printed(
            Procedure procedure,
            MachineSheet sheet,
            Verdict verdict,
            List<String> lines,
            String state,
            @Nullable String approvedBy,
            @Nullable Long approvedAt,
            @Nullable String reason,
            List<String> overrides) {}

    /** A version with its verdict of today. */
    public Printed printed(String id, int version) {
        ProcedureVersionRecord r = versions.version(id, version);
        custody.vouchFor(Sealed.PROCEDURE_VERSION, id + "@" + version);
        Judging.Judged judged = judging.judge(judging.read(r.getDocument()));
        MachineSheet sheet = judged.written().sheet();
        Notation notation = judging.notation(sheet.code());
        return new Printed(
                judged.procedure(),
                sheet,
                judged.verdict(),
                judged.document().steps().stream()
                        .map(s -> notation.line(s).replaceFirst("\\s#[a-z0-9-]+$", ""))
                        .toList(),
                r.getState(),
                r.getApprovedBy(),
                r.getApprovedAt(),
                r.getApproveReason(),
                premises.overrides());
    }
}
