package orthopur.browser;

import java.util.HashMap;
import java.util.Map;
import org.teavm.jso.JSObject;
import orthopur.quantity.OutOfRange;
import orthopur.round.Refused;
import orthopur.round.Written;
import orthopur.sitestream.SiteEntry;
import orthopur.sitestream.SiteState;
import orthopur.sitestream.SiteState.Known;
import orthopur.sitestream.SiteStream;

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
        Map<String, Known> known = new HashMap<>();
        new Tree(newest).items(FloorSite::known).forEach(k -> known.put(k.entry().about(), k));
        SiteStream stream = new SiteStream(new SiteState(known));
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
     * @return {@code {}}, {@code {refused, with}} or {@code {outside}}
     */
    static String refuses(JSObject newest, JSObject entry, double at, JSObject actor) {
        JsonText to = new JsonText().open();
        Map<String, Known> known = new HashMap<>();
        new Tree(newest).items(FloorSite::known).forEach(k -> known.put(k.entry().about(), k));
        try {
            new SiteStream(new SiteState(known))
                    .accept(
                            SiteEntry.read(FloorRound.entry(new Tree(entry))),
                            (long) at,
                            FloorRound.actor(new Tree(actor)));
        } catch (Refused x) {
            to.text("refused", x.why().name()).texts("with", x.with());
        } catch (OutOfRange | Written.NotAnEntry x) {
            to.text("outside", String.valueOf(x.getMessage()));
        }
        return to.close().toString();
    }

    private static boolean next(SiteStream stream, Tree t) {
        try {
            stream.accept(
                    SiteEntry.read(FloorRound.entry(t.need("entry"))),
                    t.whole("at"),
                    FloorRound.actor(t.need("actor")));
            return true;
        } catch (Refused | OutOfRange | Written.NotAnEntry x) {
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
