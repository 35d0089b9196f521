package orthopur.calculation;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import orthopur.mixing.Interval;
import orthopur.mixing.Strip;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.quantity.UnitText;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** What a reading can mean with the method it was taken by, and whether all of that is in range. */
final class Reading implements Calculation {
    private static final Text METHODS =
            Text.of(
                    "calc.reading.strip-or-drops-mg-l-or",
                    "strip:0,25,50,100,200 or drops:10mg/L or probe:±3mg/L");

    @Override
    public String name() {
        return "reading";
    }

    @Override
    public List<String> keys() {
        return List.of("value", "method", "range");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        double value = in.read("value", UnitText::strength).mgPerL();
        String method = in.text("method").replace(" ", "");
        int colon = method.indexOf(':');
        String kind = colon < 0 ? method : method.substring(0, colon).toLowerCase(Locale.ROOT);
        String detail = colon < 0 ? "" : method.substring(colon + 1);
        Interval i =
                switch (kind) {
                    case "strip" -> strip(value, detail);
                    case "drops" -> {
                        double drop = detail(detail, "a drop");
                        yield new Interval(Math.max(0, value - drop), value);
                    }
                    case "probe" -> Interval.around(value, detail(detail.replace("±", ""), "±"));
                    default ->
                            throw refused(
                                    Text.of(
                                            "calc.reading.no-method",
                                            "\"{0}\" is no method.",
                                            kind));
                };
        double[] range = range(in.text("range"));
        String verdict =
                i.low() >= range[0] && i.high() <= range[1]
                        ? "in"
                        : i.high() < range[0] || i.low() > range[1] ? "out" : "cannot-tell";
        Worked w = new Worked(this, in).result(i.low(), "mg/L").verdict(verdict);
        boolean open = Double.isInfinite(i.high());
        if (open) {
            w.also(
                    "high",
                    Text.of(
                            "calc.reading.no-upper-end",
                            "no upper end: the last color of a strip means this much or more"));
        } else {
            w.also("high", i.high(), "mg/L");
        }
        if (verdict.equals("cannot-tell")) {
            w.also(
                    "change",
                    Text.of("calc.reading.too-close", "too close to call – use a finer test"));
        }
        String high = open ? "more" : Show.number(i.high());
        return w.assume(
                        Text.of(
                                "calc.reading.a-strip-means-anything-up-to",
                                "A strip means anything up to half-way to the next color; drops end within one."))
                .formula(
                        Text.of(
                                "calc.reading.formula",
                                "{0} mg/L by {1} means {2} to {3} mg/L; range {4} to {5} mg/L",
                                value,
                                kind,
                                i.low(),
                                high,
                                range[0],
                                range[1]));
    }

    private static Interval strip(double value, String detail) {
        List<Double> steps = new ArrayList<>();
        for (String s : detail.split(",")) {
            steps.add(number(s));
        }
        for (int k = 1; k < steps.size(); k++) {
            if (steps.get(k) <= steps.get(k - 1)) {
                throw refused(
                        Text.of(
                                "calc.reading.rise",
                                "The colors of a strip rise from one to the next."));
            }
        }
        if (steps.size() < 2) {
            throw refused(Text.of("calc.reading.two-colors", "A strip has at least two colors."));
        }
        try {
            return Strip.means(steps, value);
        } catch (OutOfRange e) {
            throw new RefusedInput(
                    "value",
                    Text.of(
                            "calc.reading.the-strip-shows-is-not-on",
                            "The strip shows {0}; {1} is not on it.",
                            detail,
                            Show.number(value)),
                    Text.of(
                            "calc.reading.to-mg-l",
                            "{0} to {1} mg/L",
                            Show.number(steps.getFirst()),
                            Show.number(steps.getLast())));
        }
    }

    private static double[] range(String text) {
        String[] ends = text.replace("–", "-").split("\\.\\.|-", 2);
        try {
            if (ends.length == 2) {
                UnitText.Parsed high = UnitText.split("range", ends[1]);
                UnitText.Parsed low = UnitText.split("range", ends[0]);
                String unit = low.unit().isEmpty() ? high.unit() : low.unit();
                Strength from = UnitText.strength(low.value(), unit);
                Strength to = UnitText.strength(high.value(), high.unit());
                if (from.compareTo(to) <= 0) {
                    return new double[] {from.mgPerL(), to.mgPerL()};
                }
            }
        } catch (OutOfRange e) {
            throw badRange(text);
        }
        throw badRange(text);
    }

    private static RefusedInput badRange(String text) {
        return new RefusedInput(
                "range",
                Text.of("calc.reading.is-not-a-range", "\"{0}\" is not a range.", text),
                Text.of(
                        "calc.reading.low-high-with-unit-mg-l",
                        "low..high with unit: 100..200mg/L"));
    }

    private static double detail(String text, String what) {
        try {
            UnitText.Parsed p = UnitText.split("method", text);
            double v = UnitText.strength(p.value(), p.unit()).mgPerL();
            if (v > 0) {
                return v;
            }
        } catch (OutOfRange e) {
            throw refused(e.said());
        }
        throw refused(
                Text.of("calc.reading.measures-nothing", "{0} of 0 mg/L measures nothing.", what));
    }

    private static double number(String text) {
        try {
            UnitText.Parsed p = UnitText.split("method", text);
            if (p.value() >= 0 && (p.unit().isEmpty() || p.unit().equalsIgnoreCase("mg/L"))) {
                return p.value();
            }
        } catch (OutOfRange e) {
            throw refused(e.said());
        }
        throw refused(Text.of("calc.reading.no-color", "\"{0}\" is not a color in mg/L.", text));
    }

    private static RefusedInput refused(Text why) {
        return new RefusedInput(
                "method",
                Text.of("calc.reading.the-input-method", "The input method: {0}", why),
                METHODS);
    }
}
