package orthopur.roundpack;

import java.util.List;
import orthopur.Nullable;

/**
 * A closed package for one round. Its hash, made over its exchange form, is in every entry of the
 * round.
 *
 * @param version version of the procedure it was compiled from
 */
public record RoundPack(
        String procedure,
        int version,
        String title,
        String machine,
        String machineName,
        int sheetVersion,
        String ruleBook,
        List<String> ppe,
        List<PackStep> steps,
        List<Tally> parts,
        List<Instrument> instruments) {

    public RoundPack {
        ppe = List.copyOf(ppe);
        steps = List.copyOf(steps);
        parts = List.copyOf(parts);
        instruments = List.copyOf(instruments);
    }

    /**
     * One step as the tablet shows it.
     *
     * @param off,on pieces to tap, as "part#n"
     * @param timer what starts running when the step is done or, for contact, when the surface is
     *     wet
     * @param waitsFor step whose timer has to be over first
     * @param things what to fetch
     * @param where parts to light in the picture
     */
    public record PackStep(
            String id,
            int number,
            String phase,
            String verb,
            String title,
            String words,
            @Nullable String because,
            @Nullable String caution,
            double minutes,
            List<Piece> off,
            List<Piece> on,
            @Nullable Timer timer,
            @Nullable String waitsFor,
            @Nullable ReadingPlan reading,
            List<CheckPlan> checks,
            List<String> things,
            List<String> where) {}

    /** One piece that is tapped off or back. */
    public record Piece(String key, String name, @Nullable String destination) {}

    /** How many pieces of a part there are. */
    public record Tally(String part, String name, int count) {}

    /**
     * @param contact whether it is the wet contact of this very step, to be waited for before it is
     *     done, rather than something that runs on
     */
    public record Timer(String name, long seconds, boolean contact) {}

    /** A check with its range; without one it is looked at and confirmed. */
    public record CheckPlan(
            String id,
            String name,
            @Nullable Double least,
            @Nullable Double most,
            @Nullable String unit) {
        /** Whether it is measured against a range rather than looked at. */
        public boolean ranged() {
            return least != null && most != null;
        }

        /** Whether a value is in range, both ends included; without a range looking is enough. */
        public boolean in(@Nullable Double value) {
            if (least == null || most == null) {
                return true;
            }
            return value != null && value >= least && value <= most;
        }
    }

    /**
     * What a strength and temperature reading is compared with.
     *
     * @param bands coldest first; from this temperature on, between least and most
     * @param stockMgPerL strength of the concentrate, for the amount to add
     * @param vesselLitres where the step states it
     */
    public record ReadingPlan(
            String chemical,
            List<ReadingBand> bands,
            @Nullable Double stockMgPerL,
            @Nullable Double vesselLitres,
            String planned) {}

    public record ReadingBand(double fromCelsius, double leastMgPerL, double mostMgPerL) {}

    /**
     * An instrument and how well it reads.
     *
     * @param steps marks of a strip, ascending; empty for an instrument with a display
     * @param tolerance plus or minus, for one with a display
     */
    public record Instrument(
            String id,
            String name,
            List<Double> steps,
            double tolerance,
            double temperatureTolerance) {}
}
