package orthopur.server.floor;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import orthopur.round.EntryValue;
import orthopur.round.State;
import orthopur.roundpack.RoundPack;
import orthopur.server.people.Person;
import orthopur.server.people.SignedIn;
import orthopur.server.platform.Bell;
import orthopur.server.platform.MayUse;
import orthopur.server.procedures.Lapsed;
import orthopur.server.procedures.Procedures;
import orthopur.server.tablets.Tablets;

@RestController
@MayUse
@RequestMapping("/api")
class FloorController {
    private final Rounds rounds;
    private final Procedures procedures;
    private final BeforeStart before;
    private final SiteEntries site;
    private final Tablets tablets;
    private final Bell bell;
    private final Lapsed lapsed;

    FloorController(
            Rounds rounds,
            Procedures procedures,
            BeforeStart before,
            SiteEntries site,
            Tablets tablets,
            Bell bell,
            Lapsed lapsed) {
        this.lapsed = lapsed;
        this.before = before;
        this.site = site;
        this.tablets = tablets;
        this.rounds = rounds;
        this.procedures = procedures;
        this.bell = bell;
    }

    /**
     * @param openRound id of the round that is open at this machine, if any
     * @param passes whether the rules of today let it pass
     * @param until it was signed that it is used until then all the same, in epoch milliseconds
     */
    record FloorRow(
            String procedure,
            int version,
            String machine,
            String title,
            String kind,
            @Nullable String openRound,
            @Nullable String startedBy,
            boolean passes,
            @Nullable Long until) {}

    /**
     * @param onPaper when it was begun, in epoch milliseconds, if it was carried out on paper while
     *     the server did not answer; null for now
     */
    record Start(String procedure, @Nullable Long onPaper) {}

    /**
     * An entry as a tablet sends it. In a queue each is looked at by itself: one that lacks
     * something is refused beside the others, so nothing here is a primitive.
     */
    record SentEntry(
            @Nullable String id,
            @Nullable String packHash,
            @Nullable String step,
            @Nullable String kind,
            @Nullable List<EntryValue> figures,
            @Nullable String device,
            @Nullable Long tabletTime,
            @Nullable String pin) {}

    /**
     * What a tablet has written down, in its order.
     *
     * @param sentAt what the tablet's clock says now, in epoch milliseconds
     */
    record Queue(List<SentEntry> entries, long sentAt) {}

    record QueueAnswer(List<Intake.Taken> fates, RoundState state) {}

    /**
     * @param entries how many entries the log holds; of two answers that crossed on the way, the
     *     one with more is the newer
     * @param progress as the entries say
     * @param differences entries that were kept and do not count
     * @param now the server's time in epoch milliseconds, so that a wrong tablet clock does no harm
     */
    record RoundState(
            String id,
            String packHash,
            String startedBy,
            long startedAt,
            int entries,
            State progress,
            List<Replay.Misfit> differences,
            long now) {}

    record RoundView(RoundState state, RoundPack pack) {}

    @GetMapping("/floor")
    List<FloorRow> floor() {
        List<Lapsed.NoLongerPasses> lapsed = this.lapsed.all();
        return procedures.approvedForWhatIsFitted().stream()
                .map(
                        p -> {
                            var open = rounds.openRound(p.machine());
                            Lapsed.NoLongerPasses stopped =
                                    lapsed.stream()
                                            .filter(l -> l.id().equals(p.id()))
                                            .findFirst()
                                            .orElse(null);
                            return new FloorRow(
                                    p.id(),
                                    p.version(),
                                    p.machine(),
                                    p.title(),
                                    p.kind(),
                                    open.map(r -> r.getId()).orElse(null),
                                    open.map(r -> r.getStartedBy()).orElse(null),
                                    stopped == null,
                                    stopped == null ? null : stopped.until());
                        })
                .toList();
    }

