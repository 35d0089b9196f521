package orthopur.sitestream;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.instrument.Instrument;
import orthopur.sitestream.SiteState.Known;

/**
 * How the instruments of a site stand: held to standards when, by whom, with what result, and which
 * lot of strips is in use.
 */
public final class Register {
    private Register() {}

    /** How far an instrument can be believed. */
    public enum Standing {
        GOOD(true),
        /** It should have been checked by now. */
        DUE(true),
        /** Nobody has ever held it to a standard. */
        NEVER(true),
        /** Nobody has said which lot is in use, or held that lot to a standard. */
        LOT_UNCHECKED(true),
        LOT_EXPIRED(false),
        /** It did not show what it was held to. */
        FAILED(false);

        private final boolean usable;

        Standing(boolean usable) {
            this.usable = usable;
        }

        /** Whether something may be decided by it. */
        public boolean usable() {
            return usable;
        }
    }

    /**
     * One check.
     *
     * @param at epoch milliseconds
     * @param passed whether it showed each standard within what it can tell
     */
    public record Check(SiteEntry.InstrumentChecked entry, long at, String who, boolean passed) {}

    /**
     * One instrument.
     *
     * @param due epoch milliseconds by which it has to be checked again; null where it never was or
     *     has lots
     * @param lot in use; null where nobody has said
     * @param expires epoch milliseconds at which that lot expires
     * @param checks in order of time, of the lot in use where it has lots
     * @param goodAt epoch milliseconds of its last good check; null where there was none
     */
    public record Entry(
            Instrument instrument,
            Standing standing,
            @Nullable Long due,
            @Nullable String lot,
            @Nullable Long expires,
            List<Check> checks,
            @Nullable Long goodAt) {

        /**
         * Since when its readings are in doubt: since its last good check before the last one that
         * failed.
         *
         * @return epoch milliseconds, 0 for ever; null while nothing speaks against it
         */
        public @Nullable Long doubtedSince() {
            if (checks.isEmpty() || checks.getLast().passed()) {
                return null;
            }
            return goodAt == null ? 0L : goodAt;
        }
    }

    /**
     * @param every how long a check of an instrument with a display holds
     * @param now epoch milliseconds
     */
    public static Entry of(Instrument instrument, SiteState state, Duration every, long now) {
        SiteEntry.LotOpened lot =
                state.newest().get("lot/" + instrument.id()) instanceof Known k
                                && k.entry() instanceof SiteEntry.LotOpened opened
                        ? opened
                        : null;
        List<Check> checks = new ArrayList<>();
        for (Known k : state.newest().values()) {
            boolean mine =
                    k.entry() instanceof SiteEntry.InstrumentChecked c
                            && c.instrument().equals(instrument.id())
                            && (!instrument.usedUp() || lot != null && lot.lot().equals(c.lot()));
            if (mine && k.entry() instanceof SiteEntry.InstrumentChecked c) {
                checks.add(new Check(c, k.at(), k.who(), passed(instrument, c)));
            }
        }
        checks.sort(Comparator.comparingLong(Check::at));
        Long good = null;
        for (Check c : checks) {
            good = c.passed() ? Long.valueOf(c.at()) : good;
        }
        Long due =
                instrument.usedUp() || good == null ? null : Long.valueOf(good + every.toMillis());
        return new Entry(
                instrument,
                standing(instrument, lot, checks, due, now),
                due,
                lot == null ? null : lot.lot(),
                lot == null ? null : Long.valueOf(lot.expires()),
                checks,
                good);
    }

    private static Standing standing(
            Instrument instrument,
            SiteEntry.@Nullable LotOpened lot,
            List<Check> checks,
            @Nullable Long due,
            long now) {
        if (lot != null && instrument.usedUp() && lot.expires() <= now) {
            return Standing.LOT_EXPIRED;
        }
        if (checks.isEmpty()) {
            return instrument.usedUp() ? Standing.LOT_UNCHECKED : Standing.NEVER;
        }
        if (!checks.getLast().passed()) {
            return Standing.FAILED;
        }
        return due != null && due <= now ? Standing.DUE : Standing.GOOD;
    }

    private static boolean passed(Instrument instrument, SiteEntry.InstrumentChecked c) {
        boolean low = instrument.agrees(c.low(), c.lowShown());
        boolean high =
                c.high() == null || c.highShown() == null
                        ? !instrument.needsTwoPoints()
                        : instrument.agrees(c.high(), c.highShown());
        return low && high;
    }
}
