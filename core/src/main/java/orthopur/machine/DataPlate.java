package orthopur.machine;

import org.jspecify.annotations.Nullable;

/**
 * What stands on the plate of the machine; two variants on one site are told apart by it.
 *
 * @param type as stamped
 * @param serial as stamped
 * @param year built, 1900 to 2100; null where the plate does not say
 * @param supply volts, phases, hertz as stamped
 * @param power as stamped
 * @param manual which manual belongs to it, with its edition
 */
public record DataPlate(
        String type,
        @Nullable String serial,
        @Nullable Integer year,
        @Nullable String supply,
        @Nullable String power,
        @Nullable String manual) {}
