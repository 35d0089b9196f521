package orthopur.bench;

import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import orthopur.calculation.CalcAnswer;
import orthopur.calculation.Calculations;
import orthopur.rulebook.PublicCodes;
import orthopur.rulebook.RuleBook;

/** Bound: one calculation in at most 20 µs. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 2, time = 1)
@Measurement(iterations = 3, time = 1)
@Fork(1)
public class CalcBench {
    private final RuleBook book = PublicCodes.book();
    private final Map<String, String> dilute =
            Map.of("volume", "40L", "target", "100mg/L", "stock", "12.5%w/w", "density", "1.17");
    private final Map<String, String> limit =
            Map.of("kind", "chlorine", "strength", "60mg/L", "temp", "30C", "pH", "8.6");

    @Benchmark
    public CalcAnswer dilute() {
        return Calculations.compute("dilute", dilute, book);
    }

    @Benchmark
    public CalcAnswer limit() {
        return Calculations.compute("limit", limit, book);
    }
}
