package orthopur.server.tonight;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import orthopur.formats.NightFormat;
import orthopur.formats.NightFormat.PlanDocument;
import orthopur.formats.TextDocument;
import orthopur.night.Chain;
import orthopur.night.CleanJobs;
import orthopur.night.Dragged;
import orthopur.night.Durations;
import orthopur.night.Greedy;
import orthopur.night.InForce;
import orthopur.night.Moves;
import orthopur.night.Night;
import orthopur.night.Plan;
import orthopur.night.SiteNight;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Share;
import orthopur.quantity.Strength;
import orthopur.server.due.CalendarAddresses;
import orthopur.server.languages.Languages;
import orthopur.server.people.Heavy;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Said;
import orthopur.server.prints.Paper;
import orthopur.solver.Planners;
import orthopur.text.Text;

/** The plan of this night, and of any night in the open format. */
@RestController
@MayUse
@RequestMapping("/api")
class TonightController {
    private final NightOnSite nights;
    private final PlansOfNights plans;
    private final SheetsOfTheNight sheets;
    private final CalendarAddresses addresses;
    private final Languages languages;

    TonightController(
            NightOnSite nights,
            PlansOfNights plans,
            SheetsOfTheNight sheets,
            CalendarAddresses addresses,
            Languages languages) {
        this.languages = languages;
        this.nights = nights;
        this.plans = plans;
        this.sheets = sheets;
        this.addresses = addresses;
    }

    /**
     * Whoever is planned with.
     *
     * @param machines on which they were trained
     */
    record NightPerson(
            String id, String name, boolean works, boolean releases, List<String> machines) {}

    /** A place or a single tool. */
    record NightPlace(String id, String name, int slots) {}

    /**
     * A task of the night.
     *
     * @param group id of the procedure
     * @param takes carts and single tools that are fetched for it
     * @param usual how long it takes by the log; null where too few rounds tell
     */
    record NightTask(
            String id,
            Text name,
            String group,
            int minutes,
            boolean hands,
            double hotLitres,
            List<String> takes,
            Durations.@Nullable Usual usual) {}

    /**
     * A clean of the night.
     *
     * @param wanted minute at which production wants the machine
     * @param latest minute at which it has to be begun to be over by then; absent once it is begun
     * @param again minutes that the whole of it takes where nobody waits for anybody: what a failed
     *     swab would cost
     */
    record NightClean(
            String procedure,
            String title,
            String machine,
            int wanted,
            @Nullable Integer latest,
            int again) {}

    /**
     * Something that was said about the night.
     *
     * @param what as the entry calls it
     * @param holds whether the plan follows it
     */
    record NightChange(
            String what,
            String subject,
            int minute,
            String who,
            @Nullable String why,
            boolean holds) {}

    /**
     * A task that is another's or at another time than before.
     *
     * @param was,now who does it, from when; null where it was not there, or is not any more
     */
    record NightMove(
            String task,
            Moves.What what,
            PlanDocument.@Nullable TaskDocument was,
            PlanDocument.@Nullable TaskDocument now) {
        static NightMove of(Moves.Move m) {
            return new NightMove(m.task(), m.what(), task(m.was()), task(m.now()));
        }

        private static PlanDocument.@Nullable TaskDocument task(Plan.@Nullable Placed p) {
            return p == null
                    ? null
                    : new PlanDocument.TaskDocument(
                            p.id(), p.people(), p.place(), p.from(), p.to(), p.hands());
        }
    }

    /**
     * The night and its plan.
     *
     * @param night day on which it begins
     * @param from,until epoch milliseconds
     * @param done what is over of it
     * @param seeking whether a better plan is still sought
     * @param moves what is otherwise than in the plan before, or, of what is tried, than in the one
     *     that people go by
     * @param kept carts and tools that stay with a clean from task to task
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
            List<SiteNight.Done> done,
            PlanDocument plan,
            List<Plan.Stay> kept,
            boolean seeking,
            List<NightMove> moves,
            int peopleEnd,
            int peopleLeftOut) {}

    /** The night as it stands, with what is known of its plan. */
    private record Planned(
            NightOnSite.OnSite on, Plan plan, boolean seeking, List<Moves.Move> moves) {}

