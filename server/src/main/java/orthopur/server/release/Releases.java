package orthopur.server.release;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import orthopur.round.Entry;
import orthopur.round.ReleaseSite;
import orthopur.round.State;
import orthopur.server.floor.PlansOfReleases;
import orthopur.server.floor.Replay;
import orthopur.server.floor.Rounds;
import orthopur.server.people.Person;
import orthopur.server.platform.Said;
import orthopur.text.Text;

/** Looks, proofs and the yes or no to a round that was handed over. */
@Service
class Releases {
    private final Rounds rounds;
    private final PlansOfReleases plans;

    Releases(Rounds rounds, PlansOfReleases plans) {
        this.rounds = rounds;
        this.plans = plans;
    }

    /** What has to be found: as it was written down, and else as it would be now. */
    List<ReleaseSite> plan(Replay r) {
        List<ReleaseSite> written = r.progress().state().plan();
        return written == null ? plans.of(r).sites() : written;
    }

    /** What was found so far, by the site's id. */
    static Map<String, ReleaseSite.Found> found(List<ReleaseSite> plan, State state) {
        Map<String, ReleaseSite.Found> found = new LinkedHashMap<>();
        for (ReleaseSite s : plan) {
            State.ProofState p = state.proofs().get(s.id());
            if (p != null) {
                found.put(
                        s.id(),
                        s.kind() == ReleaseSite.Kind.LOOK && !p.passed()
                                ? ReleaseSite.Found.FAILED
                                : s.judge(p.value()));
            }
        }
        return found;
    }

    /** Why this person may not release it; null when they may. */
    @Nullable Text hindrance(Replay r, Person person) {
        try {
            rounds.mayRelease(r, person);
            return null;
        } catch (Said e) {
            return e.said();
        }
    }

    /**
     * Enters a finding; the round judges it by its plan.
     *
     * @param value null for a look
     * @param passed for a look: whether nothing was wrong
     */
    Replay prove(String round, String site, @Nullable Double value, boolean passed, Person person) {
        Replay r = rounds.load(round);
        ReleaseSite s =
                plan(r).stream()
                        .filter(x -> x.id().equals(site))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        Said.notFound(
                                                Text.of(
                                                        "releases.the-plan-of-this-round",
                                                        "The plan of this round has no site \"{0}\".",
                                                        site)));
        boolean look = s.kind() == ReleaseSite.Kind.LOOK;
        boolean good = look ? passed : s.judge(value) == ReleaseSite.Found.PASSED;
        return enter(
                r,
                new Entry.Proof(last(r), site, look ? null : value, s.unit(), good),
                null,
                person);
    }

    /**
     * Releases it, if what was found allows it.
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
        Long until = hours == null ? null : rounds.now() + hours * 3_600_000L;
        return enter(
                r,
                new Entry.Released(last(r), until, condition == null ? null : condition.strip()),
                pin,
                person);
    }

    /** Sends it back: this part is cleaned again, with what it touched. */
    Replay sendBack(String round, String item, String reason, @Nullable String pin, Person person) {
        Replay r = rounds.load(round);
        return enter(r, new Entry.SentBack(last(r), item, reason), pin, person);
    }

    private Replay enter(Replay r, Entry entry, @Nullable String pin, Person person) {
        return rounds.enter(r.round().getId(), rounds.atTheDesk(r, entry), pin, person);
    }

    private static String last(Replay r) {
        return r.pack().steps().getLast().id();
    }
}
