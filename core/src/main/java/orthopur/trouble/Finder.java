package orthopur.trouble;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Hazard;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.machine.Symptom;
import orthopur.machine.Symptom.Look;
import orthopur.machine.Symptom.State;
import orthopur.text.Text;

/** Puts what is to be looked at in the order in which it is looked at. */
public final class Finder {
    /** Of what went back last and the sheet does not speak of, so many are asked for. */
    private static final int MOST_PUT_BACK = 4;

    /** What hurts a hand when the machine moves. */
    private static final Set<Hazard> MOVES =
            Set.of(Hazard.EDGE, Hazard.PINCH, Hazard.CRUSH, Hazard.SNAG);

    private final MachineSheet sheet;
    private final Set<String> putBack;

    private Finder(MachineSheet sheet, List<String> putBack) {
        this.sheet = sheet;
        this.putBack = Set.copyOf(putBack);
    }

    /** Why something stands where it stands. */
    public enum Because {
        /** It was this before. */
        BEFORE,
        /** It went back at the last clean. */
        PUT_BACK,
        /** The sheet says so. */
        SHEET
    }

    /**
     * One thing to look at.
     *
     * @param state in which the machine has to be for it
     * @param raised whether the sheet asked for less: the part can hurt, so it is locked out
     * @param look what is looked for
     * @param cure what is done when it is so; null where that has to be seen
     * @param part id of the part; null where none
     * @param qualified whether only a qualified person may look
     */
    public record Step(
            Because because,
            State state,
            boolean raised,
            Text look,
            @Nullable Text cure,
            @Nullable String part,
            boolean qualified) {}

    /**
     * What was found before.
     *
     * @param at epoch milliseconds
     */
    public record Cured(String symptom, String found, @Nullable String part, long at) {}

    /**
     * What to look at for a symptom, in order.
     *
     * @param putBack parts that went back at the last clean
     * @param cured what was found on this machine before
     */
    public static List<Step> of(
            MachineSheet sheet, Symptom symptom, List<String> putBack, List<Cured> cured) {
        Finder f = new Finder(sheet, putBack);
        List<Step> all = new ArrayList<>();
        Set<String> told = new HashSet<>();
        cured.stream()
                .filter(
                        c ->
                                c.symptom().equals(symptom.id())
                                        || c.symptom().equals(symptom.symptom()))
                .sorted(Comparator.comparingLong(Cured::at).reversed())
                .filter(c -> told.add(c.found()))
                .forEach(c -> all.add(f.before(c)));
        List<Step> looks = new ArrayList<>();
        symptom.looks().forEach(l -> looks.add(f.look(l)));
        looks.sort(
                Comparator.comparing(Step::because)
                        .thenComparing(Step::qualified)
                        .thenComparing(s -> effort(s.state())));
        all.addAll(looks);
        Set<String> spoken = new HashSet<>();
        all.forEach(s -> spoken.add(s.part() == null ? "" : s.part()));
        sheet.parts().stream()
                .filter(p -> putBack.contains(p.id()) && !spoken.contains(p.id()))
                .sorted(Comparator.comparing((Part p) -> -p.count()))
                .limit(MOST_PUT_BACK)
                .forEach(p -> all.add(f.fitted(p)));
        return List.copyOf(all);
    }

    /** What costs least and hurts nobody comes first. */
    private static int effort(State s) {
        return switch (s) {
            case STOPPED -> 0;
            case RUNNING -> 1;
            case COLD -> 2;
            case LOCKED_OUT -> 3;
        };
    }

    private Step before(Cured c) {
        State state = safe(c.part(), State.STOPPED);
        return new Step(
                Because.BEFORE,
                state,
                state == State.LOCKED_OUT,
                Text.of("trouble.before", "{0}: that was it the last time", c.found()),
                null,
                c.part(),
                false);
    }

    private Step look(Look l) {
        State state = safe(l.part(), l.state());
        return new Step(
                l.part() != null && putBack.contains(l.part()) ? Because.PUT_BACK : Because.SHEET,
                state,
                state != l.state(),
                Text.plain(l.look()),
                Text.plain(l.cure()),
                l.part(),
                l.qualified());
    }

    private Step fitted(Part p) {
        State state = safe(p.id(), State.STOPPED);
        Text look =
                p.mark() != null
                        ? Text.of(
                                "trouble.at-its-mark",
                                "{0} not at its mark: {1}",
                                p.name(),
                                p.mark())
                        : p.count() > 1
                                ? Text.of(
                                        "trouble.swapped",
                                        "{0}: one of {1} missing, swapped or the wrong way round",
                                        p.name(),
                                        p.count())
                                : Text.of(
                                        "trouble.not-seated",
                                        "{0} not seated all the way",
                                        p.name());
        return new Step(
                Because.PUT_BACK,
                state,
                state != State.STOPPED,
                look,
                p.fastening() == null ? null : Text.plain(p.fastening()),
                p.id(),
                false);
    }

    /**
     * Nobody reaches to what can hurt on a machine that may start: a part with a hazard, or behind
     * a guard, is looked at locked out, whatever the sheet says.
     */
    private State safe(@Nullable String part, State asked) {
        if (part == null || asked == State.LOCKED_OUT) {
            return asked;
        }
        Part p = sheet.parts().stream().filter(x -> x.id().equals(part)).findFirst().orElse(null);
        if (p == null) {
            return asked;
        }
        boolean behindGuard =
                p.behind().stream()
                        .anyMatch(
                                b ->
                                        sheet.parts().stream()
                                                .anyMatch(x -> x.id().equals(b) && x.guard()));
        boolean hurts = p.guard() || p.hazards().stream().anyMatch(MOVES::contains);
        return behindGuard || hurts ? State.LOCKED_OUT : asked;
    }
}
