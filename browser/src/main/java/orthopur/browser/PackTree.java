package orthopur.browser;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.instrument.Instrument;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.Ask;
import orthopur.roundpack.RoundPack.CheckPlan;
import orthopur.roundpack.RoundPack.Mix;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.roundpack.RoundPack.Piece;
import orthopur.roundpack.RoundPack.ReadingBand;
import orthopur.roundpack.RoundPack.ReadingPlan;
import orthopur.roundpack.RoundPack.ReworkPlan;
import orthopur.roundpack.RoundPack.Tally;
import orthopur.roundpack.RoundPack.Timer;
import orthopur.roundpack.RoundPack.Trouble;
import orthopur.text.Text;

/**
 * A round pack out of its JSON, as far as the fold reads it. Words that are only shown stay with
 * the page.
 */
final class PackTree {
    private PackTree() {}

    static RoundPack read(Tree t) {
        return new RoundPack(
                "",
                0,
                "",
                null,
                t.text("machine"),
                "",
                0,
                "",
                List.of(),
                t.list("steps", PackTree::step),
                t.list("parts", p -> new Tally(p.text("part"), p.text("name"), p.count("count"))),
                t.list("instruments", PackTree::instrument),
                t.list("troubles", PackTree::trouble),
                t.list("rework", PackTree::rework),
                t.at("format") == null ? 0 : t.count("format"));
    }

    private static PackStep step(Tree t) {
        return new PackStep(
                t.text("id"),
                t.count("number"),
                "",
                t.text("verb"),
                Text.plain(""),
                "",
                null,
                null,
                0,
                t.list("off", PackTree::piece),
                t.list("on", PackTree::piece),
                timer(t.at("timer")),
                t.textOrNull("waitsFor"),
                reading(t.at("reading")),
                t.list("checks", PackTree::check),
                t.list("asks", PackTree::ask),
                t.flag("hands"),
                List.of(),
                List.of(),
                Map.of(),
                t.textOrNull("action"),
                mix(t.at("mix")));
    }

    private static @Nullable Mix mix(@Nullable Tree t) {
        return t == null
                ? null
                : new Mix(
                        t.text("product"),
                        t.number("litres"),
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null);
    }

    private static Piece piece(Tree t) {
        return new Piece(t.text("key"), t.said("name"), null);
    }

    private static @Nullable Timer timer(@Nullable Tree t) {
        return t == null ? null : new Timer(t.said("name"), t.whole("seconds"), t.flag("contact"));
    }

    private static @Nullable ReadingPlan reading(@Nullable Tree t) {
        return t == null
                ? null
                : new ReadingPlan(
                        t.text("chemical"),
                        t.list(
                                "bands",
                                b ->
                                        new ReadingBand(
                                                b.number("fromCelsius"),
                                                b.number("leastMgPerL"),
                                                b.number("mostMgPerL"))),
                        t.numberOrNull("stockMgPerL"),
                        t.numberOrNull("vesselLitres"),
                        Text.plain(""),
                        t.at("instruments") == null ? null : t.texts("instruments"));
    }

    private static CheckPlan check(Tree t) {
        return new CheckPlan(
                t.text("id"),
                t.said("name"),
                t.numberOrNull("least"),
                t.numberOrNull("most"),
                t.textOrNull("unit"),
                t.numberOrNull("tolerance"));
    }

    private static Ask ask(Tree t) {
        String item = t.textOrNull("item");
        Text name = t.at("name") == null ? Text.plain("") : t.said("name");
        return new Ask(
                t.text("id"),
                Ask.Kind.valueOf(t.text("kind")),
                item == null ? "" : item,
                name,
                null);
    }

    static Instrument instrument(Tree t) {
        return new Instrument(
                t.text("id"),
                t.text("name"),
                t.list("steps", Tree::asNumber),
                t.number("tolerance"),
                t.number("temperatureTolerance"),
                null,
                t.numberOrNull("perDrop"),
                t.numberOrNull("least"),
                t.numberOrNull("most"));
    }

    private static Trouble trouble(Tree t) {
        return new Trouble(
                Trouble.Kind.valueOf(t.text("kind")),
                Text.plain(""),
                List.of(),
                Trouble.About.valueOf(t.text("about")),
                t.texts("redo"));
    }

    private static ReworkPlan rework(Tree t) {
        return new ReworkPlan(
                t.text("item"),
                "",
                t.list(
                        "since",
                        s ->
                                new ReworkPlan.Since(
                                        s.count("place"), s.texts("steps"), s.texts("parts"))));
    }
}
