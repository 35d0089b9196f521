package orthopur.machine;

import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import orthopur.Nullable;
import orthopur.quantity.Temperature;

/**
 * The sheet of one machine.
 *
 * @param version counts up with every change
 * @param configuration which options are fitted, in plain words
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
        @Nullable Outline outline) {

    public MachineSheet {
        // In the order of the file: a plain immutable set has another order in every run.
        soils = Collections.unmodifiableSet(new LinkedHashSet<>(soils));
        parts = List.copyOf(parts);
        energies = List.copyOf(energies);
        checks = List.copyOf(checks);
    }
}
