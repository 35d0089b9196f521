package orthopur.solution;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.mixing.Band;
import orthopur.mixing.Fading;
import orthopur.quantity.Temperature;
import orthopur.rulebook.RuleBook;

/**
 * Until when a solution may be used: the earliest of its label's life, the habit of the site where
 * the label names none, the hour at which it has faded to its least, and the hour at which it is
 * too cold. How dirty it is no clock knows.
 *
 * @param at epoch milliseconds
 * @param why what ends first
 */
public record ChangeBy(long at, Why why) {
    private static final double HOUR = 3_600_000;

    /** A thermometer that shows less than this much less has shown no cooling. */
    private static final double COOLER = 1;

    /** What ends the life of a solution. */
    public enum Why {
        LABEL,
        HABIT,
        FADES,
        COOLS
    }

    /**
     * How strong and how warm it was.
     *
     * @param at epoch milliseconds
     * @param celsius null where nobody has looked
     */
    public record Seen(long at, double mgPerL, @Nullable Double celsius) {}

    /**
     * Of one solution.
     *
     * @param job what was mixed
     * @param made epoch milliseconds
     * @param mixed as it was mixed; null where it was corrected since, or has no strength of its
     *     own
     * @param read each reading since then, in order of time. Two tell how fast it fades; else the
     *     fade of the job is taken
     */
    public static ChangeBy of(
            Job job, long made, @Nullable Seen mixed, List<Seen> read, RuleBook book) {
        var life = job.chemical().solutionLife();
        ChangeBy first =
                life == null
                        ? new ChangeBy(made + book.duration("solution.life").toMillis(), Why.HABIT)
                        : new ChangeBy(made + life.toMillis(), Why.LABEL);
        List<Band> bands = job.bands(book);
        List<Seen> seen = new ArrayList<>(read);
        if (mixed != null) {
            seen.addFirst(mixed);
        }
        if (seen.isEmpty() || bands.isEmpty()) {
            return first;
        }
        return first.or(fades(job, bands, seen, read)).or(cools(bands, seen));
    }

    private ChangeBy or(@Nullable ChangeBy other) {
        return other != null && other.at < at ? other : this;
    }

    /** When it has fallen to its least at the coldest temperature that was seen. */
    private static @Nullable ChangeBy fades(
            Job job, List<Band> bands, List<Seen> seen, List<Seen> read) {
        double coldest =
                seen.stream()
                        .map(Seen::celsius)
                        .filter(c -> c != null)
                        .mapToDouble(c -> c)
                        .min()
                        .orElse(job.at().celsius());
        Band band = Job.band(bands, new Temperature(coldest));
        if (band == null) {
            return null;
        }
        double least = band.least().mgPerL();
        Seen last = seen.getLast();
        // How it was mixed is not how it was read: only readings tell of its fade.
        Fading fit =
                Fading.through(
                        read.stream()
                                .filter(s -> s.mgPerL() > 0)
                                .map(s -> new Fading.Point((s.at() - last.at()) / HOUR, s.mgPerL()))
                                .toList());
        double hours;
        if (last.mgPerL() <= least) {
            hours = 0;
        } else if (fit != null) {
            hours = Math.max(0, fit.hoursTo(least));
        } else if (job.fade() > 0) {
            hours = Math.log(last.mgPerL() / least) / job.fade();
        } else {
            return null;
        }
        return new ChangeBy(last.at() + (long) (hours * HOUR), Why.FADES);
    }

    /**
     * When it is as cold as its strength allows, if it goes on cooling as it did. It cools slower
     * the cooler it is, so this is early rather than late.
     */
    private static @Nullable ChangeBy cools(List<Band> bands, List<Seen> seen) {
        List<Seen> warm = seen.stream().filter(s -> s.celsius() != null).toList();
        if (warm.size() < 2) {
            return null;
        }
        Seen first = warm.getFirst();
        Seen last = warm.getLast();
        Double a = first.celsius();
        Double b = last.celsius();
        if (a == null || b == null || a - b < COOLER || last.at() <= first.at()) {
            return null;
        }
        double strength = last.mgPerL();
        double limit =
                bands.stream()
                        .filter(x -> x.least().mgPerL() <= strength)
                        .mapToDouble(x -> x.from().celsius())
                        .min()
                        .orElse(Double.NaN);
        if (Double.isNaN(limit)) {
            return null;
        }
        double perMs = (a - b) / (last.at() - first.at());
        return new ChangeBy(last.at() + (long) (Math.max(0, b - limit) / perMs), Why.COOLS);
    }
}
