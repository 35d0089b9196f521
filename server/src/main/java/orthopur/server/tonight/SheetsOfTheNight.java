package orthopur.server.tonight;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import orthopur.night.Night;
import orthopur.night.Plan;
import orthopur.night.SiteNight;
import orthopur.server.due.Calendar;
import orthopur.server.due.DueOnSite;
import orthopur.server.languages.Tongue;
import orthopur.server.prints.Paper;
import orthopur.text.Text;

/**
 * The plan of a night as somebody carries it along: on paper, or in the calendar of a telephone.
 */
@Component
class SheetsOfTheNight {
    private static final DateTimeFormatter CLOCK =
            DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT);

    private final Paper paper;
    private final DueOnSite due;

    SheetsOfTheNight(Paper paper, DueOnSite due) {
        this.paper = paper;
        this.due = due;
    }

    /**
     * A line of somebody's sheet.
     *
     * @param with who else is at it; empty where nobody is
     * @param place where; empty where that does not matter
     */
    public record Line(
            String from, String to, String machine, Text what, String with, String place) {}

    /** One sheet. */
    public record Sheet(String name, List<Line> lines) {}

    byte[] pdf(
            NightOnSite.OnSite on,
            Plan plan,
            @Nullable String person,
            Paper.Size size,
            Tongue tongue) {
        List<Sheet> all = new ArrayList<>();
        for (SiteNight.Member m : on.members()) {
            if (person != null && !person.equals(m.id())) {
                continue;
            }
            List<Line> lines = lines(on, plan, m.id());
            if (!lines.isEmpty()) {
                all.add(new Sheet(m.name(), lines));
            }
        }
        Map<String, Object> values = new HashMap<>();
        values.put("sheets", all);
        values.put(
                "night",
                on.when()
                        .from()
                        .atZone(zone())
                        .format(
                                DateTimeFormatter.ofLocalizedDate(FormatStyle.FULL)
                                        .withLocale(Locale.forLanguageTag(tongue.code()))));
        values.put("until", clock(on, on.when().minutes()));
        return paper.print("night", size, false, values, tongue);
    }

    private List<Line> lines(NightOnSite.OnSite on, Plan plan, String person) {
        Map<String, Night.Job> jobs = on.night().byId();
        Map<String, String> machines = machines(on);
        Map<String, String> names =
                on.members().stream()
                        .collect(Collectors.toMap(SiteNight.Member::id, SiteNight.Member::name));
        Map<String, Night.Place> places = on.night().placesById();
        Map<Integer, Line> byStart = new java.util.TreeMap<>();
        for (Plan.Placed t : plan.tasks()) {
            Night.Job j = jobs.get(t.id());
            if (j != null && t.people().contains(person)) {
                String with =
                        t.people().stream()
                                .filter(p -> !p.equals(person))
                                .map(p -> names.getOrDefault(p, p))
                                .collect(Collectors.joining(", "));
                Night.Place at = t.place() == null ? null : places.get(t.place());
                byStart.put(
                        t.from(),
                        new Line(
                                clock(on, t.from()),
                                clock(on, t.to()),
                                machines.getOrDefault(j.group(), ""),
                                j.name(),
                                with,
                                at == null ? "" : at.name()));
            }
        }
        plan.breaks().stream()
                .filter(r -> r.person().equals(person) && !byStart.isEmpty())
                .forEach(
                        r ->
                                byStart.put(
                                        r.from(),
                                        new Line(
                                                clock(on, r.from()),
                                                clock(on, r.to()),
                                                "",
                                                Text.of("night.break", "Break"),
                                                "",
                                                "")));
        return List.copyOf(byStart.values());
    }

    String calendar(NightOnSite.OnSite on, Plan plan, @Nullable String person, Instant made) {
        Map<String, Night.Job> jobs = on.night().byId();
        Map<String, String> machines = machines(on);
        List<Calendar.Event> all = new ArrayList<>();
        for (Plan.Placed t : plan.tasks()) {
            Night.Job j = jobs.get(t.id());
            if (j != null && t.hands() && (person == null || t.people().contains(person))) {
                all.add(
                        new Calendar.Event(
                                on.when().day() + t.id(),
                                machines.getOrDefault(j.group(), "") + ": " + j.name(),
                                null,
                                on.when().from().plusSeconds(60L * t.from()),
                                on.when().from().plusSeconds(60L * t.to()),
                                ""));
            }
        }
        return Calendar.of(all, made);
    }

    private static Map<String, String> machines(NightOnSite.OnSite on) {
        return on.cleans().stream()
                .collect(Collectors.toMap(c -> c.procedure().id(), c -> c.sheet().code()));
    }

    private ZoneId zone() {
        return Objects.requireNonNull(due.days().zone());
    }

    private String clock(NightOnSite.OnSite on, int minute) {
        return on.when().from().plusSeconds(60L * minute).atZone(zone()).format(CLOCK);
    }
}
