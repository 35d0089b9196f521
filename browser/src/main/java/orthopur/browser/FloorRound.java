package orthopur.browser;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.teavm.jso.JSExport;
import org.teavm.jso.JSObject;
import orthopur.instrument.Instrument;
import orthopur.mixing.Interval;
import orthopur.quantity.OutOfRange;
import orthopur.round.Actor;
import orthopur.round.AtStep;
import orthopur.round.Entry;
import orthopur.round.EntryValue;
import orthopur.round.Progress;
import orthopur.round.Refused;
import orthopur.round.State;
import orthopur.round.Written;
import orthopur.roundpack.ReadingAdvice;
import orthopur.roundpack.ReadingJudge;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.ReadingPlan;
import orthopur.text.Objection;

/**
 * A round on a tablet. States come in as the server wrote them and go out as JSON text in the same
 * form; entries as they are sent. Times are epoch milliseconds by the server's clock.
 */
public final class FloorRound {
    private final RoundPack pack;

    private FloorRound(RoundPack pack) {
        this.pack = pack;
    }

    /** A round over this pack. */
    static FloorRound over(JSObject pack) {
        return new FloorRound(PackTree.read(new Tree(pack)));
    }

    /** The state of a round in which nothing has happened. */
    @JSExport
    public String start() {
        return written(new Progress(pack));
    }

    /**
     * One entry on top of a state.
     *
     * @param actor name, person, role and whether it is signed
     * @return {@code {state}}, or {@code {refused}} and why
     */
    @JSExport
    public String next(JSObject state, JSObject entry, double at, JSObject actor) {
        Progress p = progress(state);
        JsonText to = new JsonText().open();
        try {
            p.accept(entry(new Tree(entry)).entry(), (long) at, actor(new Tree(actor)));
            StateTree.write(to.name("state"), p.state());
        } catch (Objection x) {
            to.said("refused", x.said());
        }
        return to.close().toString();
    }

    /**
     * Entries on top of a state, in their order. What does not fit any more is passed over; the
     * server will say so and keep it.
     *
     * @param entries each {@code {entry, at, actor}}
     */
    @JSExport
    public String onTop(JSObject state, JSObject entries) {
        Progress p = progress(state);
        new Tree(entries)
                .items(
                        t -> {
                            over(p, t);
                            return t;
                        });
        return written(p);
    }

    private static void over(Progress p, Tree t) {
        Actor actor = actor(t.need("actor"));
        try {
            Entry entry = entry(t.need("entry")).entry();
            try {
                p.accept(entry, t.whole("at"), actor);
            } catch (Refused | OutOfRange x) {
                if (!(entry instanceof Entry.Afterwards)) {
                    p.worked(actor);
                }
            }
        } catch (Written.NotAnEntry x) {
            // Nothing that the server would count.
        }
    }

    /**
     * What is before somebody at a step.
     *
     * @see AtStep
     */
    @JSExport
    public String atStep(JSObject state, String step, double at, JSObject actor) {
        AtStep now = progress(state).atStep(step, (long) at, actor(new Tree(actor)));
        JsonText to = new JsonText().open();
        return to.texts("pieces", now.pieces())
                .texts("aside", now.aside())
                .texts("holds", now.holds())
                .map("energies", now.energies(), x -> to.value(x.name()))
                .texts("missingLocks", now.missingLocks())
                .whole("soaking", now.soaking())
                .whole("contact", now.contact())
                .flag("in", now.in())
                .flag("ready", now.ready())
                .close()
                .toString();
    }

    /** Times that run or are up and not yet answered: {@code {running: [{step, name, ends}]}}. */
    @JSExport
    public String running(JSObject state) {
        JsonText to = new JsonText().open();
        return to.list(
                        "running",
                        progress(state).running(),
                        r ->
                                to.open()
                                        .text("step", r.step())
                                        .said("name", r.name())
                                        .whole("ends", r.ends())
                                        .close())
                .close()
                .toString();
    }

    /**
     * What a reading would mean, before it is entered.
     *
     * @return {@code {outcome, advice, low, high}}, no high for a strip's last mark; or {@code
     *     {outside}} for a figure that the instrument cannot show
     */
    @JSExport
    public String judge(String step, String instrument, double strength, double celsius) {
        JsonText to = new JsonText().open();
        ReadingPlan plan = plan(step);
        Instrument by =
                pack.instruments().stream()
                        .filter(i -> i.id().equals(instrument))
                        .findFirst()
                        .orElse(null);
        if (plan == null || by == null) {
            return to.close().toString();
        }
        try {
            Interval means = ReadingJudge.strength(by, strength);
            double t = by.temperatureTolerance();
            Interval warm = new Interval(celsius - t, celsius + t);
            ReadingJudge.Outcome o = ReadingJudge.judge(plan.bands(), means, warm);
            to.text("outcome", o.name())
                    .said("advice", ReadingAdvice.of(plan, o, means, warm))
                    .number("low", means.low())
                    .number("high", means.high());
        } catch (OutOfRange x) {
            to.said("outside", x.said());
        }
        return to.close().toString();
    }

    private @Nullable ReadingPlan plan(String step) {
        return pack.steps().stream()
                .filter(s -> s.id().equals(step))
                .findFirst()
                .map(RoundPack.PackStep::reading)
                .orElse(null);
    }

    private Progress progress(JSObject state) {
        return new Progress(pack, StateTree.read(new Tree(state), pack));
    }

    private static String written(Progress p) {
        JsonText to = new JsonText();
        State s = p.state();
        StateTree.write(to, s);
        return to.toString();
    }

    static Written entry(Tree t) {
        List<EntryValue> figures =
                t.list(
                        "figures",
                        f ->
                                new EntryValue(
                                        f.text("name"),
                                        f.numberOrNull("value"),
                                        f.textOrNull("unit"),
                                        f.textOrNull("text")));
        return new Written(t.text("kind"), t.text("step"), figures);
    }

    static Actor actor(Tree t) {
        String role = t.textOrNull("role");
        String name = t.text("name");
        String person = t.textOrNull("person");
        return new Actor(
                name,
                person == null ? name : person,
                role == null ? null : orthopur.round.Role.valueOf(role),
                t.flag("signed"));
    }
}
