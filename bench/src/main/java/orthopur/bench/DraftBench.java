package orthopur.bench;

import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import orthopur.drafting.Drafter;
import orthopur.machine.Frequency;
import orthopur.procedure.Procedure;
import orthopur.procedure.Schools;
import orthopur.runthrough.Context;

/** Bound: a sheet of 80 surfaces is drafted, judged and handed out in at most 20 ms. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class DraftBench {
    @Param({"80", "800"})
    public int surfaces;

    private final Context context = LargeNight.context();

    @Benchmark
    public Procedure draft() {
        return Drafter.draft(
                LargeNight.sheet(surfaces),
                new Drafter.Request(
                        "draft", "Draft", Frequency.DAILY, new Schools(false, false), Map.of()),
                context);
    }
}