    private Planned planned(boolean settled) {
        PlansOfNights.InForceNow before = plans.inForce(nights.when().day());
        NightOnSite.OnSite on = nights.night(List.of(), before == null ? null : before.plan());
        PlansOfNights.Known known = plans.goBy(on.when().day(), on.night());
        if (settled && known.seeking()) {
            plans.sought(on.night());
            known = plans.goBy(on.when().day(), on.night());
        }
        PlansOfNights.InForceNow now = plans.inForce(on.when().day());
        return new Planned(
                on, known.plan(), known.seeking(), now == null ? List.of() : now.moves());
    }

    private Planned tried(SiteNight.Said more, boolean settled) {
        PlansOfNights.InForceNow before = plans.inForce(nights.when().day());
        Plan inForce = before == null ? null : before.plan();
        NightOnSite.OnSite on = nights.night(List.of(more), inForce);
        Plan same = inForce == null ? null : InForce.still(on.night(), inForce);
        PlansOfNights.Known known =
                same != null
                        ? new PlansOfNights.Known(same, false)
                        : settled
                                ? new PlansOfNights.Known(plans.sought(on.night()), false)
                                : plans.of(on.night());
        return new Planned(
                on,
                known.plan(),
                known.seeking(),
                inForce == null ? List.of() : Moves.between(inForce, known.plan()));
    }

