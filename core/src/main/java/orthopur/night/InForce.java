package orthopur.night;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.night.Night.Break;
import orthopur.night.Night.Job;
import orthopur.night.Plan.Aim;
import orthopur.night.Plan.Placed;
import orthopur.night.Plan.Rest;

/**
 * The plan that people go by. It stands for as long as the night allows it: nobody is told anew
 * where to be because a better plan could be found.
 */
public final class InForce {
    private InForce() {}

    /**
     * The same plan in the night as it is now.
     *
     * @return null where something of it cannot be any more, or where what was left out may fit now
     */
    public static @Nullable Plan still(Night night, Plan plan) {
        if (!plan.unplaced().isEmpty()) {
            return null;
        }
        Map<String, Placed> before = plan.byId();
        List<Placed> placed = new ArrayList<>();
        for (Job j : night.tasks()) {
            Placed p = before.get(j.id());
            if (j.running() != null) {
                placed.add(
                        new Placed(
                                j.id(),
                                j.running().people(),
                                p == null ? first(j.places()) : p.place(),
                                j.running().from(),
                                j.running().from() + j.minutes(),
                                j.hands()));
            } else if (p == null || p.to() - p.from() < j.minutes()) {
                return null;
            } else {
                placed.add(
                        new Placed(
                                p.id(),
                                p.people(),
                                p.place(),
                                p.from(),
                                p.from() + j.minutes(),
                                p.hands()));
            }
        }
        Set<String> here = new HashSet<>();
        night.people().forEach(p -> here.add(p.id()));
        List<Rest> rests = plan.breaks().stream().filter(r -> here.contains(r.person())).toList();
        Night now = breaksAsPlanned(night, rests);
        Plan same =
                Measured.plan(now, Plan.Status.IN_FORCE, placed, rests, List.of(), List.of(), 0);
        return PlanCheck.faults(now, same).isEmpty() && late(now, same) <= late(night, plan)
                ? same
                : null;
    }

    private static @Nullable String first(List<String> places) {
        return places.isEmpty() ? null : places.getFirst();
    }

    private static double late(Night night, Plan plan) {
        Set<String> known = night.byId().keySet();
        List<Placed> all = plan.tasks().stream().filter(p -> known.contains(p.id())).toList();
        return Measured.values(night, Measured.bare(all, List.of(), List.of()))
                .getOrDefault(Aim.LATE, 0.0);
    }

    /** The night in which everybody has their breaks when the plan says, and at no other time. */
    public static Night breaksAsPlanned(Night night, List<Rest> rests) {
        Map<String, List<Break>> by = new HashMap<>();
        rests.forEach(
                r ->
                        by.computeIfAbsent(r.person(), k -> new ArrayList<>())
                                .add(new Break(r.from(), r.to(), r.to() - r.from())));
        return new Night(
                night.until(),
                night.people().stream()
                        .map(p -> p.at(p.here(), by.getOrDefault(p.id(), List.of())))
                        .toList(),
                night.places(),
                night.heater(),
                night.tasks());
    }
}
