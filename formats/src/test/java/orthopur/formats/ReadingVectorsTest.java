package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.instrument.Instrument;
import orthopur.mixing.Interval;
import orthopur.quantity.OutOfRange;
import orthopur.roundpack.PackCompiler;
import orthopur.roundpack.ReadingJudge;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.ReadingBand;

/**
 * Golden vectors of the reading interpreter. The core makes them here; the tablet's interpreter is
 * held to the same file. Run with {@code -Dorthopur.write=true} to write it anew.
 */
class ReadingVectorsTest {
    private static final Path FILE = Path.of("..", "demo", "vectors", "readings.json");

    record Vector(String instrument, double strength, double temperature, String outcome) {}

    record Vectors(List<ReadingBand> bands, List<Instrument> instruments, List<Vector> vectors) {}

    @Test
    void theFileIsWhatTheCoreSays() throws IOException {
        RoundPack pack =
                PackCompiler.compile(
                        DemoSite.procedure("qk-sl1-end-of-shift"),
                        1,
                        DemoSite.SLICER,
                        DemoSite.CONTEXT,
                        DemoSite.SITE.instruments());
        List<ReadingBand> bands =
                pack.steps().stream()
                        .filter(s -> s.reading() != null)
                        .findFirst()
                        .orElseThrow()
                        .reading()
                        .bands();
        Instrument exact = new Instrument("exact", "Exact", List.of(), 0, 0);
        List<Instrument> instruments = new ArrayList<>(pack.instruments());
        instruments.add(exact);
        List<Vector> vectors = new ArrayList<>();
        for (Instrument i : instruments) {
            for (double strength :
                    new double[] {
                        -5, 0, 49.5, 50, 62, 99.5, 100, 103, 106, 150, 197, 200, 201, 1e9
                    }) {
                for (double celsius : new double[] {12.9, 13, 18, 23.9, 24, 25, 49}) {
                    vectors.add(
                            new Vector(
                                    i.id(),
                                    strength,
                                    celsius,
                                    outcome(i, bands, strength, celsius)));
                }
            }
        }
        String now = Json.write(new Vectors(bands, instruments, vectors));
        if (Boolean.getBoolean("orthopur.write")) {
            Files.createDirectories(FILE.getParent());
            Files.writeString(FILE, now);
        }
        assertEquals(
                Files.readString(FILE), now, "the core judges otherwise; see this test's comment");
    }

    private static String outcome(
            Instrument i, List<ReadingBand> bands, double strength, double celsius) {
        try {
            double t = i.temperatureTolerance();
            return ReadingJudge.judge(
                            bands,
                            ReadingJudge.strength(i, strength),
                            new Interval(celsius - t, celsius + t))
                    .name();
        } catch (OutOfRange e) {
            return "REFUSED";
        }
    }
}
