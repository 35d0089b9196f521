package orthopur.browser;

import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.teavm.jso.JSExport;
import org.teavm.jso.JSObject;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.chemical.Label;
import orthopur.chemical.Stock;
import orthopur.instrument.Instrument;
import orthopur.mixing.Band;
import orthopur.mixing.Interval;
import orthopur.quantity.Dosage;
import orthopur.quantity.Hardness;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Ph;
import orthopur.quantity.Share;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;
import orthopur.solution.Aged;
import orthopur.solution.ChangeBy;
import orthopur.solution.DoseCard;
import orthopur.solution.Job;
import orthopur.solution.Mended;
import orthopur.text.Text;

/** The mixing bench: what to pour, what a reading says, what to do about it. */
public final class MixingTable {
    private final List<Chemical> products;
    private final List<Instrument> instruments;
    private final @Nullable Hardness hardness;
    private final RuleBook book;

    MixingTable(Tree pack, RuleBook book) {
        this.book = book;
        products = pack.list("products", t -> product(t, book.duration("solution.life")));
        instruments = pack.list("instruments", PackTree::instrument);
        Double hard = pack.numberOrNull("hardness");
        hardness = hard == null ? null : new Hardness(hard);
    }

    private static Chemical product(Tree t, Duration usual) {
        Double stock = t.numberOrNull("stockMgPerL");
        Double seconds = t.numberOrNull("contactSeconds");
        return new Chemical(
                t.text("id"),
                t.text("name"),
                ChemicalKind.valueOf(t.text("kind")),
                null,
                stock == null ? null : new Stock(stock / 10_000, Stock.Basis.MASS_IN_VOLUME, null),
                new Label(
                        dosage(t, "least"),
                        dosage(t, "most"),
                        seconds == null ? null : Duration.ofMillis((long) (seconds * 1000)),
                        temperature(t.numberOrNull("leastCelsius")),
                        temperature(t.numberOrNull("highestCelsius")),
                        t.at("highestPh") == null ? null : new Ph(t.number("highestPh")),
                        t.at("hardestMgPerL") == null
                                ? null
                                : new Hardness(t.number("hardestMgPerL")),
                        false,
                        t.flag("rinseDirected"),
                        t.text("directions")),
                List.of(),
                List.of(),
                t.texts("ppe"),
                t.texts("neverWith"),
                0,
                0,
                null,
                life(t, usual),
                null);
    }

    /** What its label says; a pack that does not tell means it where it is not the usual. */
    private static @Nullable Duration life(Tree t, Duration usual) {
        Double minutes = t.numberOrNull("lifeMinutes");
        if (minutes == null) {
            return null;
        }
        Duration life = Duration.ofMillis((long) (minutes * 60_000));
        boolean told = t.at("lifeOfLabel") != null;
        return (told ? t.flag("lifeOfLabel") : !life.equals(usual)) ? life : null;
    }

    private static @Nullable Dosage dosage(Tree t, String name) {
        Double mg = t.numberOrNull(name + "MgPerL");
        Double percent = t.numberOrNull(name + "Percent");
        return mg != null ? Strength.ofMgPerL(mg) : percent != null ? new Share(percent) : null;
    }

    private static @Nullable Temperature temperature(@Nullable Double celsius) {
        return celsius == null ? null : new Temperature(celsius);
    }

    /**
     * @param asked {@code {product, litres, brim, celsius, ph?, rinseAfter, instrument?, hold,
     *     fade, stockMgPerL?, strokeMl?, wanted?, leastMgPerL?, mostMgPerL?}}
     * @return the card, or {@code {outside}} for a figure outside its domain
     */
    @JSExport
    public String mix(JSObject asked) {
        JsonText to = new JsonText().open();
        try {
            card(to, DoseCard.of(job(new Tree(asked)), book));
        } catch (OutOfRange x) {
            to.said("outside", x.said());
        }
        return to.close().toString();
    }

