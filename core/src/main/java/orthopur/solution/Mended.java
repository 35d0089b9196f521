package orthopur.solution;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.mixing.Band;
import orthopur.mixing.Correction;
import orthopur.mixing.Interval;
import orthopur.mixing.Measure;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;

/**
 * What a reading of a solution says, and what may be done about it with what is in the vessel.
 *
 * @param outcome whether all, nothing or some of what the reading can mean is permitted
 * @param means what the reading can mean, in mg/L
 * @param least,most what is permitted at this temperature, in mg/L; null where it is too cold for
 *     any
 * @param ways best first; none where it is in range
 */
public record Mended(
        Outcome outcome,
        Interval means,
        @Nullable Double least,
        @Nullable Double most,
        List<Way> ways) {

    /** In range, out of range, or too close to call. */
    public enum Outcome {
        IN,
        OUT,
        CANNOT_TELL
    }

    /** What is done. */
    public enum Kind {
        /** Concentrate is added. */
        ADD,
        /** Some is drained, then concentrate is added: it does not go in else. */
        DRAIN_AND_ADD,
        /** Water is added. */
        WATER,
        /** Some is drained and replaced by water. */
        DRAIN_AND_FILL,
        /** It is warmed. */
        WARM,
        /** It is poured out and made anew. */
        START_AGAIN
    }

    /**
     * One way.
     *
     * @param litres of concentrate or water that go in; 0 for none
     * @param drained litres that come out first
     * @param celsius what it is warmed to; null where it is not
     * @param after what it can be then, in mg/L; null where it is made anew
     * @param sure whether all of that is permitted
     */
    public record Way(
            Kind kind,
            double litres,
            double drained,
            @Nullable Double celsius,
            @Nullable Interval after,
            boolean sure) {}

    /**
     * @param job with the litres that are left in the vessel
     * @param seen on the job's instrument, in mg/L
     * @param at as the thermometer shows it
     * @throws orthopur.quantity.OutOfRange for what the instrument cannot show
     */
    public static Mended of(Job job, double seen, Temperature at, RuleBook book) {
        Interval means =
                job.instrument() == null ? new Interval(seen, seen) : job.instrument().means(seen);
        double off = job.instrument() == null ? 0 : job.instrument().temperatureTolerance();
        List<Band> bands = job.bands(book);
        Band cold = Job.band(bands, new Temperature(at.celsius() - off));
        Band warm = Job.band(bands, new Temperature(at.celsius() + off));
        Outcome outcome =
                cold != null
                                && means.low() >= cold.least().mgPerL()
                                && means.high() <= cold.most().mgPerL()
                        ? Outcome.IN
                        : warm == null
                                        || means.high() < warm.least().mgPerL()
                                        || means.low() > warm.most().mgPerL()
                                ? Outcome.OUT
                                : Outcome.CANNOT_TELL;
        List<Way> ways = new ArrayList<>();
        if (outcome != Outcome.IN) {
            // So far inside that the next reading decides, whichever way it is off.
            Band aimed = cold == null ? null : inner(cold, job);
            ways.addAll(stronger(job, means, aimed));
            ways.addAll(weaker(job, means, aimed));
            Way warmer = warmer(bands, means, at, off);
            if (warmer != null) {
                ways.add(warmer);
            }
            ways.add(new Way(Kind.START_AGAIN, 0, job.litres().litres(), null, null, true));
        }
        return new Mended(
                outcome,
                means,
                cold == null ? null : cold.least().mgPerL(),
                cold == null ? null : cold.most().mgPerL(),
                List.copyOf(ways));
    }

    private static Band inner(Band band, Job job) {
        double off = job.instrument() == null ? 0 : job.instrument().tolerance();
        double least = band.least().mgPerL() + off;
        double most = band.most().mgPerL() - off;
        return least > most
                ? band
                : new Band(
                        band.from(),
                        Strength.ofMgPerL(least),
                        Strength.ofMgPerL(most),
                        band.row(),
                        band.source());
    }

    private static List<Way> stronger(Job job, Interval means, @Nullable Band band) {
        Strength stock = job.concentrate();
        if (band == null
                || stock == null
                || means.low() >= band.least().mgPerL()
                || Double.isInfinite(means.high())
                || stock.compareTo(band.least()) <= 0) {
            return List.of();
        }
        Correction c = Correction.raise(job.litres(), means, band.least(), band.most(), stock);
        double v = job.litres().litres();
        if (v + c.add().litres() <= job.brim().litres() + 1e-9) {
            return List.of(new Way(Kind.ADD, c.add().litres(), 0, null, c.after(), c.possible()));
        }
        // It would run over: as much comes out as goes in.
        double exact = v * (band.least().mgPerL() - means.low()) / (stock.mgPerL() - means.low());
        Volume x = Measure.up(Volume.ofLitres(exact));
        double left = v - x.litres();
        Interval after =
                new Interval(
                        (means.low() * left + stock.mgPerL() * x.litres()) / v,
                        (means.high() * left + stock.mgPerL() * x.litres()) / v);
        return List.of(
                new Way(
                        Kind.DRAIN_AND_ADD,
                        x.litres(),
                        x.litres(),
                        null,
                        after,
                        after.high() <= band.most().mgPerL()));
    }

    private static List<Way> weaker(Job job, Interval means, @Nullable Band band) {
        if (band == null
                || means.high() <= band.most().mgPerL()
                || Double.isInfinite(means.high())) {
            return List.of();
        }
        double v = job.litres().litres();
        double most = band.most().mgPerL();
        double water = Math.ceil(v * (means.high() / most - 1) * 10 - 1e-9) / 10;
        if (v + water <= job.brim().litres() + 1e-9) {
            return List.of(way(Kind.WATER, water, 0, means, v / (v + water), band));
        }
        double swap = Math.ceil(v * (1 - most / means.high()) * 10 - 1e-9) / 10;
        return List.of(way(Kind.DRAIN_AND_FILL, swap, swap, means, (v - swap) / v, band));
    }

    private static Way way(
            Kind kind, double litres, double drained, Interval means, double share, Band band) {
        Interval after = new Interval(means.low() * share, means.high() * share);
        boolean sure =
                after.low() >= band.least().mgPerL() && after.high() <= band.most().mgPerL() + 1e-9;
        return new Way(kind, litres, drained, null, after, sure);
    }

    private static @Nullable Way warmer(
            List<Band> bands, Interval means, Temperature at, double off) {
        for (Band b : bands) {
            boolean enough = means.low() >= b.least().mgPerL() && means.high() <= b.most().mgPerL();
            double to = Math.ceil(b.from().celsius() + off);
            if (enough && to > at.celsius()) {
                return new Way(Kind.WARM, 0, 0, to, means, true);
            }
        }
        return null;
    }
}
