package orthopur.bench;

import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Procedure;
import orthopur.rules.AllRules;
import orthopur.runthrough.Context;
import orthopur.runthrough.Rule;
import orthopur.runthrough.Run;
import orthopur.runthrough.RunThrough;
import orthopur.runthrough.SheetIndex;
import orthopur.verdict.Verdict;
import orthopur.verdict.Verifier;

/** Bound: a run-through of 120 steps × 80 surfaces in at most 2 ms at the median. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 8, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class RunThroughBench {
    @Param({"120x80", "1200x80", "120x800", "2000x1000"})
    public String size = "";

    private Procedure procedure;
    private MachineSheet sheet;
    private SheetIndex index;
    private final Context context = LargeNight.context();
    private final List<Rule> rules = AllRules.list();

    @Setup
    public void make() {
        int steps = Integer.parseInt(size.substring(0, size.indexOf('x')));
        int surfaces = Integer.parseInt(size.substring(size.indexOf('x') + 1));
        sheet = LargeNight.sheet(surfaces);
        index = new SheetIndex(sheet);
        procedure = LargeNight.procedure(steps, surfaces);
    }

    /** The run-through by all rules. */
    @Benchmark
    public Run runThrough() {
        return RunThrough.of(procedure, index, context, rules);
    }

    /** What the server answers with: run-through, remedies, ribbon. */
    @Benchmark
    public Verdict verdict() {
        return Verifier.verify(procedure, sheet, context);
    }
}
