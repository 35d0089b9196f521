package orthopur.server.release;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.round.ReleaseSite;
import orthopur.round.State;
import orthopur.roundpack.RoundPack;
import orthopur.server.floor.Replay;
import orthopur.server.floor.RoundLog;
import orthopur.server.floor.Rounds;
import orthopur.server.people.Person;
import orthopur.server.platform.MayUse;
import orthopur.text.Text;

@RestController
@MayUse
@RequestMapping("/api/releases")
class ReleaseController {
    private final Releases releases;
    private final Rounds rounds;
    private final RoundLog log;

    ReleaseController(Releases releases, Rounds rounds, RoundLog log) {
        this.releases = releases;
        this.rounds = rounds;
        this.log = log;
    }

    /**
     * @param hindrance why the one who asks may not release it; null when they may
     * @param missing what is still to be found or passed
     */
    record ReleaseView(
            String round,
            String machine,
            String machineName,
            String title,
            @Nullable String closedBy,
            @Nullable Long closedAt,
            List<String> workers,
            List<ReleaseSite> plan,
            Map<String, ReleaseSite.Found> found,
            Map<String, State.ProofState> proofs,
            List<Text> missing,
            List<Told> troubles,
            List<Replay.Misfit> differences,
            List<String> deviated,
            List<RoundPack.ReworkPlan> parts,
            State.Status status,
            @Nullable Long until,
            @Nullable Text hindrance) {}

    /** What went wrong on the floor, and who said so when. */
    record Told(long at, String who, Text said) {}

    record Finding(String site, @Nullable Double value, boolean passed) {}

    record Yes(@Nullable Integer hours, @Nullable String condition, @Nullable String pin) {}

    record No(String item, String reason, @Nullable String pin) {}

    /** Rounds that wait for somebody else, or are released for a time only. */
    @GetMapping
    List<ReleaseView> waiting(@AuthenticationPrincipal Person person) {
        return log.newest().stream()
                .filter(r -> r.getClosedAt() != null)
                .map(r -> rounds.load(r.getId()))
                .filter(r -> r.progress().status() != State.Status.RELEASED)
                .map(r -> view(r, person))
                .toList();
    }

    @GetMapping("/{round}")
    ReleaseView one(@PathVariable String round, @AuthenticationPrincipal Person person) {
        return view(rounds.load(round), person);
    }

    @PostMapping("/{round}/findings")
    ReleaseView prove(
            @PathVariable String round,
            @RequestBody Finding in,
            @AuthenticationPrincipal Person person) {
        return view(releases.prove(round, in.site(), in.value(), in.passed(), person), person);
    }

    @PostMapping("/{round}/release")
    ReleaseView release(
            @PathVariable String round,
            @RequestBody Yes in,
            @AuthenticationPrincipal Person person) {
        return view(releases.release(round, in.hours(), in.condition(), in.pin(), person), person);
    }

    @PostMapping("/{round}/send-back")
    ReleaseView sendBack(
            @PathVariable String round,
            @RequestBody No in,
            @AuthenticationPrincipal Person person) {
        return view(releases.sendBack(round, in.item(), in.reason(), in.pin(), person), person);
    }

    private ReleaseView view(Replay r, Person person) {
        List<ReleaseSite> plan = releases.plan(r);
        State s = r.progress().state();
        Map<String, ReleaseSite.Found> found = Releases.found(plan, s);
        return new ReleaseView(
                r.round().getId(),
                r.round().getMachine(),
                r.pack().machineName(),
                r.pack().title(),
                r.round().getClosedBy(),
                r.round().getClosedAt(),
                r.workers(),
                plan,
                found,
                s.proofs(),
                plan.stream()
                        .filter(x -> found.get(x.id()) != ReleaseSite.Found.PASSED)
                        .map(ReleaseSite::name)
                        .toList(),
                s.troubles().stream()
                        .map(
                                t ->
                                        new Told(
                                                t.at(),
                                                t.who(),
                                                r.pack().trouble(t.kind(), t.item(), t.text())))
                        .toList(),
                r.differences(),
                s.deviated(),
                r.pack().rework().stream()
                        .map(p -> new RoundPack.ReworkPlan(p.item(), p.name(), List.of()))
                        .toList(),
                s.status(),
                s.until(),
                releases.hindrance(r, person));
    }
}
