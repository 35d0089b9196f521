package orthopur.server.release;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import orthopur.machine.Configuration;
import orthopur.machine.MachineSheet;
import orthopur.release.ReleasePlan;
import orthopur.roundpack.Entry;
import orthopur.roundpack.Progress;
import orthopur.roundpack.Written;
import orthopur.server.floor.Replay;
import orthopur.server.floor.RoundLog;
import orthopur.server.floor.Rounds;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Person;
import orthopur.server.platform.Said;

/** Looks, proofs and the yes or no to a round that was handed over. */
@Service
class Releases {
    /** A conditional release lasts until the night after at most. */
    private static final int LONGEST_HOURS = 24;

    private final Rounds rounds;
    private final RoundLog log;
    private final Sheets sheets;

    Releases(Rounds rounds, RoundLog log, Sheets sheets) {
        this.rounds = rounds;
        this.log = log;
        this.sheets = sheets;
    }

    /** The plan of a round, by what its machine is and has shown before. */
    ReleasePlan plan(Replay r) {
        MachineSheet sheet = sheets.version(r.round().getMachine(), r.pack().sheetVersion());
        return ReleasePlan.of(
                Configuration.fitted(sheet).of(sheet),
                r.pack(),
                sheets.surroundings().context().book(),
                log.before(r.round()),
                log.swabs(r.round().getMachine(), r.round().getId()));
    }

    /** What was found so far, by the site's id. */
    static Map<String, ReleasePlan.Found> found(ReleasePlan plan, Progress.State state) {
        Map<String, ReleasePlan.Found> found = new LinkedHashMap<>();
        for (ReleasePlan.Site s : plan.sites()) {
            Progress.ProofState p = state.proofs().get(s.id());
            if (p != null) {
                found.put(
                        s.id(),
                        s.kind() == ReleasePlan.Kind.LOOK && !p.passed()
                                ? ReleasePlan.Found.FAILED
                                : s.judge(p.value()));
            }
        }
        return found;
    }

    /** Why this person may not release it; null when they may. */
    @Nullable String hindrance(Replay r, Person person) {
        try {
            rounds.mayRelease(r, person);
            return null;
        } catch (Said e) {
            return e.getMessage();
        }
    }

    /**
     * Enters a finding, judged by the plan.
     *
     * @param value null for a look
     * @param passed for a look: whether nothing was wrong
     */
    Replay prove(String round, String site, @Nullable Double value, boolean passed, Person person) {
        Replay r = rounds.load(round);
        ReleasePlan.Site s =
                plan(r).sites().stream()
                        .filter(x -> x.id().equals(site))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        Said.notFound(
                                                "The plan of this round has no site \""
                                                        + site
                                                        + "\"."));
        boolean look = s.kind() == ReleasePlan.Kind.LOOK;
        if (!look && (value == null || !(value >= 0 && value <= 1_000_000))) {
            throw Said.conflict(
                    "%s needs its value in %s, from 0 to 1,000,000.".formatted(s.name(), s.unit()));
        }
        boolean good = look ? passed : s.judge(value) == ReleasePlan.Found.PASSED;
        return enter(
                r,
                new Entry.Proof(last(r), site, look ? null : value, s.unit(), good),
                null,
                person);
    }

    /**
     * Releases it.
     *
     * @param hours for a conditional release, 1 to 24; null for a full one
     */
    Replay release(
            String round,
            @Nullable Integer hours,
            @Nullable String condition,
            @Nullable String pin,
            Person person) {
        Replay r = rounds.load(round);
        ReleasePlan plan = plan(r);
        Progress.State state = r.progress().state();
        Map<String, ReleasePlan.Found> found = found(plan, state);
        List<String> missing = new ArrayList<>(plan.missing(found));
        if (hours == null) {
            if (!missing.isEmpty()) {
                throw Said.conflict(
                        "Not released: still to be found or passed: %s."
                                .formatted(String.join("; ", missing)));
            }
            return enter(r, new Entry.Released(last(r), null, null), pin, person);
        }
        if (hours < 1 || hours > LONGEST_HOURS) {
            throw Said.conflict(
                    "A conditional release lasts 1 to %d hours, not %d."
                            .formatted(LONGEST_HOURS, hours));
        }
        if (condition == null || condition.strip().length() < 5) {
            throw Said.conflict("Say what the conditional release waits for.");
        }
        if (found.get(ReleasePlan.SIGHT) != ReleasePlan.Found.PASSED
                || found.values().stream().anyMatch(f -> f != ReleasePlan.Found.PASSED)) {
            throw Said.conflict(
                    "Not even for a time: the look has to be done, and nothing may have failed.");
        }
        long until = rounds.now() / 1000 + hours * 3600L;
        return enter(r, new Entry.Released(last(r), until, condition.strip()), pin, person);
    }

    /** Sends it back: this part is cleaned again, with what it touched. */
    Replay sendBack(String round, String item, String reason, @Nullable String pin, Person person) {
        Replay r = rounds.load(round);
        return enter(r, new Entry.SentBack(last(r), item, reason), pin, person);
    }

    private Replay enter(Replay r, Entry entry, @Nullable String pin, Person person) {
        Rounds.Sent sent = Rounds.Sent.atTheDesk(r, Written.of(entry), rounds.now());
        return rounds.enter(r.round().getId(), sent, pin, person);
    }

    private static String last(Replay r) {
        return r.pack().steps().getLast().id();
    }
}
