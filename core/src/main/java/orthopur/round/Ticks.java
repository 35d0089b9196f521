package orthopur.round;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import orthopur.round.AtStep.Stage;
import orthopur.round.Refused.Why;
import orthopur.roundpack.ReadingJudge.Outcome;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.Ask;
import orthopur.roundpack.RoundPack.CheckPlan;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.text.Text;

/** What is confirmed and checked one by one before a step is done. */
final class Ticks {
    private final Course course;
    private final Locks locks;
    private final Map<String, Map<String, Outcome>> checks = new TreeMap<>();
    private final Map<String, Set<String>> confirmed = new TreeMap<>();

    Ticks(Course course, Locks locks, State s) {
        this.course = course;
        this.locks = locks;
        s.checks().forEach((step, own) -> checks.put(step, new TreeMap<>(own)));
        s.confirmed().forEach((step, own) -> confirmed.put(step, new LinkedHashSet<>(own)));
    }

    Map<String, Map<String, Outcome>> checks() {
        Map<String, Map<String, Outcome>> all = new TreeMap<>();
        checks.forEach((step, own) -> all.put(step, new TreeMap<>(own)));
        return all;
    }

    Map<String, List<String>> confirmed() {
        Map<String, List<String>> all = new TreeMap<>();
        confirmed.forEach((step, own) -> all.put(step, List.copyOf(own)));
        return all;
    }

    void confirm(PackStep step, Entry.Confirmed e) {
        Ask ask =
                step.asks().stream()
                        .filter(a -> a.id().equals(e.ask()))
                        .findFirst()
                        .orElseThrow(() -> new Refused(Why.NO_ASK, step.number(), e.ask()));
        if (ask.kind() == Ask.Kind.LOCK) {
            throw new Refused(Why.NO_LOCK_NUMBER);
        }
        if (ask.kind() == Ask.Kind.PHOTO) {
            throw new Refused(Why.NO_PHOTO, step.number());
        }
        if ((ask.kind() == Ask.Kind.UNLOCK || ask.kind() == Ask.Kind.RESTORE)
                && locks.locked(ask.item())) {
            throw new Refused(Why.STILL_LOCKED, locks.names(ask.item()));
        }
        confirmed.computeIfAbsent(step.id(), k -> new LinkedHashSet<>()).add(ask.id());
    }

    /** A photo that a step asks for is there, or it is not: nobody can say so. */
    void photographed(PackStep step) {
        step.asks().stream()
                .filter(a -> a.kind() == Ask.Kind.PHOTO)
                .forEach(
                        a ->
                                confirmed
                                        .computeIfAbsent(step.id(), k -> new LinkedHashSet<>())
                                        .add(a.id()));
    }

    void check(PackStep step, Entry.CheckMade e) {
        CheckPlan plan =
                step.checks().stream()
                        .filter(c -> c.id().equals(e.check()))
                        .findFirst()
                        .orElseThrow(() -> new Refused(Why.NO_CHECK, step.number(), e.check()));
        Double value = e.value();
        if (plan.ranged() && (value == null || !Double.isFinite(value))) {
            throw new Refused(Why.NEEDS_VALUE, plan.name(), plan.unit() == null ? "" : plan.unit());
        }
        checks.computeIfAbsent(step.id(), k -> new TreeMap<>()).put(plan.id(), plan.judge(value));
    }

    void checked(PackStep step) {
        Map<String, Outcome> made = checks.getOrDefault(step.id(), Map.of());
        for (CheckPlan c : step.checks()) {
            Outcome o = made.get(c.id());
            if (o != Outcome.IN) {
                throw new Refused(
                        o == null
                                ? Why.NOT_CHECKED
                                : o == Outcome.OUT ? Why.OUT_OF_RANGE : Why.TOO_CLOSE,
                        c.name());
            }
        }
    }

    /** No deviation excuses these: each is what keeps a hand, or the food, safe. */
    void asked(PackStep step) {
        List<Text> left = step.asks().stream().filter(a -> !holds(step, a)).map(Ask::name).toList();
        if (!left.isEmpty()) {
            List<Text> named = left.stream().filter(t -> !t.toString().isEmpty()).toList();
            throw new Refused(Why.NOT_CONFIRMED, named);
        }
    }

    /** Whether something to confirm holds: because it was said, or by the locks as they are. */
    boolean holds(PackStep step, Ask a) {
        boolean said = confirmed.getOrDefault(step.id(), Set.of()).contains(a.id());
        return switch (a.kind()) {
            case LOCK -> locks.locked(a.item());
            case UNLOCK -> !locks.locked(a.item());
            case POSITION, WEAR -> said || !course.concerned(step, a.item());
            default -> said;
        };
    }

    /** How far each energy that a step asks about is along its path. */
    Map<String, Stage> stages(RoundPack pack, PackStep step) {
        Map<String, Stage> stages = new TreeMap<>();
        for (Ask asked : step.asks()) {
            if (asked.kind().ofEnergy()) {
                stages.put(asked.item(), stage(pack, asked.item()));
            }
        }
        return stages;
    }

    private Stage stage(RoundPack pack, String energy) {
        Stage stage = Stage.LIVE;
        for (PackStep s : pack.steps()) {
            Set<String> said = confirmed.getOrDefault(s.id(), Set.of());
            for (Ask a : s.asks()) {
                if (a.item().equals(energy) && said.contains(a.id())) {
                    stage = after(stage, a.kind());
                }
            }
        }
        return stage == Stage.CUT_OFF && locks.locked(energy) ? Stage.LOCKED : stage;
    }

    private static Stage after(Stage stage, Ask.Kind kind) {
        return switch (kind) {
            case UNPLUG, ISOLATE, RELIEVE -> stage == Stage.LIVE ? Stage.CUT_OFF : stage;
            case TAG -> Stage.LOCKED;
            case PROVE -> Stage.PROVED;
            case RESTORE -> Stage.LIVE;
            default -> stage;
        };
    }

    void forget(List<String> steps) {
        steps.forEach(checks::remove);
        steps.forEach(confirmed::remove);
    }
}
