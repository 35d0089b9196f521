package orthopur.round;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.round.Refused.Why;
import orthopur.round.ReleaseSite.Found;
import orthopur.round.State.ProofState;
import orthopur.round.State.Status;
import orthopur.text.Text;

/**
 * A round between the hand-over and production: what has to be found is written down, found by
 * somebody else, and then it is released, released for a time, or sent back. Nothing outside of
 * here decides whether a machine may go back into use.
 */
final class ReleasePhase {
    /** A conditional release lasts until the night after at most. */
    private static final int LONGEST_HOURS = 24;

    private static final int SHORTEST_CONDITION = 5;

    /** Rounds of a format before this one are folded by what held when they began. */
    private final boolean strict;

    private final Set<String> workers = new LinkedHashSet<>();
    private final Map<String, ProofState> proofs = new LinkedHashMap<>();
    private @Nullable List<ReleaseSite> plan;
    private boolean secondPerson;
    private Status status;
    private @Nullable Long until;
    private @Nullable Long statusAt;

    ReleasePhase(boolean strict, State s) {
        this.strict = strict;
        workers.addAll(s.workers());
        proofs.putAll(s.proofs());
        plan = s.plan();
        secondPerson = s.secondPerson();
        status = s.status();
        until = s.until();
        statusAt = s.statusAt();
    }

    List<String> workers() {
        return List.copyOf(workers);
    }

    boolean secondPerson() {
        return secondPerson;
    }

    Status status() {
        return status;
    }

    @Nullable Long until() {
        return until;
    }

    @Nullable Long statusAt() {
        return statusAt;
    }

    @Nullable List<ReleaseSite> plan() {
        return plan;
    }

    Map<String, ProofState> proofs() {
        return new LinkedHashMap<>(proofs);
    }

    /** Somebody did work in this round; looking and releasing is not work. */
    void worked(String person) {
        workers.add(person);
    }

    /** It is handed over; what has to be found comes next. */
    void handOver(long at) {
        become(Status.WAITING, null, at);
        plan = null;
    }

    /** Whether an entry of this phase can be made now. */
    void inTime() {
        if (status == Status.OPEN) {
            throw new Refused(Why.NOT_CLOSED);
        }
        if (status == Status.RELEASED) {
            throw new Refused(Why.ALREADY_RELEASED);
        }
    }

    void planned(Entry.ReleasePlanned e) {
        if (plan != null) {
            throw new Refused(Why.PLAN_FIXED);
        }
        plan = e.sites();
        secondPerson = e.secondPerson();
    }

    void prove(Entry.Proof e, Actor actor) {
        boolean passed = e.passed();
        if (plan != null) {
            otherThanWorkers(actor);
            ReleaseSite site = site(plan, e.site());
            boolean look = site.kind() == ReleaseSite.Kind.LOOK;
            Double value = e.value();
            if (!look && (value == null || !(value >= 0 && value <= 1_000_000))) {
                throw new Refused(Why.NEEDS_VALUE, site.name(), String.valueOf(site.unit()));
            }
            passed = look ? passed : site.judge(value) == Found.PASSED;
        }
        proofs.put(e.site(), new ProofState(e.value(), e.unit(), passed, actor.name()));
    }

    private static ReleaseSite site(List<ReleaseSite> plan, String id) {
        return plan.stream()
                .filter(s -> s.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new Refused(Why.NOT_IN_PLAN, id));
    }

    void release(Entry.Released e, long at, Actor actor) {
        proofs.forEach(
                (site, p) -> {
                    if (!p.passed()) {
                        throw new Refused(
                                Why.PROOF_FAILED, plan == null ? site : site(plan, site).name());
                    }
                });
        if (plan != null) {
            otherThanWorkers(actor);
            asPlanned(plan, e, at);
        } else if (strict) {
            throw new Refused(Why.NO_PLAN);
        }
        become(e.until() == null ? Status.RELEASED : Status.CONDITIONAL, e.until(), at);
    }

    private void asPlanned(List<ReleaseSite> plan, Entry.Released e, long at) {
        List<Text> missing =
                plan.stream()
                        .filter(s -> !proofs.containsKey(s.id()))
                        .map(ReleaseSite::name)
                        .toList();
        if (e.until() == null) {
            if (!missing.isEmpty()) {
                throw new Refused(Why.NOT_FOUND, Text.series(missing));
            }
            return;
        }
        if (e.until() <= at || e.until() > at + LONGEST_HOURS * 3_600_000L) {
            throw new Refused(Why.TOO_LONG, LONGEST_HOURS);
        }
        if (e.condition() == null || e.condition().strip().length() < SHORTEST_CONDITION) {
            throw new Refused(Why.SAY_CONDITION);
        }
        if (!proofs.containsKey(ReleaseSite.SIGHT)) {
            throw new Refused(Why.NOT_EVEN_SO);
        }
    }

    /** Somebody else than those who did the work, where the site asks for it (R2). */
    private void otherThanWorkers(Actor actor) {
        if (secondPerson && workers.contains(actor.person())) {
            throw new Refused(Why.DID_THE_WORK, actor.name());
        }
    }

    void sendBack(long at) {
        become(Status.OPEN, null, at);
        proofs.clear();
        plan = null;
    }

    /**
     * What may have hurt somebody came in after the hand-over: nobody uses it until it was looked
     * at.
     */
    void hold(long at) {
        become(Status.WAITING, null, statusAt == null ? at : Math.max(at, statusAt));
        proofs.clear();
    }

    private void become(Status next, @Nullable Long to, long at) {
        if (status != next) {
            statusAt = at;
        }
        status = next;
        until = to;
    }
}
