package orthopur.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
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
 * @param soils protein, starch, fat, sugar that it carries
 * @param allergens of the products that run on it
 * @param neighbors codes of machines within reach of its splash
 * @param ventilation what keeps the air of the room fit to breathe where a gas could drive it out
 * @param standDays for how many days it may stand clean before it is cleaned again; null where the
 *     sheet does not say, which is as in a wet area
 * @param food whether what runs on it is raw or ready to eat; null where the sheet does not say
 * @param drive what moves it; null where the sheet does not say
 */
@RecordBuilder
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
        @Nullable Outline outline,
        List<String> allergens,
        List<String> neighbors,
        @Nullable Drive drive,
        @Nullable DataPlate dataPlate,
        List<Setting> settings,
        List<Counter> counters,
        List<Upkeep> upkeep,
        List<Kit> kits,
        List<Recipe> recipes,
        List<Sign> signs,
        List<Symptom> symptoms,
        List<Fault> faults,
        @Nullable String ventilation,
        @Nullable Integer standDays,
        @Nullable Food food)
        implements MachineSheetBuilder.With {

    public MachineSheet {
        // In the order of the file: a plain immutable set has another order in every run.
        soils = Collections.unmodifiableSet(new LinkedHashSet<>(soils));
        parts = List.copyOf(parts);
        energies = Lists.orNone(energies);
        checks = Lists.orNone(checks);
        optionGroups = Lists.orNone(optionGroups);
        passages = Lists.orNone(passages);
        fittings = Lists.orNone(fittings);
        programs = Lists.orNone(programs);
        allergens = Lists.orNone(allergens);
        neighbors = Lists.orNone(neighbors);
        settings = Lists.orNone(settings);
        counters = Lists.orNone(counters);
        upkeep = Lists.orNone(upkeep);
        kits = Lists.orNone(kits);
        recipes = Lists.orNone(recipes);
        signs = Lists.orNone(signs);
        symptoms = Lists.orNone(symptoms);
        faults = Lists.orNone(faults);
    }

    /** The same machine on a line that is certified organic. */
    public MachineSheet asOrganic() {
        return withOrganic(true);
    }
}
