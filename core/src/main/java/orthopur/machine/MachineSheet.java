package orthopur.machine;

import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.quantity.Temperature;

/**
 * The sheet of one machine.
 *
 * @param version counts up with every change
 * @param configuration which options are fitted, in plain words
 * @param optionGroups ways in which it can be fitted
 * @param programs that it runs by itself
 * @param washer how it is built, if it is a washer itself
 * @param safePosition where it is brought before it is made safe, in plain words
 * @param cleanMode whether it has a keyed mode for cleaning in motion
 * @param soils protein, starch, fat, sugar, allergens that it carries
 */
public record MachineSheet(
        String code,
        String name,
        String family,
        Regime regime,
        int version,
        String room,
        Temperature roomTemperature,
        String configuration,
        boolean temperatureControlledFood,
        boolean organic,
        Set<String> soils,
        List<Part> parts,
        List<Energy> energies,
        List<Check> checks,
        List<OptionGroup> optionGroups,
        List<Passage> passages,
        List<Fitting> fittings,
        List<Program> programs,
        @Nullable WasherType washer,
        @Nullable String safePosition,
        boolean cleanMode,
        @Nullable WarmUp warmUp,
        @Nullable Outline outline) {

    public MachineSheet {
        // In the order of the file: a plain immutable set has another order in every run.
        soils = Collections.unmodifiableSet(new LinkedHashSet<>(soils));
        parts = List.copyOf(parts);
        energies = List.copyOf(energies);
        checks = Lists.orNone(checks);
        optionGroups = Lists.orNone(optionGroups);
        passages = Lists.orNone(passages);
        fittings = Lists.orNone(fittings);
        programs = Lists.orNone(programs);
    }

    /** The same sheet with other parts, energies, checks and passages. */
    MachineSheet reducedTo(
            List<Part> someParts,
            List<Energy> someEnergies,
            List<Check> someChecks,
            List<Passage> somePassages) {
        return new MachineSheet(
                code,
                name,
                family,
                regime,
                version,
                room,
                roomTemperature,
                configuration,
                temperatureControlledFood,
                organic,
                soils,
                someParts,
                someEnergies,
                someChecks,
                optionGroups,
                somePassages,
                fittings,
                programs,
                washer,
                safePosition,
                cleanMode,
                warmUp,
                outline);
    }

    /** The same machine on a line that is certified organic. */
    public MachineSheet asOrganic() {
        return new MachineSheet(
                code,
                name,
                family,
                regime,
                version,
                room,
                roomTemperature,
                configuration,
                temperatureControlledFood,
                true,
                soils,
                parts,
                energies,
                checks,
                optionGroups,
                passages,
                fittings,
                programs,
                washer,
                safePosition,
                cleanMode,
                warmUp,
                outline);
    }
}
