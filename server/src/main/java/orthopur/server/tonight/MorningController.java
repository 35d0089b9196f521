package orthopur.server.tonight;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import orthopur.night.CleanJobs.Part;
import orthopur.night.Durations;
import orthopur.night.Durations.Took;
import orthopur.night.Plan;
import orthopur.night.SiteNight;
import orthopur.procedure.Step;
import orthopur.server.people.Accounts;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Said;
import orthopur.server.procedures.Procedures;
import orthopur.text.Text;

/** The morning after: what was planned against what happened, and where the time went. */
@RestController
@MayUse
@RequestMapping("/api/tonight/past")
class MorningController {
    private final NightOnSite nights;
    private final RoundsOfNights rounds;
    private final PlansOfNights plans;
    private final Procedures procedures;
    private final Accounts accounts;

    MorningController(
            NightOnSite nights,
            RoundsOfNights rounds,
            PlansOfNights plans,
            Procedures procedures,
            Accounts accounts) {
        this.nights = nights;
        this.rounds = rounds;
        this.plans = plans;
        this.procedures = procedures;
        this.accounts = accounts;
    }

    /**
     * A stretch by hand.
     *
     * @param planned,took minutes; took is null where it was not done whole
     * @param people names of who did it
     * @param slowest the step in it that took longest, in the words of the procedure
     */
    record PastPart(
            Text name,
            int planned,
            @Nullable Integer took,
            List<String> people,
            @Nullable String slowest) {}

    /**
     * A clean of that night. Minutes count from its beginning.
     *
     * @param plannedFrom,plannedTo where the plan had it; null where it was in no plan
     * @param from,to when it was begun and handed over; null where it was not
     * @param released when it was released; null where it was not
     * @param hands,plannedHands minutes of work
     */
    record PastClean(
            String procedure,
            String title,
            String machine,
            @Nullable Integer plannedFrom,
            @Nullable Integer plannedTo,
            @Nullable Integer from,
            @Nullable Integer to,
            @Nullable Integer released,
            int plannedHands,
            int hands,
            List<PastPart> parts) {}

    /**
     * A night that is over, or as far as it is.
     *
     * @param night day on which it began
     * @param from epoch milliseconds
     * @param inPlan whether there was a plan for it
     */
    record PastNight(
            String night, long from, int minutes, boolean inPlan, List<PastClean> cleans) {}

    /**
     * @param night day on which it began, as 2026-11-28; absent for the last
     */
    @GetMapping
    PastNight past(@RequestParam(required = false) @Nullable String night) {
        NightOnSite.When when =
                night == null
                        ? nights.night(nights.when().day().minusDays(1))
                        : nights.night(day(night));
        Plan plan = plans.asItBegan(when.day(), when.from().toEpochMilli());
        List<PastClean> all = new ArrayList<>();
        Map<String, String> names = new HashMap<>();
        accounts.names().forEach((id, name) -> names.put(String.valueOf(id), name));
        List<SiteNight.Round> done = rounds.of(when.from(), when.until());
        for (SiteNight.Round r : done) {
            all.add(clean(r.procedure(), r, plan, names));
        }
        if (plan != null) {
            plan.tasks().stream()
                    .map(t -> t.id().substring(0, t.id().indexOf('/')))
                    .distinct()
                    .filter(id -> done.stream().noneMatch(r -> r.procedure().equals(id)))
                    .forEach(id -> all.add(clean(id, null, plan, names)));
        }
        all.sort(
                Comparator.comparing(
                        (PastClean c) -> c.from() == null ? Integer.MAX_VALUE : c.from()));
        return new PastNight(
                when.day().toString(),
                when.from().toEpochMilli(),
                when.minutes(),
                plan != null,
                all);
    }

    private static LocalDate day(String night) {
        try {
            return LocalDate.parse(night);
        } catch (DateTimeException e) {
            throw Said.conflict(
                    Text.of(
                            "morning.is-no-day",
                            "\"{0}\" is no day; write it as 2026-11-28.",
                            night));
        }
    }

    private PastClean clean(
            String id,
            SiteNight.@Nullable Round r,
            @Nullable Plan plan,
            Map<String, String> names) {
        Procedures.Approved p = procedures.approvedVersion(id);
        List<Part> parts = nights.asPlanned(p);
        Map<String, Took> took = new HashMap<>();
        if (r != null) {
            Durations.took(parts, r).forEach(t -> took.put(t.task(), t));
        }
        Map<String, String> words = new HashMap<>();
        for (Step s : p.procedure().steps()) {
            words.put(s.id(), s.words());
        }
        List<PastPart> rows = new ArrayList<>();
        int planned = 0;
        int hands = 0;
        for (Part part : parts) {
            if (!part.job().hands() || part.steps().isEmpty()) {
                continue;
            }
            Took t = took.get(part.job().id());
            planned += part.job().minutes();
            hands += t == null ? 0 : t.minutes();
            rows.add(
                    new PastPart(
                            part.job().name(),
                            part.job().minutes(),
                            t == null ? null : Integer.valueOf(t.minutes()),
                            t == null
                                    ? List.of()
                                    : t.people().stream()
                                            .map(w -> names.getOrDefault(w, w))
                                            .toList(),
                            t == null || t.slowest() == null ? null : words.get(t.slowest())));
        }
        List<Plan.Placed> inPlan =
                plan == null
                        ? List.of()
                        : plan.tasks().stream().filter(t -> t.id().startsWith(id + "/")).toList();
        return new PastClean(
                id,
                p.procedure().title(),
                p.sheet().code(),
                inPlan.isEmpty()
                        ? null
                        : Integer.valueOf(
                                inPlan.stream().mapToInt(Plan.Placed::from).min().getAsInt()),
                inPlan.isEmpty()
                        ? null
                        : Integer.valueOf(
                                inPlan.stream().mapToInt(Plan.Placed::to).max().getAsInt()),
                r == null ? null : Integer.valueOf(r.begun()),
                r == null ? null : r.finished(),
                r == null ? null : r.released(),
                planned,
                hands,
                rows);
    }
}
