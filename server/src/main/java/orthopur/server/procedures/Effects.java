package orthopur.server.procedures;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import orthopur.coverage.Uncovered;
import orthopur.formats.FormatError;
import orthopur.formats.ProcedureFormat;
import orthopur.machine.MachineSheet;
import orthopur.machine.Problem;
import orthopur.procedure.Procedure;
import orthopur.rulebook.RuleBook;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Severity;
import orthopur.server.machines.Premises;
import orthopur.server.machines.Sheets;
import orthopur.text.Text;
import orthopur.verdict.Verdict;
import orthopur.verdict.Verifier;

/** What a change would do to the procedures that are approved, and what none of them covers. */
@Service
public class Effects {
    private final Procedures procedures;
    private final Sheets sheets;
    private final Premises premises;

    Effects(Procedures procedures, Sheets sheets, Premises premises) {
        this.procedures = procedures;
        this.sheets = sheets;
        this.premises = premises;
    }

    /**
     * What another rule book does to what is approved.
     *
     * @param lost those that no longer pass, with the new findings
     */
    public record Effect(int approved, List<Lost> lost) {
        public record Lost(String id, String title, int stops, int fixes, List<Text> because) {
            static Lost of(String id, String title, Verdict v, List<Text> fresh) {
                int stops = (int) roots(v).filter(f -> f.severity() == Severity.STOP).count();
                return new Lost(
                        id, title, stops, fresh.size() - Math.min(stops, fresh.size()), fresh);
            }
        }
    }

    /** Judges every approved procedure by another book; R6 is left aside, for it is the change. */
    public Effect effect(RuleBook other) {
        return effect(premises.now().context().by(other));
    }

    /** Judges every approved procedure in other surroundings; R6 is left aside. */
    public Effect effect(Context other) {
        List<Effect.Lost> lost = new ArrayList<>();
        List<Procedures.ApprovedRow> rows = procedures.approved();
        Context now = premises.now().context();
        for (Procedures.ApprovedRow row : rows) {
            Procedures.Approved a = procedures.approvedVersion(row.id());
            Set<Text> before = told(judged(a.procedure(), a.sheet(), now));
            Verdict v = judged(a.procedure(), a.sheet(), other);
            List<Text> fresh = told(v).stream().filter(t -> !before.contains(t)).toList();
            if (!fresh.isEmpty()) {
                lost.add(Effect.Lost.of(row.id(), row.title(), v, fresh));
            }
        }
        return new Effect(rows.size(), lost);
    }

    /**
     * Reads and judges every approved procedure of a machine by another sheet of it; R6 is left
     * aside. A procedure that names what the other sheet does not have says so.
     */
    public Effect effect(MachineSheet other) {
        List<Effect.Lost> lost = new ArrayList<>();
        List<Procedures.ApprovedRow> rows =
                procedures.approved().stream()
                        .filter(r -> r.machine().equals(other.code()))
                        .toList();
        Context now = premises.now().context();
        for (Procedures.ApprovedRow row : rows) {
            Procedures.Approved a = procedures.approvedVersion(row.id());
            Set<Text> before = told(judged(a.procedure(), a.sheet(), now));
            try {
                Procedure p =
                        ProcedureFormat.read(
                                ProcedureFormat.document(a.procedure()),
                                other,
                                premises.now().chemicalIds());
                Verdict v = judged(p, other, now);
                List<Text> fresh = told(v).stream().filter(t -> !before.contains(t)).toList();
                if (!fresh.isEmpty()) {
                    lost.add(Effect.Lost.of(row.id(), row.title(), v, fresh));
                }
            } catch (FormatError e) {
                lost.add(
                        new Effect.Lost(
                                row.id(),
                                row.title(),
                                0,
                                0,
                                e.problems().stream().map(Problem::said).distinct().toList()));
            }
        }
        return new Effect(rows.size(), lost);
    }

    /** What the sheet of each machine asks for and no approved procedure covers (F2). */
    List<Bare> uncovered() {
        List<Bare> all = new ArrayList<>();
        List<Procedures.ApprovedRow> rows = procedures.approved();
        for (MachineSheet sheet : sheets.all()) {
            List<Procedure> here =
                    rows.stream()
                            .filter(r -> r.machine().equals(sheet.code()))
                            .map(r -> procedures.approvedVersion(r.id()).procedure())
                            .toList();
            List<Text> items = Uncovered.of(sheet, here).stream().map(Uncovered::said).toList();
            if (!items.isEmpty()) {
                all.add(new Bare(sheet.code(), sheet.name(), items));
            }
        }
        return all;
    }

    /** A machine with what is not covered on it, in words. */
    record Bare(String code, String name, List<Text> items) {}

    private static Verdict judged(Procedure p, MachineSheet sheet, Context context) {
        return Verifier.withoutRemedies(p, sheet, context, 0);
    }

    private static Set<Text> told(Verdict v) {
        return roots(v).map(Finding::said).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private static Stream<Finding> roots(Verdict v) {
        return v.findings().stream().filter(f -> f.under() == null && !f.rule().equals("R6"));
    }
}