    /**
     * The night that is on, or the next.
     *
     * @param whatIf something to be tried without saying it, as {@code late:ID:MINUTE}
     * @param settled whether it is waited for until no better plan is sought
     */
    @Heavy
    @GetMapping("/tonight")
    TonightView tonight(
            @RequestParam(required = false) @Nullable String whatIf,
            @RequestParam(defaultValue = "false") boolean settled) {
        Planned p = whatIf == null ? planned(settled) : tried(tried(whatIf), settled);
        NightOnSite.OnSite on = p.on();
        Plan people = new Greedy().plan(on.night(), 1);
        return new TonightView(
                on.when().day().toString(),
                on.when().from().toEpochMilli(),
                on.when().until().toEpochMilli(),
                nights.now().toEpochMilli(),
                on.when().minutes(),
                on.members().stream()
                        .map(
                                m ->
                                        new NightPerson(
                                                m.id(),
                                                m.name(),
                                                m.works(),
                                                m.releases(),
                                                m.machines() == null
                                                        ? List.of()
                                                        : m.machines().stream().sorted().toList()))
                        .toList(),
                on.night().places().stream()
                        .map(x -> new NightPlace(x.id(), x.name(), x.slots()))
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
                                                t.hotLitres(),
                                                takes(on.night(), t),
                                                on.usual().get(t.id())))
                        .toList(),
                on.cleans().stream().map(c -> clean(on, c)).toList(),
                on.said().stream()
                        .map(
                                x ->
                                        new NightChange(
                                                small(x.said().what()),
                                                x.said().subject(),
                                                x.said().minute(),
                                                x.who(),
                                                x.why(),
                                                x.holds()))
                        .toList(),
                on.standing().done(),
                PlanDocument.of(p.plan()),
                p.plan().stays(on.night()).stream()
                        .filter(s -> !s.place().startsWith(Night.DISCONNECT))
                        .toList(),
                p.seeking(),
                p.moves().stream().map(NightMove::of).toList(),
                people.end(),
                people.unplaced().size());
    }

    private static List<String> takes(Night night, Night.Job task) {
        Map<String, Night.Place> places = night.placesById();
        return night.takenWith(task.id()).stream()
                .filter(p -> !p.startsWith(Night.DISCONNECT))
                .map(p -> Objects.requireNonNull(places.get(p)).name())
                .toList();
    }

    private static String small(Enum<?> e) {
        return e.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private NightClean clean(NightOnSite.OnSite on, SiteNight.Clean c) {
        List<Night.Job> left =
                on.night().tasks().stream()
                        .filter(t -> t.group().equals(c.procedure().id()))
                        .toList();
        OptionalInt latest = Chain.latest(left);
        boolean begun =
                on.standing().done().stream().anyMatch(d -> d.group().equals(c.procedure().id()))
                        || left.stream().anyMatch(t -> t.running() != null);
        return new NightClean(
                c.procedure().id(),
                c.procedure().title(),
                c.sheet().code(),
                wanted(on, c),
                begun || latest.isEmpty() ? null : latest.getAsInt(),
                Chain.minutes(nights.whole(c).stream().map(CleanJobs.Part::job).toList())
                        .orElse(on.when().minutes()));
    }

    private static int wanted(NightOnSite.OnSite on, SiteNight.Clean c) {
        return on.night().tasks().stream()
                .filter(t -> t.group().equals(c.procedure().id()) && t.wantedBy() != null)
                .mapToInt(t -> Objects.requireNonNull(t.wantedBy()))
                .min()
                .orElse(on.when().minutes());
    }

    /**
     * A plan in which one task was taken and put elsewhere.
     *
     * @param moves what else moves
     * @param breaks what it would break; where anything stands here it is not kept
     * @param costs what it would cost
     */
    record DragView(
            List<PlanDocument.TaskDocument> tasks,
            List<NightMove> moves,
            List<TextDocument> breaks,
            List<TextDocument> costs) {}

    /**
     * What else moves and what breaks while a task is dragged; nothing is kept of it.
     *
     * @param person who is to do it; absent where it stays with whom it is
     */
    @GetMapping("/tonight/drag")
    DragView drag(
            @RequestParam String task,
            @RequestParam(required = false) @Nullable String person,
            @RequestParam int minute) {
        Planned p = planned(false);
        Dragged d =
                Dragged.to(
                        p.on().night(),
                        p.plan(),
                        task,
                        person,
                        Math.clamp(minute, p.on().now(), p.on().when().minutes()));
        return new DragView(
                PlanDocument.of(d.plan()).tasks(),
                d.moves().stream().map(NightMove::of).toList(),
                d.breaks().stream().map(TextDocument::of).toList(),
                d.costs().stream().map(TextDocument::of).toList());
    }

    /** One sheet a person, to be carried along: what, where, when, with whom. */
    @Heavy
    @GetMapping("/tonight/sheets.pdf")
    ResponseEntity<byte[]> sheets(
            @RequestParam(required = false) @Nullable String person,
            @RequestParam(defaultValue = "A4", name = "paper") String size,
            @RequestParam(defaultValue = "", name = "in") String language) {
        Planned p = planned(false);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"tonight.pdf\"")
                .body(
                        sheets.pdf(
                                p.on(),
                                p.plan(),
                                person,
                                Paper.Size.named(size),
                                languages.tongue(language)));
    }

    /**
     * What is somebody's of the night, for a calendar outside; whoever knows the address reads it.
     *
     * @param person whose it is; absent for everybody's
     */
    @MayUse(anybody = true)
    @GetMapping("/tonight/calendar/{token}.ics")
    ResponseEntity<String> calendar(
            @PathVariable String token, @RequestParam(required = false) @Nullable String person) {
        addresses.vouchFor(token);
        Planned p = planned(false);
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/calendar;charset=UTF-8"))
                .body(sheets.calendar(p.on(), p.plan(), person, nights.now()));
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
        Planned p = planned(false);
        NightOnSite.OnSite on = p.on();
        Plan plan = p.plan();
        List<NightSolution> all = new ArrayList<>();
        for (SiteNight.Clean c : on.cleans()) {
            Integer from = begins(plan, c.procedure().id());
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
        return PlanDocument.of(
                Planners.here().plan(NightFormat.read(night).night(), PlansOfNights.LONGEST));
    }
}
