package orthopur.faults;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Passage;
import orthopur.machine.Program;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Temperature;

/**
 * What the machine does by itself: a program stopped before its end or started without what it
 * needs, a washer that is incomplete or too cool, a line that is filled open or with air in it.
 */
final class ProgramFaults {
    private static final double[] SHARES = {0.1, 0.5, 0.9, 0.99};
    private static final double[] TOO_COOL = {45, 60, 65, 70};
    private static final double[] COOL_TANK = {20, 40, 45};

    private final Reading r;
    private final Injector out;

    ProgramFaults(Reading reading, Injector out) {
        this.r = reading;
        this.out = out;
    }

    void make() {
        for (int i = 0; i < r.steps().size(); i++) {
            Step s = r.steps().get(i);
            if (s.action() instanceof Action.RunProgram a) {
                Program program = program(a);
                if (program != null) {
                    ran(i, s, a, program);
                } else if (!a.complete().isEmpty()) {
                    washed(s, a);
                }
            }
            if (s.action() instanceof Action.Circulate || s.action() instanceof Action.Sanitize) {
                sent(s);
            }
        }
    }

    private @Nullable Program program(Action.RunProgram a) {
        return r.sheet().programs().stream()
                .filter(x -> x.id().equals(a.program()))
                .findFirst()
                .orElse(null);
    }

    private void ran(int place, Step s, Action.RunProgram a, Program program) {
        for (double f : SHARES) {
            Duration less = Duration.ofSeconds((long) (program.earliestEnd().toSeconds() * f));
            out.changed("weaken", "stopped early", s, a.withLasting(less), "C21");
        }
        out.changed(
                "not-stated",
                "how long it runs",
                s,
                stating(a, a.solution(), null, a.finalRinse()),
                "C21");
        for (String needed : program.needs()) {
            off(s, needed, program.name() + " without " + needed, Set.of("C23"));
        }
        if (program.purpose() == Program.Purpose.DESCALE) {
            List<Edit> flushes = new ArrayList<>();
            for (Step later : r.steps().subList(place + 1, r.steps().size())) {
                boolean flush =
                        later.action() instanceof Action.RunProgram x
                                        && program(x) instanceof Program p
                                        && p.purpose() == Program.Purpose.PURGE
                                || later.action() instanceof Action.Rinse z
                                        && z.endPoint() == Action.EndPoint.TAP_PH;
                if (flush) {
                    flushes.add(new Edit.Delete(later.id()));
                }
            }
            out.fault("drop", "acid never flushed out", flushes, Set.of("C21"), Set.of(s.id()));
        }
    }

    private void washed(Step s, Action.RunProgram a) {
        for (String seen : a.complete()) {
            out.changed(
                    "forget",
                    seen + " not looked at",
                    s,
                    a.withComplete(Reading.without(a.complete(), seen)),
                    "C23");
        }
        for (double t : COOL_TANK) {
            out.changed("weaken", "the tank at " + t + " °C", s, tank(a, new Temperature(t)), "S8");
        }
        out.changed("not-stated", "temperature of the tank", s, tank(a, null), "S8");
        if (a.finalRinse() == null) {
            return;
        }
        for (double t : TOO_COOL) {
            out.changed(
                    "weaken",
                    "last rinse at " + t + " °C",
                    s,
                    a.withFinalRinse(new Temperature(t)),
                    "S8");
        }
        out.changed(
                "not-stated",
                "temperature of the last rinse",
                s,
                stating(a, a.solution(), a.lasting(), null),
                "S8");
        Set<Action.Reading> fewer = new HashSet<>(a.readings());
        if (fewer.remove(Action.Reading.TEMPERATURE)) {
            out.changed("forget", "last rinse not read", s, a.withReadings(fewer), "S8");
        }
    }

    /** Filled while something that shuts the line is off, or without letting the air out. */
    private void sent(Step s) {
        for (Passage k : r.sheet().passages()) {
            if (!s.action().items().contains(k.id())) {
                continue;
            }
            for (String shut : k.closedBy()) {
                // Nothing brings it back: that it stays off is the cause, that it runs out the
                // rest.
                off(s, shut, k.name() + " filled without " + shut, Set.of("C14", "T2"));
            }
            if (s.action() instanceof Action.Circulate a && a.bled() && !k.vents().isEmpty()) {
                out.changed("forget", "air left in " + k.name(), s, a.withBled(false), "C14");
            }
        }
    }

    /** Taken off just before, though it is wanted in place. */
    private void off(Step s, String part, String what, Set<String> rules) {
        Step remove =
                new Step(
                        "zz-off",
                        new Action.Remove(List.of(part), null, "rack"),
                        "",
                        null,
                        null,
                        1,
                        1);
        out.fault(
                "state",
                what,
                List.of(new Edit.InsertBefore(s.id(), remove)),
                rules,
                Set.of(s.id(), "zz-off"));
    }

    private static Action tank(Action.RunProgram a, @Nullable Temperature t) {
        Solution x = a.solution();
        Solution tank = new Solution(x.chemical(), x.strength(), t, x.ph(), x.volume(), x.vessel());
        return stating(a, tank, a.lasting(), a.finalRinse());
    }

    private static Action stating(
            Action.RunProgram a,
            Solution tank,
            @Nullable Duration lasting,
            @Nullable Temperature last) {
        return new Action.RunProgram(
                a.program(),
                a.items(),
                tank,
                lasting,
                last,
                a.pressure(),
                a.complete(),
                a.readings());
    }
}
