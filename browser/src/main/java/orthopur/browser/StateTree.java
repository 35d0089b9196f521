package orthopur.browser;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.round.ReleaseSite;
import orthopur.round.State;
import orthopur.round.State.Lock;
import orthopur.round.State.ProofState;
import orthopur.round.State.ReadingState;
import orthopur.round.State.Status;
import orthopur.round.State.TroubleState;
import orthopur.roundpack.ReadingJudge.Outcome;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.Trouble;

/** A state of a round out of its JSON, and written down as JSON again. */
final class StateTree {
    /** Earlier than any round in milliseconds, later than any in seconds. */
    private static final long SECONDS_END = 100_000_000_000L;

    private StateTree() {}

    static State read(Tree t, RoundPack pack) {
        List<String> done = t.texts("done");
        Map<String, List<String>> redo = t.map("redo", parts -> parts.items(Tree::asText));
        return new State(
                t.textOrNull("current"),
                done,
                t.texts("off"),
                t.map("timers", at -> millis((long) Tree.asNumber(at))),
                t.map("readings", StateTree::reading),
                t.map("checks", own -> outcomes(own)),
                t.map("confirmed", own -> own.items(Tree::asText)),
                t.list("locks", StateTree::lock),
                t.list("troubles", StateTree::trouble),
                redo,
                t.texts("deviated"),
                t.map("proofs", StateTree::proof),
                Status.valueOf(t.text("status")),
                millisOrNull(t, "statusAt"),
                millisOrNull(t, "until"),
                t.at("plan") == null ? null : t.list("plan", StateTree::site),
                t.at("furthest") == null ? furthest(pack, done, redo) : t.count("furthest"),
                t.texts("workers"),
                t.flag("secondPerson"),
                t.map("solutions", Tree::asText));
    }

    /** What an older page kept on this device has no such place: a step that is redone was done. */
    private static int furthest(RoundPack pack, List<String> done, Map<String, List<String>> redo) {
        return pack.steps().stream()
                .filter(s -> done.contains(s.id()) || redo.containsKey(s.id()))
                .mapToInt(RoundPack.PackStep::number)
                .max()
                .orElse(0);
    }

    /** What an older page kept on this device stands in seconds. */
    private static long millis(long at) {
        return at < SECONDS_END ? at * 1000 : at;
    }

    private static @Nullable Long millisOrNull(Tree t, String name) {
        return t.at(name) == null ? null : Long.valueOf(millis(t.whole(name)));
    }

    private static Map<String, Outcome> outcomes(Tree own) {
        return own.map(o -> Outcome.valueOf(o.asText()));
    }

    private static ReadingState reading(Tree t) {
        return new ReadingState(
                t.number("strength"),
                t.number("temperature"),
                Outcome.valueOf(t.text("outcome")),
                t.said("advice"),
                t.flag("corrected"),
                t.at("at") == null ? 0 : t.whole("at"));
    }

    private static Lock lock(Tree t) {
        return new Lock(
                t.text("energy"),
                t.text("lock"),
                t.text("who"),
                millis(t.whole("at")),
                t.textOrNull("person"));
    }

    private static TroubleState trouble(Tree t) {
        return new TroubleState(
                Trouble.Kind.valueOf(t.text("kind")),
                t.textOrNull("item"),
                t.text("text"),
                t.text("step"),
                t.text("who"),
                millis(t.whole("at")),
                t.flag("late") ? Boolean.TRUE : null);
    }

    private static ProofState proof(Tree t) {
        return new ProofState(
                t.numberOrNull("value"), t.textOrNull("unit"), t.flag("passed"), t.text("who"));
    }

    private static ReleaseSite site(Tree t) {
        return new ReleaseSite(
                t.text("id"),
                ReleaseSite.Kind.valueOf(t.text("kind")),
                t.said("name"),
                t.numberOrNull("least"),
                t.numberOrNull("most"),
                t.numberOrNull("failAbove"),
                t.textOrNull("unit"),
                t.said("why"));
    }

    static void write(JsonText to, State s) {
        to.open().text("current", s.current()).texts("done", s.done()).texts("off", s.off());
        to.map("timers", s.timers(), to::value)
                .map(
                        "readings",
                        s.readings(),
                        r ->
                                to.open()
                                        .number("strength", r.strength())
                                        .number("temperature", r.temperature())
                                        .text("outcome", r.outcome().name())
                                        .said("advice", r.advice())
                                        .flag("corrected", r.corrected())
                                        .whole("at", r.at())
                                        .close())
                .map("checks", s.checks(), own -> to.values(own, o -> to.value(o.name())))
                .map("confirmed", s.confirmed(), to::values)
                .list(
                        "locks",
                        s.locks(),
                        l ->
                                to.open()
                                        .text("energy", l.energy())
                                        .text("lock", l.lock())
                                        .text("who", l.who())
                                        .whole("at", l.at())
                                        .text("person", l.person())
                                        .close())
                .list("troubles", s.troubles(), x -> trouble(to, x))
                .map("redo", s.redo(), to::values)
                .texts("deviated", s.deviated())
                .map("proofs", s.proofs(), p -> proof(to, p))
                .text("status", s.status().name())
                .whole("statusAt", s.statusAt())
                .whole("until", s.until());
        List<ReleaseSite> plan = s.plan();
        if (plan != null) {
            to.list("plan", plan, x -> site(to, x));
        }
        to.whole("furthest", (long) s.furthest())
                .texts("workers", s.workers())
                .flag("secondPerson", s.secondPerson())
                .map("solutions", s.solutions(), to::value)
                .close();
    }

    private static void trouble(JsonText to, TroubleState t) {
        to.open()
                .text("kind", t.kind().name())
                .text("item", t.item())
                .text("text", t.text())
                .text("step", t.step())
                .text("who", t.who())
                .whole("at", t.at());
        if (Boolean.TRUE.equals(t.late())) {
            to.flag("late", true);
        }
        to.close();
    }

    private static void proof(JsonText to, ProofState p) {
        to.open()
                .number("value", p.value())
                .text("unit", p.unit())
                .flag("passed", p.passed())
                .text("who", p.who())
                .close();
    }

    private static void site(JsonText to, ReleaseSite x) {
        to.open()
                .text("id", x.id())
                .text("kind", x.kind().name())
                .said("name", x.name())
                .number("least", x.least())
                .number("most", x.most())
                .number("failAbove", x.failAbove())
                .text("unit", x.unit())
                .said("why", x.why())
                .close();
    }
}
