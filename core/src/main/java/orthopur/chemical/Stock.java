package orthopur.chemical;

import org.jspecify.annotations.Nullable;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.text.Text;

/**
 * Strength of a concentrate.
 *
 * @param percent above 0 to 100
 * @param basis percent of mass in mass, or of mass in volume (1 % w/v = 10 g/L)
 * @param density in kg/L, above 0 to 3; needed for w/w, else not used
 */
public record Stock(double percent, Basis basis, @Nullable Double density) {
    /** What the percentage is of. */
    public enum Basis {
        MASS_IN_MASS("% w/w"),
        MASS_IN_VOLUME("% w/v");

        private final String shown;

        Basis(String shown) {
            this.shown = shown;
        }

        public String shown() {
            return shown;
        }
    }

    public Stock {
        if (!(percent > 0 && percent <= 100)) {
            throw new OutOfRange("stock", Show.number(percent), OutOfRange.above("0", "100 %"));
        }
        if (density != null && !(density > 0 && density <= 3)) {
            throw new OutOfRange("density", Show.number(density), OutOfRange.above("0", "3 kg/L"));
        }
        if (basis == Basis.MASS_IN_MASS && density == null) {
            throw new OutOfRange(
                    "density",
                    Text.of("out-of-range.nothing", "(nothing)"),
                    Text.of(
                            "out-of-range.above-to-kg-l-for",
                            "above 0 to 3 kg/L for a stock in % w/w"));
        }
    }

    /** Active substance per litre of concentrate. */
    public Strength strength() {
        double kgPerL = basis == Basis.MASS_IN_MASS && density != null ? density : 1.0;
        return Strength.ofMgPerL(Math.min(1_000_000, percent / 100 * kgPerL * 1_000_000));
    }
}
