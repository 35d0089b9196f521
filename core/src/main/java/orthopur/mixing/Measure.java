package orthopur.mixing;

import orthopur.quantity.Volume;

/** Rounding to what a jug at hand can show: 1 mL below 100 mL, 5 mL to 1 L, 50 mL above. */
public final class Measure {
    private Measure() {}

    /** The next amount that can be measured, never less than asked. */
    public static Volume up(Volume exact) {
        double ml = exact.millilitres();
        double step = ml < 100 ? 1 : ml <= 1000 ? 5 : 50;
        // A hair below the mark counts as the mark: 27.000000001 mL is 27 mL, not 28.
        return Volume.ofMillilitres(Math.ceil(ml / step - 1e-9) * step);
    }
}
