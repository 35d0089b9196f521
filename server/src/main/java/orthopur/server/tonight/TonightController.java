package orthopur.server.tonight;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import orthopur.formats.NightFormat;
import orthopur.formats.NightFormat.PlanDocument;
import orthopur.night.Greedy;
import orthopur.night.Night;
import orthopur.night.Plan;
import orthopur.night.SiteNight;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Share;
import orthopur.quantity.Strength;
import orthopur.server.people.Heavy;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Said;
import orthopur.solver.Planners;
import orthopur.text.Text;

/** The plan of this night, and of any night in the open format. */
@RestController
@MayUse
@RequestMapping("/api")
class TonightController {
    /** A plan that is not there by then is cut short, and says so. */
    private static final double LONGEST = 20;

    private static final int KEPT = 8;

    private final NightOnSite nights;

    /** The newest plans: the same night gives the same plan, so it is made once. */
    private final Map<Night, Plan> plans =
            Collections.synchronizedMap(
                    new LinkedHashMap<>() {
                        private static final long serialVersionUID = 1;

                        @Override
                        protected boolean removeEldestEntry(Map.Entry<Night, Plan> eldest) {
                            return size() > KEPT;
                        }
                    });

    TonightController(NightOnSite nights) {
        this.nights = nights;
    }

    /** Whoever is planned with. */
    record NightPerson(String id, String name, boolean works, boolean releases) {}

    /** A place or a single tool. */
    record NightPlace(String id, String name, int slots) {}

    /**
     * A task of the night.
     *
     * @param group id of the procedure
     */
    record NightTask(
            String id, String name, String group, int minutes, boolean hands, double hotLitres) {}

    /**
     * A clean of the night.
     *
     * @param wanted minute at which production wants the machine
     */
    record NightClean(String procedure, String title, String machine, int wanted) {}

    /** Something that was said about the night. */
    record NightChange(String what, String subject, int minute) {}

    /**
     * The night and its plan.
     *
     * @param night day on which it begins
     * @param from,until epoch milliseconds
     * @param peopleEnd minute at which it would end as people do it
     * @param peopleLeftOut how much they would leave out
     */
    record TonightView(
            String night,
            long from,
            long until,
            long now,
            int minutes,
            List<NightPerson> people,
            List<NightPlace> places,
            List<NightTask> tasks,
            List<NightClean> cleans,
            List<NightChange> said,
            PlanDocument plan,
            int peopleEnd,
            int peopleLeftOut) {}

    /**
     * The night that is on, or the next.
     *
     * @param whatIf something to be tried without saying it, as {@code late:ID:MINUTE}
     */
    @Heavy
    @GetMapping("/tonight")
    TonightView tonight(@RequestParam(required = false) @Nullable String whatIf) {
        NightOnSite.OnSite on = nights.night(whatIf == null ? List.of() : List.of(tried(whatIf)));
        Plan plan = plans.get(on.night());
        if (plan == null) {
            plan = Planners.here().plan(on.night(), LONGEST);
            plans.put(on.night(), plan);
        }
        Plan people = new Greedy().plan(on.night(), 1);
        return new TonightView(
                on.day().toString(),
                on.from().toEpochMilli(),
                on.until().toEpochMilli(),
                nights.now().toEpochMilli(),
                (int) Duration.between(on.from(), on.until()).toMinutes(),
                on.members().stream()
                        .map(m -> new NightPerson(m.id(), m.name(), m.works(), m.releases()))
                        .toList(),
                on.night().places().stream()
                        .map(p -> new NightPlace(p.id(), p.name(), p.slots()))
                        .toList(),
                on.night().tasks().stream()
                        .map(
                                t ->
                                        new NightTask(
                                                t.id(),
                                                t.name(),
                                                t.group(),
                                                t.minutes(),
                                                t.hands(),
                                                t.hotLitres()))
                        .toList(),
                on.cleans().stream()
                        .map(
                                c ->
                                        new NightClean(
                                                c.procedure().id(),
                                                c.procedure().title(),
                                                c.sheet().code(),
                                                on.night().until()))
                        .toList(),
                on.said().stream()
                        .map(
                                s ->
                                        new NightChange(
                                                s.what()
                                                        .name()
                                                        .toLowerCase(Locale.ROOT)
                                                        .replace('_', '-'),
                                                s.subject(),
                                                s.minute()))
                        .toList(),
                PlanDocument.of(plan),
                people.end(),
                people.unplaced().size());
    }

