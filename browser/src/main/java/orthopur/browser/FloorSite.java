package orthopur.browser;

import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import org.teavm.jso.JSObject;
import orthopur.round.Written;
import orthopur.sitestream.Register;
import orthopur.sitestream.Shelf;
import orthopur.sitestream.SiteEntry;
import orthopur.sitestream.SiteState;
import orthopur.sitestream.SiteState.Known;
import orthopur.sitestream.SiteStream;
import orthopur.text.Objection;

/** The site's stream on a tablet. What is known goes in and out as the server writes it. */
final class FloorSite {
    private FloorSite() {}

    /**
     * Entries on top of what the server has said, in their order. What does not fit is passed over.
     *
     * @param newest each {@code {entry, who, person, at}}
     * @param entries each {@code {entry, at, actor}}
     * @return {@code {newest}}
     */
    static String onTop(JSObject newest, JSObject entries) {
        SiteStream stream = new SiteStream(state(newest));
        new Tree(entries).items(t -> next(stream, t));
        JsonText to = new JsonText().open();
        return to.list(
                        "newest",
                        stream.state().newest().values().stream().toList(),
                        k -> written(to, k))
                .close()
                .toString();
    }

    /**
     * Why an entry may not be made on top of what is known, or nothing.
     *
     * @return {@code {}}, or {@code {refused}}
     */
    static String refuses(JSObject newest, JSObject entry, double at, JSObject actor) {
        JsonText to = new JsonText().open();
        try {
            new SiteStream(state(newest))
                    .accept(
                            SiteEntry.read(FloorRound.entry(new Tree(entry))),
                            (long) at,
                            FloorRound.actor(new Tree(actor)));
        } catch (Objection x) {
            to.said("refused", x.said());
        }
        return to.close().toString();
    }

    /**
     * What stands in which vessel: {@code {solutions: [{vessel, chemical, litres, mgPerL, label,
     * celsius, ph, until, why, purpose, at, who, standing, readings, corrections, emptiedAt,
     * rinsed}]}}.
     */
    static String solutions(JSObject newest, double now) {
        JsonText to = new JsonText().open();
        return to.list("solutions", Shelf.of(state(newest)), s -> solution(to, s, (long) now))
                .close()
                .toString();
    }

    private static void solution(JsonText to, Shelf.Solution s, long now) {
        to.open()
                .text("vessel", s.vessel())
                .text("chemical", s.chemical())
                .number("litres", s.litres())
                .number("mgPerL", s.mgPerL())
                .text("label", s.label())
                .number("celsius", s.celsius())
                .number("ph", s.ph())
                .whole("until", s.until())
                .text("why", s.why())
                .text("purpose", s.purpose())
                .whole("at", s.at())
                .text("who", s.who())
                .text("standing", s.standing(now).name())
                .list(
                        "readings",
                        s.readings(),
                        r ->
                                to.open()
                                        .whole("at", r.at())
                                        .number("mgPerL", r.mgPerL())
                                        .number("celsius", r.celsius())
                                        .text("instrument", r.instrument())
                                        .text("who", r.who())
                                        .close())
                .list(
                        "corrections",
                        s.corrections(),
                        c ->
                                to.open()
                                        .whole("at", c.at())
                                        .text("what", c.what())
                                        .number("litres", c.litres())
                                        .text("who", c.who())
                                        .close())
                .whole("emptiedAt", s.emptiedAt())
                .flag("rinsed", s.rinsed())
                .close();
    }

    /**
     * How far each instrument can be believed: {@code {instruments: [{id, standing, usable, due,
     * lot, expires, goodAt, doubtedSince, checks: [{at, who, passed, unit, low, lowShown, high,
     * highShown, lot}]}]}}.
     *
     * @param days for which a check of an instrument with a display holds
     */
    static String register(JSObject newest, JSObject instruments, double days, double now) {
        SiteState site = state(newest);
        Duration every = Duration.ofMillis((long) (days * 86_400_000));
        JsonText to = new JsonText().open();
        return to.list(
                        "instruments",
                        new Tree(instruments).items(PackTree::instrument),
                        i -> registered(to, Register.of(i, site, every, (long) now)))
                .close()
                .toString();
    }

    private static void registered(JsonText to, Register.Entry e) {
        to.open()
                .text("id", e.instrument().id())
                .text("standing", e.standing().name())
                .flag("usable", e.standing().usable())
                .whole("due", e.due())
                .text("lot", e.lot())
                .whole("expires", e.expires())
                .whole("goodAt", e.goodAt())
                .whole("doubtedSince", e.doubtedSince())
                .list(
                        "checks",
                        e.checks(),
                        c ->
                                to.open()
                                        .whole("at", c.at())
                                        .text("who", c.who())
                                        .flag("passed", c.passed())
                                        .text("unit", c.entry().unit())
                                        .number("low", c.entry().low())
                                        .number("lowShown", c.entry().lowShown())
                                        .number("high", c.entry().high())
                                        .number("highShown", c.entry().highShown())
                                        .text("lot", c.entry().lot())
                                        .close())
                .close();
    }

    private static SiteState state(JSObject newest) {
        Map<String, Known> known = new HashMap<>();
        new Tree(newest).items(FloorSite::known).forEach(k -> known.put(k.entry().about(), k));
        return new SiteState(known);
    }

    private static boolean next(SiteStream stream, Tree t) {
        try {
            stream.accept(
                    SiteEntry.read(FloorRound.entry(t.need("entry"))),
                    t.whole("at"),
                    FloorRound.actor(t.need("actor")));
            return true;
        } catch (Objection x) {
            return false;
        }
    }

    private static Known known(Tree t) {
        return new Known(
                SiteEntry.read(FloorRound.entry(t.need("entry"))),
                t.text("who"),
                t.text("person"),
                t.whole("at"));
    }

    private static void written(JsonText to, Known k) {
        Written w = SiteEntry.write(k.entry());
        to.open();
        to.name("entry").open().text("kind", w.kind()).text("step", w.step());
        to.list(
                        "figures",
                        w.figures(),
                        f ->
                                to.open()
                                        .text("name", f.name())
                                        .number("value", f.value())
                                        .text("unit", f.unit())
                                        .text("text", f.text())
                                        .close())
                .close();
        to.text("who", k.who()).text("person", k.person()).whole("at", k.at()).close();
    }
}
