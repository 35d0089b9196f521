package orthopur.runthrough;

import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.machine.EnergyStage;

/**
 * The outcome of a run-through.
 *
 * @param findings roots in the order of their steps, each followed by its consequences
 * @param steps what each step changed; what it did not change is not repeated
 */
public record Run(
        List<Finding> findings,
        List<StepEffect> steps,
        List<Facts> end,
        Coverage coverage,
        Totals totals) {

    /**
     * @param surfaces changed facts, by place of the surface on the sheet
     * @param reached surfaces on which the step acted at all
     * @param refused those of them on which its claim was not granted
     * @param parts parts that came off, went on or moved
     */
    public record StepEffect(
            List<SurfaceChange> surfaces,
            List<SurfaceAt> reached,
            List<SurfaceAt> refused,
            List<EnergyChange> energies,
            List<PartChange> parts) {
        static final StepEffect NONE =
                new StepEffect(List.of(), List.of(), List.of(), List.of(), List.of());
    }

    public record SurfaceChange(SurfaceAt surface, Facts after) {}

    public record EnergyChange(EnergyAt energy, EnergyStage after) {}

    /**
     * @param off how many of the part are off afterwards
     */
    public record PartChange(PartAt part, int off, boolean aside) {}

    /** How many due surfaces ended as their sheet asks. */
    public record Coverage(int reached, int due) {}

    /**
     * @param elapsedMinutes from the first step to the last, waiting included
     * @param handsOnMinutes planned work, counted once per person
     * @param waitingMinutes how long the crew waits: for a soak, for drying, a dwell, heat to go
     * @param people most at one step
     * @param waterLitres where a step states it; null when none does
     * @param warmLitres of these, what is stated warmer than the tap and so has to be heated
     * @param chemicals products in the order in which they are first used
     */
    public record Totals(
            double elapsedMinutes,
            double handsOnMinutes,
            double waitingMinutes,
            int people,
            @Nullable Double waterLitres,
            @Nullable Double warmLitres,
            List<Used> chemicals) {}

    /**
     * How much of a product is used.
     *
     * @param litres of the product as it is bought, as far as steps say it
     * @param cost of that, in the site's currency
     * @param unsaid steps that use it without a strength and a volume
     */
    public record Used(String chemical, String name, double litres, double cost, int unsaid) {}

    /** The same run with other findings, for instance those of all configurations. */
    public Run withFindings(List<Finding> others) {
        return new Run(List.copyOf(others), steps, end, coverage, totals);
    }

    /** Roots of this severity: consequences are not counted again. */
    public int count(Severity severity) {
        int n = 0;
        for (int i = 0; i < findings.size(); i++) {
            if (findings.get(i).under() == null && severityOfGroup(i) == severity) {
                n++;
            }
        }
        return n;
    }

    /** The highest severity of a root and what follows from it. */
    public Severity severityOfGroup(int root) {
        Severity highest = findings.get(root).severity();
        for (Finding f : findings) {
            if (f.under() != null && f.under() == root && f.severity().compareTo(highest) < 0) {
                highest = f.severity();
            }
        }
        return highest;
    }
}
