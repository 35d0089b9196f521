package orthopur.calculation;

import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orthopur.mixing.Measure;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.quantity.UnitText;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** Concentrate for a volume of water by the ratio on the label: V ÷ n, or V ÷ (n − 1). */
final class LabelRatio implements Calculation {
    private static final Pattern PARTS =
            Pattern.compile("\\s*([0-9.,]+)\\s*:\\s*([0-9.,eE+]+)\\s*");
    private static final double MOST = 100_000;
    private static final Text ALLOWED =
            Text.of(
                    "calc.label-ratio.to-or-an-amount-per-an",
                    "1:1 to 1:100,000, or an amount per an amount as in \"2 fl oz per 5 gal\"");

    @Override
    public String name() {
        return "label-ratio";
    }

    @Override
    public List<String> keys() {
        return List.of("volume", "ratio", "reading?");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        Volume water = in.positive("volume");
        boolean total =
                in.has("reading")
                        && in.choice("reading", "parts-of-water", "parts-of-total")
                                .equals("parts-of-total");
        double n = ratio(in.text("ratio"));
        if (total && n <= 1) {
            throw refused(
                    Text.of(
                            "calc.label-ratio.no-water",
                            "One part in {0} leaves no water at all.",
                            Show.number(n)));
        }
        double parts = total ? n - 1 : n;
        double litres = water.litres() / parts;
        Volume jug = Measure.up(Volume.ofLitres(litres));
        return new Worked(this, in)
                .result(litres * 1000, "mL")
                .also("measure", jug.millilitres(), "mL")
                .also("ratio", Text.plain("1:" + Show.number(n)))
                .also(
                        "ratioThen",
                        Text.plain(
                                "1:"
                                        + Show.number(
                                                water.litres() / jug.litres() + (total ? 1 : 0))))
                .assume(
                        total
                                ? Text.of(
                                        "calc.label-ratio.of-solution",
                                        "1:n is read as one part in n parts of solution.")
                                : Text.of(
                                        "calc.label-ratio.of-water",
                                        "1:n is read as one part of concentrate to n parts of water."))
                .assume(
                        Text.of(
                                "calc.label-ratio.a-volume-is-meant-by-fl",
                                "A volume is meant by fl oz and gal (US). The label comes first."))
                .formula(
                        Text.figures("{0} L ÷ {1} = {2} mL", water.litres(), parts, litres * 1000));
    }

    /** Parts of water to one of concentrate. */
    private static double ratio(String text) {
        double a;
        double b;
        Matcher parts = PARTS.matcher(text);
        String lower = text.toLowerCase(Locale.ROOT);
        try {
            if (parts.matches()) {
                a = UnitText.split("ratio", parts.group(1)).value();
                b = UnitText.split("ratio", parts.group(2)).value();
            } else if (lower.contains(" per ")) {
                int at = lower.indexOf(" per ");
                a = volume(text.substring(0, at));
                b = volume(text.substring(at + 5));
            } else {
                throw refused(
                        Text.of("calc.label-ratio.no-ratio", "\"{0}\" is not a ratio.", text));
            }
        } catch (OutOfRange e) {
            throw refused(e.said());
        }
        if (!(a > 0) || !(b > 0) || b / a < 1 || b / a > MOST) {
            throw refused(
                    Text.of(
                            "calc.label-ratio.not-mixed",
                            "\"{0}\" is not a ratio that can be mixed.",
                            text));
        }
        return b / a;
    }

    private static double volume(String text) {
        UnitText.Parsed p = UnitText.split("ratio", text);
        return UnitText.volume(p.value(), p.unit()).litres();
    }

    private static RefusedInput refused(Text why) {
        return new RefusedInput(
                "ratio",
                Text.of("calc.label-ratio.the-input-ratio", "The input ratio: {0}", why),
                ALLOWED);
    }
}
