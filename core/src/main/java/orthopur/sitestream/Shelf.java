package orthopur.sitestream;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.sitestream.SiteState.Known;

/** What stands in which vessel of a site, out of its newest entries. */
public final class Shelf {
    /** Milliseconds before its end at which a solution is called out. */
    public static final long CALLED = 15 * 60_000L;

    private Shelf() {}

    /** How a solution stands. */
    public enum Standing {
        /** It may be used. */
        FRESH,
        /** It may be used for less than a quarter of an hour. */
        SOON,
        /** It was corrected and nobody has read it since. */
        UNREAD,
        /** It is older than it may get. */
        OVER,
        /** It is poured out. */
        OUT
    }

    /**
     * One reading.
     *
     * @param at epoch milliseconds
     * @param until epoch milliseconds until when it lasts as it fades and cools; null where the
     *     reading says nothing of that
     * @param why no longer
     */
    public record Read(
            long at,
            double mgPerL,
            double celsius,
            String instrument,
            String who,
            @Nullable Long until,
            @Nullable String why) {}

    /**
     * One correction.
     *
     * @param litres that went in
     * @param drained litres that came out first
     */
    public record Corrected(long at, String what, double litres, double drained, String who) {}

    /**
     * One solution.
     *
     * @param made litres as it was mixed
     * @param litres that are left after its corrections
     * @param mgPerL as it was mixed; null where it has no strength of its own
     * @param ph as it was mixed; null where nobody has read it
     * @param until epoch milliseconds until when it may be used: what was said when it was made, or
     *     sooner by a reading since it was last corrected; null where the label names none
     * @param why no longer, one of {@link SiteEntry.BucketMade#ENDS}; null where nobody has said
     * @param purpose what it is for; null where nobody has said
     * @param readings,corrections in order of time
     * @param emptiedAt epoch milliseconds at which it was poured out; null while it stands
     * @param rinsed whether its vessel was washed out then
     */
    public record Solution(
            String vessel,
            String chemical,
            double made,
            double litres,
            @Nullable Double mgPerL,
            @Nullable String label,
            @Nullable Double celsius,
            @Nullable Double ph,
            @Nullable Long until,
            @Nullable String why,
            @Nullable String purpose,
            long at,
            String who,
            List<Read> readings,
            List<Corrected> corrections,
            @Nullable Long emptiedAt,
            boolean rinsed) {

        /** How it stands at a moment. */
        public Standing standing(long now) {
            if (emptiedAt != null) {
                return Standing.OUT;
            }
            if (until != null && until < now) {
                return Standing.OVER;
            }
            if (correctedSinceRead()) {
                return Standing.UNREAD;
            }
            return until != null && until - now <= CALLED ? Standing.SOON : Standing.FRESH;
        }

        /** Whether it is somebody's turn to read it before anything else is done with it. */
        public boolean correctedSinceRead() {
            return !corrections.isEmpty()
                    && (readings.isEmpty() || readings.getLast().at() < corrections.getLast().at());
        }
    }

    /** All of a site, by vessel. */
    public static List<Solution> of(SiteState state) {
        List<Solution> all = new ArrayList<>();
        for (Known k : state.newest().values()) {
            if (k.entry() instanceof SiteEntry.BucketMade made) {
                all.add(solution(state, k, made));
            }
        }
        all.sort(Comparator.comparing(Solution::vessel));
        return all;
    }

    /** The solution with a label; null where none has it, or its vessel was filled anew since. */
    public static @Nullable Solution labeled(SiteState state, String label) {
        return of(state).stream().filter(s -> label.equals(s.label())).findFirst().orElse(null);
    }

    private static Solution solution(SiteState state, Known k, SiteEntry.BucketMade made) {
        List<Read> readings = new ArrayList<>();
        List<Corrected> corrections = new ArrayList<>();
        for (Known other : state.newest().values()) {
            switch (other.entry()) {
                case SiteEntry.SolutionRead r when r.label().equals(made.label()) ->
                        readings.add(
                                new Read(
                                        other.at(),
                                        r.mgPerL(),
                                        r.celsius(),
                                        r.instrument(),
                                        other.who(),
                                        r.until(),
                                        r.why()));
                case SiteEntry.SolutionCorrected c when c.label().equals(made.label()) ->
                        corrections.add(
                                new Corrected(
                                        other.at(),
                                        c.what(),
                                        c.litres(),
                                        c.drained(),
                                        other.who()));
                default -> {}
            }
        }
        readings.sort(Comparator.comparingLong(Read::at));
        corrections.sort(Comparator.comparingLong(Corrected::at));
        double litres = made.litres();
        for (Corrected c : corrections) {
            litres = Math.max(0, litres - c.drained() + c.litres());
        }
        // A correction makes it neither younger nor cleaner, but it fades from anew.
        long corrected = corrections.isEmpty() ? 0 : corrections.getLast().at();
        Long until = made.until();
        String why = made.why();
        for (Read r : readings) {
            Long ends = r.until();
            if (ends != null && r.at() >= corrected && (until == null || ends < until)) {
                until = ends;
                why = r.why();
            }
        }
        Known out = state.newest().get(new SiteEntry.VesselEmptied(made.vessel(), false).about());
        Long emptiedAt = out == null || out.at() < k.at() ? null : Long.valueOf(out.at());
        boolean rinsed =
                out != null
                        && emptiedAt != null
                        && out.entry() instanceof SiteEntry.VesselEmptied v
                        && v.rinsed();
        return new Solution(
                made.vessel(),
                made.chemical(),
                made.litres(),
                litres,
                made.mgPerL(),
                made.label(),
                made.celsius(),
                made.ph(),
                until,
                why,
                made.purpose(),
                k.at(),
                k.who(),
                readings,
                corrections,
                emptiedAt,
                rinsed);
    }
}
