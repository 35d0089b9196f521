package orthopur.night;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import orthopur.night.Night.After;
import orthopur.night.Night.Break;
import orthopur.night.Night.Job;
import orthopur.night.Night.Person;
import orthopur.night.Night.Place;
import orthopur.night.Night.Span;
import orthopur.night.Plan.Placed;
import orthopur.night.Plan.Rest;
import orthopur.text.Text;

/**
 * What a valid plan is. It knows the rules and nothing of how a plan was found; every plan is held
 * to it, whoever made it.
 */
public final class PlanCheck {
    private final Night night;
    private final Plan plan;
    private final Map<String, Job> jobs;
    private final Map<String, Placed> placed;
    private final Map<String, Person> people = new HashMap<>();
    private final List<Text> faults = new ArrayList<>();

    private PlanCheck(Night night, Plan plan) {
        this.night = night;
        this.plan = plan;
        this.jobs = night.byId();
        this.placed = plan.byId();
        night.people().forEach(p -> people.put(p.id(), p));
    }

    /** Everything that is wrong with a plan; nothing where it is valid. */
    public static List<Text> faults(Night night, Plan plan) {
        PlanCheck c = new PlanCheck(night, plan);
        c.tasks();
        c.wholeGroups();
        c.oneThingAtATime();
        c.breaks();
        c.places();
        c.apart();
        c.water();
        return c.faults;
    }

    private void tasks() {
        Set<String> seen = new HashSet<>();
        for (Placed p : plan.tasks()) {
            Job j = jobs.get(p.id());
            if (j == null || !seen.add(p.id())) {
                fault("plan.unknown", "{0} is no task of this night, or stands twice", p.id());
                continue;
            }
            if (p.to() - p.from() != j.minutes() || p.from() < 0 || p.to() > night.until()) {
                fault(
                        "plan.length",
                        "{0} takes {1} minutes within the night, and stands from {2} to {3}",
                        p.id(),
                        j.minutes(),
                        p.from(),
                        p.to());
            }
            if (j.running() == null && p.from() < j.earliest()) {
                fault("plan.early", "{0} begins before minute {1}", p.id(), j.earliest());
            }
            if (p.hands() != j.hands() || p.people().size() != (j.hands() ? j.people() : 0)) {
                fault(
                        "plan.hands",
                        "{0} takes {1} people and has {2}",
                        p.id(),
                        j.hands() ? j.people() : 0,
                        p.people().size());
            }
            for (String who : p.people()) {
                Person person = people.get(who);
                if (person == null) {
                    fault(
                            "plan.nobody",
                            "{0} is done by {1}, who is not in this night",
                            p.id(),
                            who);
                } else if (j.running() == null || !j.running().people().contains(who)) {
                    may(p, j, person);
                }
            }
            // What has begun is as it is, whatever should have been before it.
            if (j.running() == null) {
                j.after().forEach(a -> after(p, a));
            }
            if (j.running() != null
                    && (p.from() != j.running().from()
                            || !p.people().equals(j.running().people()))) {
                fault("plan.running", "{0} has begun and was moved", p.id());
            }
        }
    }

    private Job job(Placed p) {
        return Objects.requireNonNull(jobs.get(p.id()));
    }

    private void may(Placed p, Job j, Person person) {
        if (!person.may(j)) {
            fault(
                    "plan.may-not",
                    "{0} may not do {1}: training, age or right",
                    person.name(),
                    p.id());
        }
        boolean there =
                person.here().stream().anyMatch(s -> s.from() <= p.from() && p.to() <= s.to());
        if (!there) {
            fault("plan.not-here", "{0} is not here for {1}", person.name(), p.id());
        }
        for (String other : j.sameAs()) {
            Placed o = placed.get(other);
            if (o != null && !o.people().contains(person.id())) {
                fault(
                        "plan.other-person",
                        "{0} is done by whoever does {1}, and {2} does not",
                        p.id(),
                        other,
                        person.name());
            }
        }
        for (String other : j.otherThan()) {
            Placed o = placed.get(other);
            if (o != null && o.people().contains(person.id())) {
                fault(
                        "plan.same-person",
                        "{0} did {1} and may not do {2}",
                        person.name(),
                        other,
                        p.id());
            }
        }
    }

    private void after(Placed p, After a) {
        Placed before = placed.get(a.task());
        if (before == null && a.ifThere()) {
            return;
        }
        if (before == null) {
            fault(
                    "plan.missing-before",
                    "{0} comes after {1}, which is left out",
                    p.id(),
                    a.task());
            return;
        }
        int gap = p.from() - before.to();
        if (gap < a.lag()) {
            fault("plan.order", "{0} begins {1} minutes after {2}", p.id(), gap, a.task());
        }
        if (a.most() != null && gap > a.most()) {
            fault(
                    "plan.too-long",
                    "{0} begins {1} minutes after {2}; {3} are allowed",
                    p.id(),
                    gap,
                    a.task(),
                    a.most());
        }
    }