    private Job job(Tree t) {
        Chemical c =
                products.stream()
                        .filter(p -> p.id().equals(t.text("product")))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        new OutOfRange(
                                                "product",
                                                t.text("product"),
                                                Text.plain(
                                                        products.stream()
                                                                .map(Chemical::id)
                                                                .collect(
                                                                        Collectors.joining(
                                                                                ", ")))));
        Double ph = t.numberOrNull("ph");
        Double stock = t.numberOrNull("stockMgPerL");
        Double stroke = t.numberOrNull("strokeMl");
        Double wanted = t.numberOrNull("wanted");
        String by = t.textOrNull("instrument");
        return new Job(
                c,
                positive("volume", t.number("litres")),
                positive("brim", t.number("brim")),
                new Temperature(t.number("celsius")),
                ph == null ? null : new Ph(ph),
                hardness,
                t.flag("rinseAfter"),
                instruments.stream().filter(i -> i.id().equals(by)).findFirst().orElse(null),
                Math.max(0, t.number("hold")),
                Math.max(0, t.number("fade")),
                stock == null ? null : Strength.ofMgPerL(stock),
                stroke == null || !(stroke > 0) ? null : Volume.ofMillilitres(stroke),
                wanted == null || !(wanted > 0) ? null : Strength.ofMgPerL(wanted),
                beside(t.numberOrNull("leastMgPerL"), t.numberOrNull("mostMgPerL")));
    }

    private static @Nullable Band beside(@Nullable Double least, @Nullable Double most) {
        return least == null || most == null ? null : Band.besideFood(least, most);
    }

    private static Volume positive(String name, double litres) {
        if (!(litres > 0 && litres <= 100_000)) {
            throw new OutOfRange(
                    name, Show.number(litres) + " L", OutOfRange.above("0", "100,000 L"));
        }
        return Volume.ofLitres(litres);
    }

    private static void card(JsonText to, DoseCard c) {
        to.list("bands", c.bands(), b -> band(to, b))
                .number("low", c.low())
                .number("high", c.high())
                .number("target", c.target())
                .number("percent", c.percent())
                .number("water", c.water().litres())
                .number(
                        "concentrateMl",
                        c.concentrate() == null
                                ? null
                                : Double.valueOf(c.concentrate().millilitres()))
                .number("then", c.then())
                .number("strokes", c.strokes() == null ? null : Double.valueOf(c.strokes()))
                .number("strokesGive", c.strokesGive())
                .number(
                        "contactSeconds",
                        c.contact() == null
                                ? null
                                : Double.valueOf(c.contact().toMillis() / 1000.0))
                .list("problems", c.problems(), to::value);
        if (c.why() != null) {
            to.said("why", c.why());
        }
    }

    private static void band(JsonText to, Band b) {
        to.open()
                .number("from", b.from().celsius())
                .number("least", b.least().mgPerL())
                .number("most", b.most().mgPerL())
                .close();
    }

    /**
     * What a reading says, and what may be done about it.
     *
     * @param asked as for a card, with the litres that are left
     * @param seen on the instrument, in mg/L
     */
    @JSExport
    public String check(JSObject asked, double seen, double celsius) {
        JsonText to = new JsonText().open();
        try {
            Mended m = Mended.of(job(new Tree(asked)), seen, new Temperature(celsius), book);
            to.text("outcome", m.outcome().name())
                    .number("low", m.means().low())
                    .number("high", m.means().high())
                    .number("least", m.least())
                    .number("most", m.most())
                    .list("ways", m.ways(), w -> way(to, w));
        } catch (OutOfRange x) {
            to.said("outside", x.said());
        }
        return to.close().toString();
    }

    /**
     * Until when a solution may be used, and what ends it.
     *
     * @param asked as for a card, with {@code made} in epoch milliseconds, {@code mixed?} and
     *     {@code read}, each {@code {at, mgPerL, celsius?}}
     * @return {@code {at, why}}, or {@code {outside}} for a figure outside its domain
     */
    @JSExport
    public String changeBy(JSObject asked) {
        Tree t = new Tree(asked);
        JsonText to = new JsonText().open();
        try {
            Tree mixed = t.at("mixed");
            ChangeBy by =
                    ChangeBy.of(
                            job(t),
                            (long) t.number("made"),
                            mixed == null ? null : seen(mixed),
                            t.list("read", MixingTable::seen),
                            book);
            to.whole("at", by.at()).text("why", by.why().name().toLowerCase(Locale.ROOT));
        } catch (OutOfRange x) {
            to.said("outside", x.said());
        }
        return to.close().toString();
    }

    private static ChangeBy.Seen seen(Tree t) {
        return new ChangeBy.Seen(
                (long) t.number("at"), t.number("mgPerL"), t.numberOrNull("celsius"));
    }

    /**
     * What is left of a concentrate, in percent of its strength when it was delivered.
     *
     * @param product id
     * @param days since it was delivered
     * @param celsius at which it is kept
     */
    @JSExport
    public double stockLeft(String product, double days, double celsius) {
        return products.stream()
                .filter(p -> p.id().equals(product))
                .findFirst()
                .map(
                        p ->
                                100
                                        * Aged.left(
                                                p.kind(),
                                                Duration.ofMillis((long) (days * 86_400_000)),
                                                new Temperature(celsius),
                                                book))
                .orElse(100.0);
    }

    private static void way(JsonText to, Mended.Way w) {
        Interval after = w.after();
        to.open()
                .text("kind", w.kind().name())
                .number("litres", w.litres())
                .number("drained", w.drained())
                .number("celsius", w.celsius())
                .number("low", after == null ? null : Double.valueOf(after.low()))
                .number("high", after == null ? null : Double.valueOf(after.high()))
                .flag("sure", w.sure())
                .close();
    }
}
