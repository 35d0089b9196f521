package orthopur.solution;

import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.instrument.Instrument;
import orthopur.mixing.Band;
import orthopur.mixing.SanitizerLimit;
import orthopur.quantity.Hardness;
import orthopur.quantity.Ph;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;

/**
 * What is to be mixed, in what, and with what it is read.
 *
 * @param litres of finished solution, above 0 L
 * @param brim what the vessel holds
 * @param at temperature of the solution
 * @param ph of the mixed solution; null where nobody has read it
 * @param hardness of the water; null where it was never measured
 * @param rinseAfter whether drinking water follows, so that the label's ceiling may hold
 * @param instrument it is read with; null for none
 * @param hold hours for which it has to last, from 0
 * @param fade share that it loses in an hour, from 0
 * @param stock strength of the concentrate as it is now; null for the one on its sheet
 * @param stroke what one stroke of the pump on its container gives; null for none
 * @param wanted a strength that somebody asks for; null for the lowest that lasts
 * @param beside what the label gives for a use beside food, such as a foot bath; null where it is
 *     for what touches food
 */
public record Job(
        Chemical chemical,
        Volume litres,
        Volume brim,
        Temperature at,
        @Nullable Ph ph,
        @Nullable Hardness hardness,
        boolean rinseAfter,
        @Nullable Instrument instrument,
        double hold,
        double fade,
        @Nullable Strength stock,
        @Nullable Volume stroke,
        @Nullable Strength wanted,
        @Nullable Band beside) {

    /** For what touches food. */
    public Job(
            Chemical chemical,
            Volume litres,
            Volume brim,
            Temperature at,
            @Nullable Ph ph,
            @Nullable Hardness hardness,
            boolean rinseAfter,
            @Nullable Instrument instrument,
            double hold,
            double fade,
            @Nullable Strength stock,
            @Nullable Volume stroke,
            @Nullable Strength wanted) {
        this(
                chemical,
                litres,
                brim,
                at,
                ph,
                hardness,
                rinseAfter,
                instrument,
                hold,
                fade,
                stock,
                stroke,
                wanted,
                null);
    }

    /** Strength of the concentrate, or null where it is dosed by volume only. */
    @Nullable Strength concentrate() {
        return stock != null
                ? stock
                : chemical.stock() == null ? null : chemical.stock().strength();
    }

    /** The permitted strengths by temperature, coldest first; empty for what sanitizes nothing. */
    public List<Band> bands(RuleBook book) {
        if (beside != null) {
            return List.of(beside);
        }
        return chemical.kind().sanitizes() ? new SanitizerLimit(book).bands(use(at)) : List.of();
    }

    SanitizerLimit.Use use(Temperature temperature) {
        return new SanitizerLimit.Use(
                chemical.kind(), chemical.label(), wanted, temperature, ph, hardness, rinseAfter);
    }

    /** The band that asks for least at a temperature, or null where it is too cold for any. */
    static @Nullable Band band(List<Band> bands, Temperature at) {
        Band best = null;
        for (Band b : bands) {
            if (at.atLeast(b.from()) && (best == null || b.least().compareTo(best.least()) < 0)) {
                best = b;
            }
        }
        return best;
    }

    /** As cold as it may be when the thermometer shows what is planned. */
    Temperature coldest() {
        return instrument == null
                ? at
                : new Temperature(at.celsius() - instrument.temperatureTolerance());
    }
}