    /** A clean that is begun is done; what is left out is said. */
    private void wholeGroups() {
        Set<String> out = new HashSet<>();
        plan.unplaced().forEach(u -> out.add(u.id()));
        night.groups()
                .forEach(
                        (group, all) -> {
                            // What has begun stays, whether the rest of it fits or not.
                            List<Job> rest = all.stream().filter(j -> j.running() == null).toList();
                            long in = rest.stream().filter(j -> placed.containsKey(j.id())).count();
                            if (in != 0 && in != rest.size()) {
                                fault("plan.half", "{0} is planned in part only", group);
                            }
                            if ((in == 0 && !rest.isEmpty()) != out.contains(group)) {
                                fault(
                                        "plan.silent",
                                        "{0} is left out and not said, or said and planned",
                                        group);
                            }
                        });
    }

    private void oneThingAtATime() {
        Map<String, List<Span>> busy = new HashMap<>();
        Map<String, List<String>> what = new HashMap<>();
        for (Placed p : plan.tasks()) {
            for (String who : p.people()) {
                busy.computeIfAbsent(who, k -> new ArrayList<>()).add(new Span(p.from(), p.to()));
                what.computeIfAbsent(who, k -> new ArrayList<>()).add(p.id());
            }
        }
        for (Rest r : plan.breaks()) {
            busy.computeIfAbsent(r.person(), k -> new ArrayList<>())
                    .add(new Span(r.from(), r.to()));
            what.computeIfAbsent(r.person(), k -> new ArrayList<>()).add("break");
        }
        busy.forEach(
                (who, spans) -> {
                    List<String> names = what.getOrDefault(who, List.of());
                    for (int i = 0; i < spans.size(); i++) {
                        for (int k = i + 1; k < spans.size(); k++) {
                            if (overlap(spans.get(i), spans.get(k))) {
                                fault(
                                        "plan.two-at-once",
                                        "{0} has {1} and {2} at the same time",
                                        who,
                                        names.get(i),
                                        names.get(k));
                            }
                        }
                    }
                });
    }

    private static boolean overlap(Span a, Span b) {
        return a.from() < b.to() && b.from() < a.to();
    }

    private void breaks() {
        for (Person p : night.people()) {
            List<Rest> own = plan.breaks().stream().filter(r -> r.person().equals(p.id())).toList();
            if (own.size() != p.breaks().size()) {
                fault(
                        "plan.breaks",
                        "{0} has {1} breaks instead of {2}",
                        p.name(),
                        own.size(),
                        p.breaks().size());
                continue;
            }
            for (int i = 0; i < own.size(); i++) {
                Break b = p.breaks().get(i);
                Rest r = own.get(i);
                if (r.from() < b.from() || r.to() > b.to() || r.to() - r.from() != b.minutes()) {
                    fault("plan.break-outside", "a break of {0} is outside of its time", p.name());
                }
            }
        }
    }

    private void places() {
        for (Place place : night.places()) {
            List<Placed> here =
                    plan.tasks().stream()
                            .filter(p -> jobs.containsKey(p.id()))
                            .filter(p -> job(p).places().contains(place.id()))
                            .toList();
            full(place, here);
            for (Placed a : here) {
                if (place.slots() == 1 && place.changeover() > 0) {
                    here.stream()
                            .filter(b -> changed(a, b, place))
                            .forEach(
                                    b ->
                                            fault(
                                                    "plan.changeover",
                                                    "{0} is changed from {1} to {2} in less than {3} minutes",
                                                    place.name(),
                                                    a.id(),
                                                    b.id(),
                                                    place.changeover()));
                }
            }
        }
    }

    /** No more stands in a place, or is kept in it, than it takes. */
    private void full(Place place, List<Placed> here) {
        List<Span> taken = new ArrayList<>();
        for (Placed p : here) {
            for (int n = 0; n < job(p).slotsOf(place.id()); n++) {
                taken.add(new Span(p.from(), p.to()));
            }
        }
        plan.stays(night).stream()
                .filter(s -> s.place().equals(place.id()))
                .forEach(s -> taken.add(new Span(s.from(), s.to())));
        for (Span a : taken) {
            long same =
                    taken.stream().filter(b -> b.from() <= a.from() && a.from() < b.to()).count();
            if (same > place.slots()) {
                fault(
                        "plan.full",
                        "{0} has {1} things at once; it takes {2}",
                        place.name(),
                        same,
                        place.slots());
            }
        }
    }

    private boolean changed(Placed a, Placed b, Place place) {
        String one = job(a).content();
        String other = job(b).content();
        return one != null
                && other != null
                && !one.equals(other)
                && a.to() <= b.from()
                && b.from() - a.to() < place.changeover();
    }

    private void apart() {
        for (Placed p : plan.tasks()) {
            Job j = jobs.get(p.id());
            for (String other : j == null ? List.<String>of() : j.apart()) {
                Placed o = placed.get(other);
                if (o != null && overlap(new Span(p.from(), p.to()), new Span(o.from(), o.to()))) {
                    fault("plan.apart", "{0} is done during {1}", p.id(), other);
                }
            }
        }
    }

    private void water() {
        if (night.heater() == null) {
            return;
        }
        Tank tank = new Tank(night.heater());
        plan.tasks().stream()
                .filter(p -> jobs.containsKey(p.id()))
                .forEach(p -> tank.draw(p.from(), job(p).hotLitres()));
        if (tank.least() < -1e-6) {
            fault("plan.cold", "the tank runs cold: {0} L are missing", Math.round(-tank.least()));
        }
    }

    private void fault(String id, String english, Object... args) {
        faults.add(Text.of(id, english, args));
    }
}
