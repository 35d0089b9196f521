package orthopur.runthrough;

import org.jspecify.annotations.Nullable;
import orthopur.machine.Energy;
import orthopur.machine.Heat;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Action;
import orthopur.quantity.Temperature;
import orthopur.thermal.Cooling;

/** How long an energy of kind heat takes to a temperature, from its sheet. */
public final class Heats {
    private Heats() {}

    /** Minutes from the stop, or null where the sheet does not say how it cools. */
    public static @Nullable Double minutesTo(MachineSheet sheet, Energy energy, Temperature limit) {
        Heat heat = energy.heat();
        if (heat == null || heat.perMinute() == null) {
            return null;
        }
        Temperature room = sheet.roomTemperature();
        if (limit.compareTo(room) <= 0) {
            return null;
        }
        return new Cooling(room, heat.start(), heat.perMinute()).minutesTo(limit);
    }

    /**
     * What a cooling step brings it down to: as measured, or as its curve says; null if neither.
     */
    static @Nullable Temperature after(SheetIndex sheet, EnergyAt energy, Action.CoolDown a) {
        Heat heat = sheet.energy(energy).heat();
        if (a.below() != null || heat == null) {
            return a.below();
        }
        Temperature room = sheet.sheet().roomTemperature();
        return a.standing() == null || heat.perMinute() == null
                ? null
                : new Cooling(room, heat.start(), heat.perMinute())
                        .after(a.standing().toMillis() / 60_000.0);
    }

    /** The hottest that a part may still be before a step, or null where it was never hot. */
    public static @Nullable Temperature of(Moment m, PartAt part) {
        Temperature hottest = null;
        for (EnergyAt e : m.sheet().allEnergies()) {
            Heat heat = m.sheet().energy(e).heat();
            boolean holds = m.sheet().part(part).id().equals(m.sheet().energy(e).holder());
            if (heat != null && (holds || m.sheet().inReach(e, part))) {
                Temperature now = now(m, e, heat);
                hottest = hottest == null || now.compareTo(hottest) > 0 ? now : hottest;
            }
        }
        return hottest;
    }

    private static Temperature now(Moment m, EnergyAt energy, Heat heat) {
        Temperature room = m.sheet().sheet().roomTemperature();
        Temperature now =
                heat.perMinute() == null || heat.start().compareTo(room) <= 0
                        ? heat.start()
                        : new Cooling(room, heat.start(), heat.perMinute())
                                .after(m.night().minutes());
        Temperature measured = m.night().cooledTo(energy);
        return measured != null && measured.compareTo(now) < 0 ? measured : now;
    }
}