    /** What to know before the first step. */
    @GetMapping("/floor/{procedure}")
    BeforeStart.StartView before(
            @PathVariable String procedure, @AuthenticationPrincipal Person person) {
        return before.view(procedure, person);
    }

    @PostMapping("/rounds")
    RoundView start(@RequestBody Start in, @AuthenticationPrincipal Person person) {
        return view(rounds.start(in.procedure(), in.onPaper(), person));
    }

    @GetMapping("/rounds/{id}")
    RoundView one(@PathVariable String id) {
        return view(rounds.load(id));
    }

    @PostMapping("/rounds/{id}/entries")
    RoundState enter(
            @PathVariable String id,
            @RequestBody SentEntry in,
            @CookieValue(name = SignedIn.TABLET, required = false) @Nullable String tablet,
            @AuthenticationPrincipal Person person) {
        return state(rounds.enter(id, sent(in, known(tablet)), in.pin(), person));
    }

    /** Takes in what a tablet has written down; nothing of it is lost. */
    @PostMapping("/rounds/{id}/queue")
    QueueAnswer queue(
            @PathVariable String id,
            @RequestBody Queue in,
            @CookieValue(name = SignedIn.TABLET, required = false) @Nullable String tablet,
            @AuthenticationPrincipal Person person) {
        List<Intake.Taken> fates =
                rounds.takeIn(id, entries(in, known(tablet)), in.sentAt(), person);
        return new QueueAnswer(fates, state(rounds.load(id)));
    }

    record SiteQueueAnswer(List<Intake.Taken> fates, SiteEntries.View state) {}

    /** What was entered for the site beside its rounds. */
    @GetMapping("/stream")
    SiteEntries.View site() {
        return site.view();
    }

    @PostMapping("/stream/entries")
    SiteEntries.View enterForSite(
            @RequestBody SentEntry in,
            @CookieValue(name = SignedIn.TABLET, required = false) @Nullable String tablet,
            @AuthenticationPrincipal Person person) {
        return site.enter(sent(in, known(tablet)), in.pin(), person);
    }

    @PostMapping("/stream/queue")
    SiteQueueAnswer queueForSite(
            @RequestBody Queue in,
            @CookieValue(name = SignedIn.TABLET, required = false) @Nullable String tablet,
            @AuthenticationPrincipal Person person) {
        return new SiteQueueAnswer(
                site.takeIn(entries(in, known(tablet)), in.sentAt(), person), site.view());
    }

    /** Rings when something on the floor changed. */
    @GetMapping(path = "/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter live() {
        return bell.listen();
    }

    /** What the site calls this device; null where it is none of the site's. */
    private @Nullable String known(@Nullable String token) {
        return tablets.of(token).map(Tablets.Tablet::name).orElse(null);
    }

    private static List<Intake.Sent> entries(Queue in, @Nullable String tablet) {
        return in.entries().stream().map(e -> sent(e, tablet)).toList();
    }

    private static Intake.Sent sent(@Nullable SentEntry in, @Nullable String tablet) {
        if (in == null) {
            return new Intake.Sent("", "", "", "", null, null, null);
        }
        return new Intake.Sent(
                Objects.requireNonNullElse(in.id(), ""),
                Objects.requireNonNullElse(in.packHash(), ""),
                Objects.requireNonNullElse(in.step(), ""),
                Objects.requireNonNullElse(in.kind(), ""),
                in.figures(),
                tablet == null || Intake.PAPER.equals(in.device()) ? in.device() : tablet,
                in.tabletTime());
    }

    private RoundView view(Replay l) {
        return new RoundView(state(l), l.pack());
    }

    private RoundState state(Replay l) {
        return new RoundState(
                l.round().getId(),
                l.round().getPackHash(),
                l.round().getStartedBy(),
                l.round().getStartedAt(),
                l.entries(),
                l.progress().state(),
                List.copyOf(l.differences()),
                rounds.now());
    }
}
