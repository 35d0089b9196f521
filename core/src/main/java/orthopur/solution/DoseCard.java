package orthopur.solution;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.ChemicalKind;
import orthopur.instrument.Instrument;
import orthopur.mixing.Band;
import orthopur.mixing.Interval;
import orthopur.mixing.Measure;
import orthopur.mixing.SanitizerLimit;
import orthopur.mixing.Strip;
import orthopur.quantity.Share;
import orthopur.quantity.Strength;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/**
 * How a solution is made: water first, then so much of the concentrate.
 *
 * @param low,high ends of the working band in mg/L: what a reading may still show at the end, and
 *     at the beginning; null where there is none
 * @param target in mg/L; null where it is dosed by volume only, or nothing is permitted
 * @param percent strength in percent of the product, for one that is dosed by volume; else null
 * @param why the target is this one
 * @param water litres that go in first
 * @param concentrate of the product, as a pitcher can show it; null where nothing can be said
 * @param then what results, in mg/L; null for percent
 * @param strokes whole strokes of the pump that stay within the band; null where none do or there
 *     is no pump
 * @param strokesGive what those result in, in mg/L
 * @param contact how long a surface has to stay wet with it; null for what sanitizes nothing
 * @param problems what stands against it, in plain sentences; nothing is mixed while there is one
 */
