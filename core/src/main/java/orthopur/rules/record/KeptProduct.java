package orthopur.rules.record;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import orthopur.procedure.Action;
import orthopur.quantity.Temperature;
import orthopur.rules.BookRule;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/** F5: product that is kept over the clean has a clean, covered, cold place. */
public final class KeptProduct extends BookRule {
    private static final Text WHY =
            Text.of(
                    "kept-product.why",
                    "Product that stands open or warm while the machine is cleaned is no longer safe.");
    // Procedures of before these were fields say it in the sentence.
    private static final Pattern COVERED = Pattern.compile("lid|cover|closed");
    private static final Pattern LABELED = Pattern.compile("label|date|marked");
    private static final Pattern COLD = Pattern.compile("cold|°c|°f|refriger|chill");

    public KeptProduct() {
        super(
                RuleId.F5,
                Severity.FIX,
                "Product that is kept goes into a clean covered container in the cold",
                "Food Code 2022, 3-501.16 and 3-501.17");
    }

    @Override
    public void look(Moment m, Findings out) {
        if (!(m.action() instanceof Action.KeepProduct a)) {
            return;
        }
        washedBefore(m, out);
        Temperature warmest = m.context().book().temperature("kept.warmest");
        if (a.cold() != null
                && m.sheet().sheet().temperatureControlledFood()
                && a.cold().compareTo(warmest) > 0) {
            out.report(info)
                    .severity(Severity.STOP)
                    .number("stated", a.cold().celsius(), "°C")
                    .number("most", warmest.celsius(), "°C")
                    .says(
                            Text.of(
                                    "kept-product.keeps-product-at-at-most",
                                    "Step {0} keeps product at {1}; at most {2}.",
                                    m.number(),
                                    a.cold().shown(),
                                    warmest.shown()),
                            WHY);
        }
        String words = (m.step().words() + " " + a.destination()).toLowerCase(Locale.ROOT);
        List<Text> missing = new ArrayList<>();
        if (a.destination() == null || a.destination().isBlank()) {
            missing.add(Text.of("kept-product.where", "where"));
        }
        if (a.container() == null && !COVERED.matcher(words).find()) {
            missing.add(Text.of("kept-product.container", "in which clean covered container"));
        }
        if (!a.labeled() && !LABELED.matcher(words).find()) {
            missing.add(Text.of("kept-product.label", "with which label"));
        }
        if (a.cold() == null
                && m.sheet().sheet().temperatureControlledFood()
                && !COLD.matcher(words).find()) {
            missing.add(Text.of("kept-product.how-cold", "how cold"));
        }
        if (!missing.isEmpty()) {
            out.report(info)
                    .says(
                            Text.of(
                                    "kept-product.keeps-product-and-does-not",
                                    "Step {0} keeps product and does not say {1}.",
                                    m.number(),
                                    missing),
                            WHY);
        }
    }

    /** What is kept leaves the machine before water gets to where it lies. */
    private void washedBefore(Moment m, Findings out) {
        int washed = Facts.NEVER;
        for (SurfaceAt s : m.sheet().allSurfaces()) {
            if (m.sheet().surface(s).zone() == 1) {
                Facts f = m.night().facts(s);
                washed = Math.max(washed, Math.max(f.washed(), f.rinsed()));
            }
        }
        if (washed != Facts.NEVER) {
            out.report(info)
                    .says(
                            Text.of(
                                    "kept-product.keeps-after-the-wash",
                                    "Step {0} keeps product, and step {1} has washed or rinsed where it lies.",
                                    m.number(),
                                    washed + 1),
                            Text.of(
                                    "kept-product.nothing-is-left-to-keep",
                                    "Nothing is left that may be kept: it was drained, or water or cleaner got into it."));
        }
    }
}
