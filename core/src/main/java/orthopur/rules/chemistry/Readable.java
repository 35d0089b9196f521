package orthopur.rules.chemistry;

import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.instrument.Instrument;
import orthopur.mixing.Band;
import orthopur.mixing.Interval;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;

/** Strengths of which the instruments of a site can tell whether they are in range. */
final class Readable {
    /** Strengths are tried in steps of so many mg/L: as a pitcher is poured. */
    private static final double STEP = 5;

    private Readable() {}

    /** The instruments that read the strength of this chemical. */
    static List<Instrument> by(List<Instrument> all, Chemical chemical) {
        return all.stream()
                .filter(Instrument::readsStrength)
                .filter(i -> i.reads(chemical.kind()))
                .toList();
    }

    static boolean tells(List<Instrument> some, List<Band> bands, Strength s, Temperature at) {
        return some.stream().anyMatch(i -> tells(i, bands, s.mgPerL(), at));
    }

    /** The strength nearest to the planned one at which something can tell; null for none. */
    static @Nullable Strength nearest(
            List<Instrument> some, List<Band> bands, Strength planned, Temperature at) {
        if (bands.isEmpty()) {
            return null;
        }
        double most = bands.getFirst().most().mgPerL();
        Double best = null;
        for (double x = STEP; x <= most; x += STEP) {
            double y = x;
            boolean nearer =
                    best == null
                            || Math.abs(x - planned.mgPerL()) < Math.abs(best - planned.mgPerL());
            if (nearer && some.stream().anyMatch(i -> tells(i, bands, y, at))) {
                best = x;
            }
        }
        return best == null ? null : new Strength(best);
    }

    /** Whether all that it may show of this strength is within the limits. */
    private static boolean tells(
            Instrument i, List<Band> bands, double mgPerL, Temperature planned) {
        try {
            Interval means = i.means(seen(i, mgPerL));
            Temperature cold = new Temperature(planned.celsius() - i.temperatureTolerance());
            Band band = coldest(bands, cold);
            return band != null
                    && means.low() >= band.least().mgPerL()
                    && means.high() <= band.most().mgPerL();
        } catch (OutOfRange x) {
            return false;
        }
    }

    /** A strip shows its mark only for what is nearest to it; else something between two. */
    private static double seen(Instrument i, double mgPerL) {
        return i.perDrop() == null ? mgPerL : Math.ceil(mgPerL / i.perDrop()) * i.perDrop();
    }

    private static @Nullable Band coldest(List<Band> bands, Temperature at) {
        Band best = null;
        for (Band b : bands) {
            if (at.atLeast(b.from()) && (best == null || b.least().compareTo(best.least()) < 0)) {
                best = b;
            }
        }
        return best;
    }
}