public record DoseCard(
        List<Band> bands,
        @Nullable Double low,
        @Nullable Double high,
        @Nullable Double target,
        @Nullable Double percent,
        @Nullable Text why,
        Volume water,
        @Nullable Volume concentrate,
        @Nullable Double then,
        @Nullable Integer strokes,
        @Nullable Double strokesGive,
        @Nullable Duration contact,
        List<Text> problems) {

    /** For mixing that is never quite even. */
    private static final double MARGIN = 1.05;

    /** What nobody sees on a pitcher: 41 mL stand for 41.03. */
    private static final double UNSEEN = 0.004;

    /** The card of one job. */
    public static DoseCard of(Job job, RuleBook book) {
        return new Making(job, book).card();
    }

    /** One card while it is being worked out. */
    private static final class Making {
        private final Job job;
        private final RuleBook book;
        private final List<Text> problems = new ArrayList<>();
        private @Nullable Double low;
        private @Nullable Double high;
        private @Nullable Double target;
        private @Nullable Text why;

        Making(Job job, RuleBook book) {
            this.job = job;
            this.book = book;
        }

        DoseCard card() {
            if (job.litres().litres() > job.brim().litres()) {
                problems.add(
                        Text.of(
                                "mix.over-the-brim",
                                "{0} do not go into it: it holds {1} to the brim.",
                                job.litres().shown(),
                                job.brim().shown()));
            }
            tooHot();
            return job.chemical().kind().sanitizes() ? sanitizer() : byVolume();
        }

        private void tooHot() {
            var highest = job.chemical().label().highestTemperature();
            if (highest != null && job.at().compareTo(highest) > 0) {
                problems.add(
                        Text.of(
                                "mix.warmer-than-the-label",
                                "{0} is warmer than the label of {1} allows: at most {2}.",
                                job.at().shown(),
                                job.chemical().name(),
                                highest.shown()));
            } else if (job.chemical().kind().sanitizes()
                    && job.at().compareTo(book.temperature("touch.limit")) > 0) {
                String most = book.temperature("touch.limit").shown();
                problems.add(
                        job.chemical().kind().fumesWhenHot()
                                ? Text.of(
                                        "mix.hotter-than-hands",
                                        "{0} scalds, and {1} gives off fumes: mix it at {2} or below.",
                                        job.at().shown(),
                                        job.chemical().name(),
                                        most)
                                : Text.of(
                                        "mix.scalds",
                                        "{0} scalds, and hands go into {1}: mix it at {2} or below.",
                                        job.at().shown(),
                                        job.chemical().name(),
                                        most));
            }
        }

        private DoseCard sanitizer() {
            List<Band> bands = job.bands(book);
            SanitizerLimit limit = new SanitizerLimit(book);
            Text refusal = job.beside() == null ? limit.judge(job.use(job.at())).refusal() : null;
            Band band = Job.band(bands, job.coldest());
            if (refusal != null) {
                problems.add(Text.of("mix.not-permitted", "Not like this: {0}.", refusal));
            } else if (bands.isEmpty()) {
                problems.add(
                        Text.of(
                                "mix.label-gives-no-strength",
                                "The label of {0} gives no strength; ask its supplier.",
                                job.chemical().name()));
            } else if (band == null) {
                problems.add(
                        Text.of(
                                "mix.too-cold",
                                "Too cold: at {0} no strength is enough. Use water of at least {1}, as your thermometer shows it.",
                                job.at().shown(),
                                coldestOf(bands)));
            } else {
                aim(band);
            }
            Strength stock = job.concentrate();
            if (stock == null) {
                problems.add(
                        Text.of(
                                "mix.no-stock",
                                "The strength of the concentrate of {0} is not known; enter it on its sheet.",
                                job.chemical().name()));
            }
            if (target == null || stock == null) {
                return card(bands, null, null, null, null, limit);
            }
            if (stock.mgPerL() <= target) {
                problems.add(
                        Text.of(
                                "mix.stock-too-weak",
                                "The concentrate of {0} is not stronger than the {1} mg/L that are wanted.",
                                stock.shown(),
                                number(target)));
                return card(bands, null, null, null, null, limit);
            }
            double exact = job.litres().litres() * target / stock.mgPerL();
            Volume pitcher = Measure.up(Volume.ofLitres(exact * (1 - UNSEEN)));
            double then = pitcher.litres() * stock.mgPerL() / job.litres().litres();
            if (low == null || then < low) {
                pitcher = Measure.up(Volume.ofLitres(exact));
                then = pitcher.litres() * stock.mgPerL() / job.litres().litres();
            }
            if (high != null && then > high) {
                problems.add(
                        Text.of(
                                "mix.too-little-to-measure",
                                "{0} of {1} can't be measured finely enough for {2}: make more, or dilute in two steps.",
                                Volume.ofLitres(exact).shown(),
                                job.chemical().name(),
                                job.litres().shown()));
            }
            Integer strokes = strokes(stock);
            Double give =
                    strokes == null || job.stroke() == null
                            ? null
                            : Double.valueOf(
                                    strokes
                                            * job.stroke().litres()
                                            * stock.mgPerL()
                                            / job.litres().litres());
            return card(bands, pitcher, then, strokes, give, limit);
        }

        private static String coldestOf(List<Band> bands) {
            return bands.getFirst().from().shown();
        }

        /** The lowest strength that can be read as enough until it is used up. */
        private void aim(Band band) {
            Instrument i = job.instrument();
            double lasting = Math.exp(job.fade() * job.hold());
            double off = i == null ? 0 : i.perDrop() != null ? i.perDrop() : i.tolerance();
            double least = (band.least().mgPerL() + off) * lasting;
            double most = band.most().mgPerL() - (i != null && i.perDrop() != null ? 0 : off);
            low = least;
            high = most;
            if (i != null && !i.steps().isEmpty()) {
                block(i, band, lasting);
            } else if (least > most) {
                problems.add(
                        Text.of(
                                "mix.cannot-decide",
                                "{0} can't tell in from out here: between {1} and {2} mg/L nothing is left of its ± {3}. Use a finer one, or a shorter time.",
                                i == null ? job.chemical().name() : i.name(),
                                number(band.least().mgPerL()),
                                number(band.most().mgPerL()),
                                number(off)));
                return;
            } else {
                double aim = Math.min(least * MARGIN, (least + most) / 2);
                target = round(aim, least, most);
                why =
                        job.hold() == 0
                                ? Text.of(
                                        "mix.lowest-that-reads",
                                        "The lowest that reads as enough for sure: from {0} to {1} mg/L a reading decides.",
                                        number(least),
                                        number(most))
                                : Text.of(
                                        "mix.lowest-that-lasts",
                                        "The lowest that still reads as enough after {0} h: from {1} to {2} mg/L a reading decides.",
                                        number(job.hold()),
                                        number(least),
                                        number(most));
            }
            Strength wanted = job.wanted();
            if (wanted != null) {
                target = wanted.mgPerL();
                boolean inside = low != null && high != null && target >= low && target <= high;
                why = Text.of("mix.as-asked-for", "As it was asked for.");
                if (!inside) {
                    boolean permitted =
                            target >= band.least().mgPerL() && target <= band.most().mgPerL();
                    why =
                            Text.of(
                                    "mix.outside-the-working-band",
                                    "Outside the working band of {0} to {1} mg/L: a reading may not decide, or it fades too soon.",
                                    number(low == null ? 0 : low),
                                    number(high == null ? 0 : high));
                    if (!permitted) {
                        problems.add(
                                Text.of(
                                        "mix.not-enough-or-too-much",
                                        "{0} is not within {1} to {2} at {3}.",
                                        wanted.shown(),
                                        band.least().shown(),
                                        band.most().shown(),
                                        job.at().shown()));
                    }
                }
            }
        }

        /** A strip decides on its blocks: the lowest of which every strength it may mean is in. */
        private void block(Instrument strip, Band band, double lasting) {
            low = null;
            high = null;
            for (double mark : strip.steps()) {
                Interval means = Strip.means(strip.steps(), mark);
                boolean inside =
                        means.low() >= band.least().mgPerL() * lasting
                                && means.high() <= band.most().mgPerL();
                if (inside && low == null) {
                    low = means.low();
                    high = means.high();
                    target = mark;
                    why =
                            Text.of(
                                    "mix.on-a-block",
                                    "On the {0} block of {1}: it means {2} to {3} mg/L, and all of that is in range.",
                                    number(mark),
                                    strip.name(),
                                    number(means.low()),
                                    number(means.high()));
                }
            }
            if (low != null) {
                return;
            }
            // Between two blocks a strip tells as much, if both are inside.
            for (int k = 1; k < strip.steps().size(); k++) {
                double a = strip.steps().get(k - 1);
                double b = strip.steps().get(k);
                if (a >= band.least().mgPerL() * lasting && b <= band.most().mgPerL()) {
                    low = a;
                    high = b;
                    target = (a + b) / 2;
                    why =
                            Text.of(
                                    "mix.between-two-blocks",
                                    "Between the {0} and the {1} block of {2}: both are in range.",
                                    number(a),
                                    number(b),
                                    strip.name());
                    return;
                }
            }
            problems.add(
                    Text.of(
                            "mix.strip-cannot-decide",
                            "{0} has no block that lies within {1} to {2} mg/L as a whole. Use a probe or a titration kit.",
                            strip.name(),
                            number(band.least().mgPerL()),
                            number(band.most().mgPerL())));
        }

        /** To what a person can keep in mind, towards the inside. */
        private static double round(double aim, double least, double most) {
            double step = aim >= 50 ? 5 : aim >= 10 ? 1 : 0.5;
            double up = Math.ceil(aim / step - 1e-9) * step;
            return up <= most ? up : (least + most) / 2;
        }

        private @Nullable Integer strokes(Strength stock) {
            if (job.stroke() == null || low == null || high == null || target == null) {
                return null;
            }
            double each = job.stroke().litres() * stock.mgPerL() / job.litres().litres();
            long n = Math.max(1, (long) Math.ceil(low / each - 1e-9));
            return n * each <= high + 1e-9 ? (int) n : null;
        }

        /** Detergents, acids, caustic: percent of the product, by the label. */
        private DoseCard byVolume() {
            var label = job.chemical().label();
            double percent =
                    label.least() instanceof Share s
                            ? Math.max(s.percent(), 1)
                            : label.most() instanceof Share m ? m.percent() : 1;
            if (label.most() instanceof Share m) {
                percent = Math.min(percent, m.percent());
            }
            if (job.wanted() != null) {
                // Percent are asked for in mg/L of product: 1 % is 10,000.
                percent = job.wanted().mgPerL() / 10_000;
            }
            boolean inside =
                    (!(label.least() instanceof Share a) || percent >= a.percent() - 1e-9)
                            && (!(label.most() instanceof Share b)
                                    || percent <= b.percent() + 1e-9);
            if (!inside) {
                problems.add(
                        Text.of(
                                "mix.not-as-the-label",
                                "{0} % is not what the label of {1} says: {2}",
                                number(percent),
                                job.chemical().name(),
                                label.directions()));
            }
            double litres = job.litres().litres() * percent / 100;
            Volume pitcher = Measure.up(Volume.ofLitres(litres));
            return new DoseCard(
                    List.of(),
                    null,
                    null,
                    null,
                    percent,
                    Text.of("mix.by-the-label", "By the label: {0}", label.directions()),
                    Volume.ofLitres(Math.max(0, job.litres().litres() - pitcher.litres())),
                    pitcher,
                    null,
                    null,
                    null,
                    label.contact(),
                    List.copyOf(problems));
        }

        private DoseCard card(
                List<Band> bands,
                @Nullable Volume pitcher,
                @Nullable Double then,
                @Nullable Integer strokes,
                @Nullable Double give,
                SanitizerLimit limit) {
            double water = job.litres().litres() - (pitcher == null ? 0 : pitcher.litres());
            return new DoseCard(
                    bands,
                    low,
                    high,
                    target,
                    null,
                    why,
                    Volume.ofLitres(Math.max(0, water)),
                    pitcher,
                    then,
                    strokes,
                    give,
                    // How long a floor stays wet its own step says; a foot bath wets soles.
                    job.beside() != null
                            ? null
                            : limit.contact(
                                    new SanitizerLimit.Use(
                                            job.chemical().kind(),
                                            job.chemical().label(),
                                            target == null ? null : Strength.ofMgPerL(target),
                                            job.at(),
                                            job.ph(),
                                            job.hardness(),
                                            job.rinseAfter())),
                    List.copyOf(problems));
        }

        private static String number(double x) {
            return orthopur.quantity.Show.number(x);
        }
    }

    /**
     * Whether the concentrate goes into the water and never the other way: it boils up or splashes.
     */
    public static boolean intoWater(ChemicalKind kind) {
        return kind == ChemicalKind.CAUSTIC || kind == ChemicalKind.ACID;
    }
}