    /**
     * A solution that the night needs.
     *
     * @param from minute at which its clean begins; null where that is not planned
     * @param step number of the step that uses it
     * @param mgPerL,percent one of the two
     * @param vessel as the procedure calls it
     */
    record NightSolution(
            @Nullable Integer from,
            String machine,
            int step,
            String product,
            double litres,
            @Nullable Double mgPerL,
            @Nullable Double percent,
            @Nullable Double celsius,
            @Nullable Double ph,
            @Nullable String vessel) {}

    /** What is to be mixed this night, in the order in which it is needed. */
    @GetMapping("/tonight/solutions")
    List<NightSolution> solutions() {
        NightOnSite.OnSite on = nights.night(List.of());
        Plan plan = plans.get(on.night());
        List<NightSolution> all = new ArrayList<>();
        for (SiteNight.Clean c : on.cleans()) {
            Integer from = plan == null ? null : begins(plan, c.procedure().id());
            int number = 0;
            for (Step step : c.procedure().steps()) {
                number++;
                Solution s = step.action().solution();
                if (s != null
                        && s.chemical() != null
                        && s.strength() != null
                        && s.volume() != null) {
                    all.add(needed(s, from, c.sheet().code(), number));
                }
            }
        }
        all.sort(Comparator.comparing(s -> s.from() == null ? Integer.MAX_VALUE : s.from()));
        return all;
    }

    private static @Nullable Integer begins(Plan plan, String procedure) {
        return plan.tasks().stream()
                .filter(t -> t.id().startsWith(procedure + "/"))
                .map(Plan.Placed::from)
                .min(Integer::compare)
                .orElse(null);
    }

    private static NightSolution needed(
            Solution s, @Nullable Integer from, String machine, int step) {
        return new NightSolution(
                from,
                machine,
                step,
                Objects.requireNonNull(s.chemical()),
                Objects.requireNonNull(s.volume()).litres(),
                s.strength() instanceof Strength mg ? Double.valueOf(mg.mgPerL()) : null,
                s.strength() instanceof Share of ? Double.valueOf(of.percent()) : null,
                s.temperature() == null ? null : Double.valueOf(s.temperature().celsius()),
                s.ph() == null ? null : Double.valueOf(s.ph().value()),
                s.vessel());
    }

    private static SiteNight.Said tried(String whatIf) {
        String[] parts = whatIf.split(":", -1);
        try {
            List<String> all = new ArrayList<>(List.of(parts));
            return new SiteNight.Said(
                    SiteNight.What.valueOf(
                            all.getFirst().toUpperCase(Locale.ROOT).replace('-', '_')),
                    all.get(1),
                    Integer.parseInt(all.get(2)));
        } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
            throw Said.conflict(
                    Text.of(
                            "tonight.cannot-be-tried",
                            "\"{0}\" cannot be tried; say what, who and the minute, as late:7:60.",
                            whatIf));
        }
    }

    /**
     * The plan of a night in the open format.
     *
     * @throws orthopur.formats.FormatError with every error by pointer
     */
    @Heavy
    @PostMapping(value = "/plan", consumes = MediaType.APPLICATION_JSON_VALUE)
    PlanDocument plan(@RequestBody String night) {
        return PlanDocument.of(Planners.here().plan(NightFormat.read(night).night(), LONGEST));
    }
}
