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

/** What a reading can mean with the method it was taken by, and whether all of that is in range. */
final class Reading implements Calculation {
    private static final String METHODS = "strip:0,25,50,100,200 or drops:10mg/L or probe:±3mg/L";

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
                    default -> throw refused("\"" + kind + "\" is no method.");
                };
        double[] range = range(in.text("range"));
        String verdict =
                i.low() >= range[0] && i.high() <= range[1]
                        ? "in"
                        : i.high() < range[0] || i.low() > range[1] ? "out" : "cannot-tell";
        Worked w = new Worked(this, in).result(i.low(), "mg/L").verdict(verdict);
        boolean open = Double.isInfinite(i.high());
        if (open) {
            w.also("high", "no upper end: the last color of a strip means this much or more");
        } else {
            w.also("high", i.high(), "mg/L");
        }
        if (verdict.equals("cannot-tell")) {
            w.also("change", "too close to call – use a finer test");
        }
        String high = open ? "more" : Show.number(i.high());
        return w.assume(
                        "A strip means anything up to half-way to the next color; drops end within one.")
                .formula(
                        "%s mg/L by %s means %s to %s mg/L; range %s to %s mg/L",
                        value, kind, i.low(), high, range[0], range[1]);
    }

    private static Interval strip(double value, String detail) {
        List<Double> steps = new ArrayList<>();
        for (String s : detail.split(",")) {
            steps.add(number(s));
        }
        for (int k = 1; k < steps.size(); k++) {
            if (steps.get(k) <= steps.get(k - 1)) {
                throw refused("The colours of a strip rise from one to the next.");
            }
        }
        if (steps.size() < 2) {
            throw refused("A strip has at least two colours.");
        }
        try {
            return Strip.means(steps, value);
        } catch (OutOfRange e) {
            throw new RefusedInput(
                    "value",
                    "The strip shows " + detail + "; " + Show.number(value) + " is not on it.",
                    Show.number(steps.getFirst())
                            + " to "
                            + Show.number(steps.getLast())
                            + " mg/L");
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
                "range", "\"" + text + "\" is not a range.", "low..high with unit: 100..200mg/L");
    }

    private static double detail(String text, String what) {
        try {
            UnitText.Parsed p = UnitText.split("method", text);
            double v = UnitText.strength(p.value(), p.unit()).mgPerL();
            if (v > 0) {
                return v;
            }
        } catch (OutOfRange e) {
            throw refused(String.valueOf(e.getMessage()));
        }
        throw refused(what + " of 0 mg/L measures nothing.");
    }

    private static double number(String text) {
        try {
            UnitText.Parsed p = UnitText.split("method", text);
            if (p.value() >= 0 && (p.unit().isEmpty() || p.unit().equalsIgnoreCase("mg/L"))) {
                return p.value();
            }
        } catch (OutOfRange e) {
            throw refused(String.valueOf(e.getMessage()));
        }
        throw refused("\"" + text + "\" is not a color in mg/L.");
    }

    private static RefusedInput refused(String why) {
        return new RefusedInput("method", "The input method: " + why, METHODS);
    }
}
