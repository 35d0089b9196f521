package orthopur.server.floor;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.Nullable;
import orthopur.roundpack.Progress;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.server.floor.EntryEnvelope.EntryValue;
import orthopur.server.people.Person;
import orthopur.server.procedures.Procedures;

@RestController
@RequestMapping("/api")
class FloorController {
    private final Rounds rounds;
    private final Procedures procedures;

    FloorController(Rounds rounds, Procedures procedures) {
        this.rounds = rounds;
        this.procedures = procedures;
    }

    /**
     * @param openRound id of the round that is open at this machine, if any
     */
    record FloorRow(
            String procedure,
            int version,
            String machine,
            String title,
            String kind,
            @Nullable String openRound,
            @Nullable String startedBy) {}

    record Start(String procedure) {}

    record SentEntry(
            String id,
            String packHash,
            String step,
            String kind,
            List<EntryValue> figures,
            @Nullable String device,
            long tabletTime,
            @Nullable String pin) {}

    /**
     * @param current id of the step that comes next; null once all are done
     * @param timers epoch seconds at which each timer was started, by step
     * @param now the server's time in epoch milliseconds, so that a wrong tablet clock does no harm
     */
    record RoundState(
            String id,
            String packHash,
            String startedBy,
            long startedAt,
            @Nullable String current,
            List<String> done,
            List<String> off,
            Map<String, Long> timers,
            Map<String, Progress.ReadingState> readings,
            Map<String, Boolean> checks,
            boolean closed,
            long now) {}

    record RoundView(RoundState state, RoundPack pack) {}

    @GetMapping("/floor")
    List<FloorRow> floor() {
        return procedures.approved().stream()
                .map(
                        p -> {
                            var open = rounds.openRound(p.machine());
                            return new FloorRow(
                                    p.id(),
                                    p.version(),
                                    p.machine(),
                                    p.title(),
                                    p.kind(),
                                    open.map(r -> r.getId()).orElse(null),
                                    open.map(r -> r.getStartedBy()).orElse(null));
                        })
                .toList();
    }

    @PostMapping("/rounds")
    RoundView start(@RequestBody Start in, @AuthenticationPrincipal Person person) {
        return view(rounds.start(in.procedure(), person));
    }

    @GetMapping("/rounds/{id}")
    RoundView one(@PathVariable String id) {
        return view(rounds.load(id));
    }

    @PostMapping("/rounds/{id}/entries")
    RoundState enter(
            @PathVariable String id,
            @RequestBody SentEntry in,
            @AuthenticationPrincipal Person person) {
        return state(
                rounds.enter(
                        id,
                        new Rounds.Sent(
                                in.id(),
                                in.packHash(),
                                in.step(),
                                in.kind(),
                                in.figures(),
                                in.device(),
                                in.tabletTime()),
                        in.pin(),
                        person));
    }

    private RoundView view(Rounds.Live l) {
        return new RoundView(state(l), l.pack());
    }

    private RoundState state(Rounds.Live l) {
        Progress p = l.progress();
        PackStep current = p.current();
        Map<String, Boolean> checks =
                current == null ? Map.of() : new LinkedHashMap<>(p.checks(current.id()));
        return new RoundState(
                l.round().getId(),
                l.round().getPackHash(),
                l.round().getStartedBy(),
                l.round().getStartedAt(),
                current == null ? null : current.id(),
                List.copyOf(p.done()),
                p.off(),
                p.timers(),
                p.readings(),
                checks,
                p.closed(),
                rounds.now());
    }
}
