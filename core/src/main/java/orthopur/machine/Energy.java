package orthopur.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Duration;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * One energy of the machine.
 *
 * @param zone parts within reach of its harm; a part is in the zone while it is mounted and during
 *     its own removal and installation
 * @param isolationPoint where it is cut or let off
 * @param verify how it is proved harmless
 * @param holder the part that stores it, for stored energy and heat
 * @param fedBy the energy that charges it again when restored
 * @param keepLive left on during cleaning on purpose (ventilation)
 * @param tagOnly its point takes no lock, so it is tagged and has a second measure
 * @param heat how hot it is and how it cools, for kind heat
 * @param when the option it depends on; null for always
 * @param restartWait how long after it was shut nobody may light or start it again
 * @param switchStays whether its start control stays where it is put, so that trying it leaves it
 *     on; null for a button that springs back
 * @param suffocates a gas that drives out the air of a closed room: carbon dioxide, nitrogen
 */
@RecordBuilder
public record Energy(
        String id,
        String name,
        EnergyKind kind,
        List<String> zone,
        @Nullable String isolationPoint,
        @Nullable String verify,
        @Nullable String holder,
        @Nullable String fedBy,
        boolean keepLive,
        boolean tagOnly,
        @Nullable Heat heat,
        @Nullable String when,
        @Nullable Duration restartWait,
        boolean suffocates,
        @Nullable Boolean switchStays)
        implements EnergyBuilder.With {

    /** One that does not drive out the air. */
    public Energy(
            String id,
            String name,
            EnergyKind kind,
            List<String> zone,
            @Nullable String isolationPoint,
            @Nullable String verify,
            @Nullable String holder,
            @Nullable String fedBy,
            boolean keepLive,
            boolean tagOnly,
            @Nullable Heat heat,
            @Nullable String when,
            @Nullable Duration restartWait) {
        this(
                id,
                name,
                kind,
                zone,
                isolationPoint,
                verify,
                holder,
                fedBy,
                keepLive,
                tagOnly,
                heat,
                when,
                restartWait,
                false,
                null);
    }

    public Energy {
        zone = List.copyOf(zone);
    }

    /** Whether it starts by itself when power comes back after its switch was tried. */
    public boolean startsAgain() {
        return switchStays != null && switchStays;
    }

    Energy among(Set<String> parts) {
        return withZone(zone.stream().filter(parts::contains).toList());
    }
}
