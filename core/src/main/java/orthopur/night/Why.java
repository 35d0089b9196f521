package orthopur.night;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import orthopur.night.Night.Job;
import orthopur.night.Night.Person;
import orthopur.night.Night.Span;
import orthopur.text.Text;

/** Why something does not fit into a night, and what it would take. */
final class Why {
    private static final int STEP = 20;

    /** Nobody moves production by more than this. */
    private static final int MOST = 180;

    private static final String HELP = "one more person";

    private Why() {}

    /** The reason that stands in the way by itself, or that it is a matter of time. */
    static Text reason(Night night, List<Job> group) {
        for (Job j : group) {
            List<Person> may = night.people().stream().filter(p -> p.may(j)).toList();
            if (j.hands() && may.size() < j.people()) {
                return may.isEmpty()
                        ? Text.of(
                                "night.nobody-may",
                                "nobody who is here may do \"{0}\": training, age or right",
                                j.name())
                        : Text.of(
                                "night.too-few-may",
                                "\"{0}\" takes {1} people who may do it; {2, plural, one {# is} other {# are}} here",
                                j.name(),
                                j.people(),
                                may.size());
            }
            if (j.hands()
                    && may.stream()
                            .flatMap(p -> p.here().stream())
                            .noneMatch(s -> s.to() - s.from() >= j.minutes())) {
                return Text.of(
                        "night.nobody-long-enough",
                        "nobody is here for the {0} minutes that \"{1}\" takes in one go",
                        j.minutes(),
                        j.name());
            }
            if (night.heater() != null && j.hotLitres() > night.heater().litres()) {
                return Text.of(
                        "night.more-than-the-tank",
                        "\"{0}\" takes {1} L of hot water; the tank holds {2} L",
                        j.name(),
                        Math.round(j.hotLitres()),
                        Math.round(night.heater().litres()));
            }
        }
        OptionalInt end = Chain.end(group);
        if (end.isEmpty()) {
            return Text.of("night.circle", "its tasks wait for each other in a circle");
        }
        if (end.getAsInt() > night.until()) {
            return Text.of(
                    "night.longer",
                    "it takes {0} minutes from end to end; the night has {1}",
                    end.getAsInt(),
                    night.until());
        }
        return Text.of(
                "night.no-time",
                "there is no time for it with the people and places of this night");
    }

    /** What would make it fit, by trying: somebody more, the later the better, or more time. */
    static Text price(Night night, String group) {
        for (int from = MOST; from >= 0; from -= STEP * 3) {
            if (fits(with(night, from, night.until()), group)) {
                return from == 0
                        ? Text.of(
                                "night.price-person", "one more trained person for the whole night")
                        : Text.of(
                                "night.price-person-from",
                                "one more trained person from minute {0} on",
                                from);
            }
        }
        for (int more = STEP; more <= MOST; more += STEP) {
            if (fits(longer(night, more), group)) {
                return Text.of("night.price-later", "production starts {0} minutes later", more);
            }
        }
        return Text.of(
                "night.no-price", "neither one more person nor {0} minutes more make it fit", MOST);
    }

    private static boolean fits(Night night, String group) {
        return !Greedy.leftOut(night).contains(group);
    }

    private static Night with(Night night, int from, int to) {
        List<Person> people = new ArrayList<>(night.people());
        Set<String> skills = new HashSet<>();
        for (Job j : night.tasks()) {
            if (j.skill() != null) {
                skills.add(j.skill());
            }
        }
        people.add(
                new Person(HELP, HELP, List.of(new Span(from, to)), List.of(), null, true, skills));
        return new Night(night.until(), people, night.places(), night.heater(), night.tasks());
    }

    private static Night longer(Night night, int more) {
        return new Night(
                night.until() + more,
                night.people().stream()
                        .map(
                                p ->
                                        p.at(
                                                p.here().stream()
                                                        .map(h -> longer(h, night, more))
                                                        .toList(),
                                                p.breaks()))
                        .toList(),
                night.places(),
                night.heater(),
                night.tasks());
    }

    /** Whoever is here to the end of the night stays for what is added. */
    private static Span longer(Span here, Night night, int more) {
        return here.to() >= night.until() ? new Span(here.from(), here.to() + more) : here;
    }
}
