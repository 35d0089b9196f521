package orthopur.runthrough;

import orthopur.Nullable;
import orthopur.machine.Heat;
import orthopur.quantity.Temperature;
import orthopur.thermal.Cooling;

/** How long an energy of kind heat takes to a temperature, from its sheet. */
public final class Heats {
    private Heats() {}

    /** Minutes from the stop, or null where the sheet does not say how it cools. */
    public static @Nullable Double minutesTo(SheetIndex sheet, int energy, Temperature limit) {
        Heat heat = sheet.energy(energy).heat();
        if (heat == null || heat.perMinute() == null) {
            return null;
        }
        Temperature room = sheet.sheet().roomTemperature();
        if (limit.compareTo(room) <= 0) {
            return null;
        }
        return new Cooling(room, heat.start(), heat.perMinute()).minutesTo(limit);
    }
}
