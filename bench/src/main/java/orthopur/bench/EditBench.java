package orthopur.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.rules.AllRules;
import orthopur.runthrough.Context;
import orthopur.runthrough.Run;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.SheetIndex;
import orthopur.verdict.Verdict;
import orthopur.verdict.Verifier;

/**
 * Bounds at 120 steps × 80 surfaces: taken up again after an edit in the middle in at most 1 ms, a
 * broken procedure with the proof of its remedies in at most 150 ms.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 8, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class EditBench {
    private final Context context = LargeNight.context();
    private MachineSheet sheet;
    private RunThrough.Resumable kept;
    private Procedure edited;
    private Procedure broken;

    @Setup
    public void make() {
        sheet = LargeNight.sheet(80);
        Procedure good = LargeNight.procedure(120, 80);
        kept = RunThrough.resumable(good, new SheetIndex(sheet), context, AllRules.list());
        Step middle = good.steps().get(60);
        edited =
                good.apply(
                        List.of(
                                new Edit.Change(
                                        middle.id(),
                                        new Step(
                                                middle.id(),
                                                middle.action(),
                                                "Another word.",
                                                null,
                                                null,
                                                2,
                                                1))));
        broken = broken(good);
        Verdict v = Verifier.verify(broken, sheet, context);
        System.out.printf(
                "# broken: %d findings, %d remedies offered%n",
                v.findings().size(),
                v.findings().stream().mapToInt(f -> f.remedies().size()).sum());
    }

    /** Without some rinses and inspections, without lock, clearing and hand wash. */
    private static Procedure broken(Procedure good) {
        List<Edit> edits = new ArrayList<>();
        int n = 0;
        for (Step s : good.steps()) {
            boolean drops =
                    s.action() instanceof Action.Lock
                            || s.action() instanceof Action.Clear
                            || s.action() instanceof Action.WashHands
                            || s.action() instanceof Action.Install
                            || (s.action() instanceof Action.Rinse && n++ % 7 == 0)
                            || (s.action() instanceof Action.Inspect && n++ % 7 == 0);
            if (drops) {
                edits.add(new Edit.Delete(s.id()));
            }
        }
        return good.apply(edits);
    }

    /** The run-through from the edited step on. */
    @Benchmark
    public Run edit() {
        return kept.after(edited);
    }

    /** What the server answers to a broken procedure. */
    @Benchmark
    public Verdict remedies() {
        return Verifier.verify(broken, sheet, context);
    }
}
