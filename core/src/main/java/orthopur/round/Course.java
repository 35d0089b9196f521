package orthopur.round;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import orthopur.round.Refused.Why;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.roundpack.RoundPack.ReworkPlan;

/** Which steps are done, which are done again and for what, and which otherwise than written. */
final class Course {
    private final RoundPack pack;
    private final Set<String> done;
    private final Map<String, Set<String>> redo = new TreeMap<>();
    private final Set<String> deviated;
    private int furthest;

    Course(RoundPack pack, State s) {
        this.pack = pack;
        this.done = new LinkedHashSet<>(s.done());
        s.redo().forEach((step, parts) -> redo.put(step, new LinkedHashSet<>(parts)));
        this.deviated = new TreeSet<>(s.deviated());
        this.furthest = s.furthest();
    }

    List<String> done() {
        return List.copyOf(done);
    }

    Map<String, List<String>> redo() {
        Map<String, List<String>> all = new TreeMap<>();
        redo.forEach((step, parts) -> all.put(step, List.copyOf(parts)));
        return all;
    }

    List<String> deviated() {
        return List.copyOf(deviated);
    }

    int furthest() {
        return furthest;
    }

    /** The first step that is not done, or null once all are. */
    @Nullable PackStep current() {
        return pack.steps().stream().filter(s -> !done.contains(s.id())).findFirst().orElse(null);
    }

    PackStep step(String id) {
        return pack.steps().stream()
                .filter(s -> s.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new Refused(Why.NO_STEP, id));
    }

    /** What belongs to one step is entered when its turn has come. */
    void itsTurn(PackStep step) {
        PackStep current = current();
        if (current != null && !current.id().equals(step.id())) {
            throw done.contains(step.id())
                    ? new Refused(Why.ALREADY_DONE, step.number())
                    : new Refused(Why.COMES_FIRST, current.number());
        }
    }

    /** Whether this part belongs to the step as it is done now: all do, or what is redone. */
    boolean concerned(PackStep step, String part) {
        Set<String> only = redo.get(step.id());
        return only == null || only.contains(part);
    }

    void deviate(PackStep step, String reason) {
        if (reason.isBlank()) {
            throw new Refused(Why.SAY_WHAT);
        }
        deviated.add(step.id());
    }

    boolean excused(PackStep step) {
        return deviated.contains(step.id());
    }

    void finish(PackStep step) {
        done.add(step.id());
        redo.remove(step.id());
        furthest = Math.max(furthest, step.number());
    }

    /**
     * @throws Refused when the pack does not know what is done again for this part
     */
    ReworkPlan reworkOf(@Nullable String item) {
        return pack.rework().stream()
                .filter(r -> r.item().equals(item))
                .findFirst()
                .orElseThrow(() -> new Refused(Why.NO_PART, String.valueOf(item)));
    }

    /** This part is cleaned again, with what it has touched since; the steps that come again. */
    List<String> rework(@Nullable String item) {
        ReworkPlan.Since now = null;
        for (ReworkPlan.Since s : reworkOf(item).since()) {
            if (s.place() <= furthest) {
                now = s;
            }
        }
        return now == null ? List.of() : again(now.steps(), now.parts());
    }

    /** Those of the steps that were done come again; which they are. */
    List<String> again(List<String> steps, List<String> parts) {
        List<String> redone = new ArrayList<>();
        for (String id : steps) {
            if (done.remove(id) || redo.containsKey(id)) {
                redo.computeIfAbsent(id, k -> new LinkedHashSet<>()).addAll(parts);
                deviated.remove(id);
                redone.add(id);
            }
        }
        return redone;
    }
}
