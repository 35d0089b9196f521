package orthopur.night;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthopur.machine.EnergyKind;
import orthopur.machine.MachineSheet;
import orthopur.night.CleanJobs.Shared;
import orthopur.night.Night.Job;
import orthopur.night.Night.Keep;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;

/**
 * What stays with a clean from one of its tasks to another: a cart, a ladder, the plug. It says so
 * in the tasks.
 */
final class Kept {
    private static final Duration ON_A_RACK = Duration.ofHours(2);

    private final Procedure procedure;
    private final MachineSheet sheet;
    private final List<Shared> shared;
    private final List<Job> jobs;
    private final Map<String, List<String>> stepsOf;

    /**
     * @param jobs the tasks of the clean; they are changed
     * @param stepsOf ids of the steps of each task
     */
    Kept(
            Procedure procedure,
            MachineSheet sheet,
            List<Shared> shared,
            List<Job> jobs,
            Map<String, List<String>> stepsOf) {
        this.procedure = procedure;
        this.sheet = sheet;
        this.shared = shared;
        this.jobs = jobs;
        this.stepsOf = stepsOf;
    }

    void say() {
        shared();
        plug();
    }

    private void shared() {
        for (Shared s : shared) {
            Set<String> on = new HashSet<>();
            int from = -1;
            int to = -1;
            int away = -1;
            boolean laidOut = false;
            List<Step> all = procedure.steps();
            for (int i = 0; i < all.size() && !laidOut; i++) {
                Action a = all.get(i).action();
                boolean takes =
                        a instanceof Action.Prepare p && p.things().stream().anyMatch(s::in);
                String onto = a instanceof Action.Remove r ? r.destination() : null;
                if (onto != null && s.in(onto)) {
                    takes = true;
                    on.addAll(a.items());
                }
                from = takes && from < 0 ? i : from;
                laidOut = !on.isEmpty() && longDrying(a) && a.items().containsAll(on);
                boolean back =
                        a instanceof Action.Install && a.items().stream().anyMatch(on::contains);
                to = takes || back || laidOut ? i : to;
                boolean cleared = a instanceof Action.Clear c && c.toolsOut();
                away = away < 0 && from >= 0 && cleared ? i : away;
            }
            if (from >= 0) {
                int last = on.isEmpty() ? (away < 0 ? all.size() - 1 : away) : to;
                keep(s.id(), all.get(from).id(), all.get(last).id());
            }
        }
    }

    /** What dries for so long lies on a rack: nobody does without a cart half the night for it. */
    private static boolean longDrying(Action a) {
        return a instanceof Action.Dry d && d.time() != null && d.time().compareTo(ON_A_RACK) >= 0;
    }

    /** From the stretch of one step to the stretch of another. */
    private void keep(String place, String since, String until) {
        int first = stretchOf(since);
        int last = stretchOf(until);
        if (first >= 0 && last >= first) {
            Job j = jobs.get(last);
            List<Keep> keeps = new ArrayList<>(j.keeps());
            keeps.add(new Keep(place, jobs.get(first).id()));
            jobs.set(last, j.withKeeps(keeps));
        }
    }

    private int stretchOf(String step) {
        for (int i = 0; i < jobs.size(); i++) {
            Job j = jobs.get(i);
            if (j.hands() && stepsOf.getOrDefault(j.id(), List.of()).contains(step)) {
                return i;
            }
        }
        return -1;
    }

    /** Between unplugging and plugging in one person has the plug, and does all of it. */
    private void plug() {
        Set<String> cords = new HashSet<>();
        sheet.energies().stream()
                .filter(e -> e.kind() == EnergyKind.CORD)
                .forEach(e -> cords.add(e.id()));
        // A plug in a locked cover is nobody's: each has their own lock on it.
        procedure.steps().stream()
                .filter(s -> s.action() instanceof Action.Lock)
                .forEach(s -> cords.removeAll(s.action().energies()));
        boolean out = false;
        String first = null;
        Map<String, Action> actions = new HashMap<>();
        procedure.steps().forEach(s -> actions.put(s.id(), s.action()));
        for (int i = 0; i < jobs.size(); i++) {
            Job j = jobs.get(i);
            boolean before = out;
            for (String step : stepsOf.getOrDefault(j.id(), List.of())) {
                Action a = actions.get(step);
                if (a instanceof Action.Isolate x
                        && x.energies().stream().anyMatch(cords::contains)) {
                    out = true;
                    before = true;
                } else if (a instanceof Action.Restore x
                        && x.energies().stream().anyMatch(cords::contains)) {
                    out = false;
                }
            }
            if (before && j.hands() && j.people() == 1 && j.skill() == null) {
                if (first != null) {
                    jobs.set(i, j.withSameAs(List.of(first)));
                } else {
                    first = j.id();
                }
            }
            first = out ? first : null;
        }
    }
}
