package orthopur.calculation;

import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import orthopur.calculation.CalcAnswer.Amount;
import orthopur.chemical.ChemicalKind;
import orthopur.chemical.Label;
import orthopur.mixing.SanitizerLimit;
import orthopur.quantity.Hardness;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Ph;
import orthopur.quantity.Show;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.quantity.UnitText;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** Whether a sanitizer is strong and warm enough, and what to change where it is not. */
final class Limit implements Calculation {
    @Override
    public String name() {
        return "limit";
    }

    @Override
    public List<String> keys() {
        return List.of(
                "kind", "strength?", "temp", "pH?", "hardness?", "contact?", "rinse?", "school?");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        String kind = in.choice("kind", "chlorine", "iodine", "quat", "paa", "hot-water");
        Temperature temp = in.read("temp", UnitText::temperature);
        Duration contact = in.readIfGiven("contact", UnitText::duration);
        if (in.has("school")) {
            in.choice("school", "no-rinse", "rinse");
        }
        if (kind.equals("hot-water")) {
            return hotWater(in, book, temp, contact);
        }
        if (!in.has("strength")) {
            throw new RefusedInput(
                    "strength",
                    Text.of(
                            "calc.limit.the-input-strength-is-missing",
                            "The input strength is missing."),
                    OutOfRange.range("0", "1,000,000 mg/L"));
        }
        Strength strength = in.read("strength", UnitText::strength);
        Ph ph = in.has("pH") ? new Ph(in.number("pH", "", 0, 14)) : null;
        Hardness hardness = in.readIfGiven("hardness", Limit::hardness);
        boolean rinse = in.has("rinse") && in.choice("rinse", "yes", "no").equals("yes");
        SanitizerLimit.Use use =
                new SanitizerLimit.Use(
                        ChemicalKind.valueOf(kind.toUpperCase(java.util.Locale.ROOT)),
                        Label.silent(),
                        strength,
                        temp,
                        ph,
                        hardness,
                        rinse);
        return answer(in, new SanitizerLimit(book).judge(use), use, contact, book);
    }

    private CalcAnswer answer(
            CalcInputs in,
            SanitizerLimit.Answer a,
            SanitizerLimit.Use use,
            @Nullable Duration contact,
            RuleBook book) {
        Map<String, Object> also = new LinkedHashMap<>();
        also.put("row", a.row());
        put(also, "leastTemperature", a.leastTemperature());
        if (a.ceiling() != null) {
            also.put("ceiling", new Amount(a.ceiling().mgPerL(), "mg/L"));
        }
        also.put("contact", new Amount(a.contact().getSeconds(), "s"));
        also.put("change", changes(a, use, book));
        if (!a.missing().isEmpty()) {
            also.put("missing", a.missing());
        }
        boolean tooShort = contact != null && contact.compareTo(a.contact()) < 0;
        String verdict =
                switch (a.verdict()) {
                    case ENOUGH -> tooShort ? "out" : "in";
                    case NOT_ENOUGH, TOO_STRONG -> "out";
                    case UNDECIDED -> tooShort ? "out" : "cannot-tell";
                };
        Text least =
                a.least() == null
                        ? Text.of("calc.limit.no-strength", "no permitted strength")
                        : Text.of("calc.limit.at-least", "at least {0}", a.least().shown());
        List<String> at = new ArrayList<>();
        Stream.of(
                        use.strength() == null ? "" : use.strength().shown(),
                        use.temperature() == null ? "" : use.temperature().shown(),
                        use.ph() == null ? "" : use.ph().shown())
                .filter(x -> !x.isEmpty())
                .forEach(at::add);
        return new CalcAnswer(
                name(),
                in.asGiven(),
                a.least() == null ? null : new Amount(a.least().mgPerL(), "mg/L"),
                also,
                verdict,
                Text.of(
                        "calc.limit.formula",
                        "{0}: {1} ({2})",
                        String.join(", ", at),
                        least,
                        a.source()),
                List.of(
                        Text.of(
                                "calc.limit.label-first",
                                "The label of the chemical and local code come first; this is the code alone."),
                        Text.of(
                                "calc.limit.inclusive",
                                "Boundaries are inclusive: at least 24 °C means that 24.0 °C passes.")));
    }

    private static List<Text> changes(
            SanitizerLimit.Answer a, SanitizerLimit.Use use, RuleBook book) {
        List<Text> changes = new ArrayList<>();
        if (a.refusal() != null) {
            changes.add(a.refusal());
        }
        if (a.verdict() == SanitizerLimit.Verdict.TOO_STRONG && a.ceiling() != null) {
            changes.add(Text.of("calc.limit.weaken", "weaken to at most {0}", a.ceiling().shown()));
        }
        if (a.verdict() == SanitizerLimit.Verdict.NOT_ENOUGH) {
            if (a.leastTemperature() != null) {
                changes.add(
                        Text.of(
                                "calc.limit.warm",
                                "warm to at least {0}",
                                a.leastTemperature().shown()));
            }
            if (a.leastTemperatureAtLowPh() != null) {
                changes.add(
                        Text.of(
                                "calc.limit.lower-ph",
                                "lower the pH to at most {0}, then at least {1}",
                                Show.number(book.number("chlorine.ph.narrow")),
                                a.leastTemperatureAtLowPh().shown()));
            }
            if (a.least() != null) {
                changes.add(
                        Text.of(
                                "calc.limit.raise",
                                "raise the strength to at least {0}",
                                a.least().shown()));
            }
        }
        return changes;
    }

    private CalcAnswer hotWater(
            CalcInputs in, RuleBook book, Temperature temp, @Nullable Duration contact) {
        Temperature least = book.temperature("hot-water.hand.least-temperature");
        Duration time = book.duration("hot-water.hand.contact");
        String verdict = "in";
        if (!temp.atLeast(least) || (contact != null && contact.compareTo(time) < 0)) {
            verdict = "out";
        } else if (contact == null) {
            verdict = "cannot-tell";
        }
        Map<String, Object> also = new LinkedHashMap<>();
        also.put("contact", new Amount(time.getSeconds(), "s"));
        return new CalcAnswer(
                name(),
                in.asGiven(),
                new Amount(least.celsius(), "°C"),
                also,
                verdict,
                Text.of(
                        "calc.limit.hot-water",
                        "{0} for hot water by hand: at least {1} for {2}",
                        temp.shown(),
                        least.shown(),
                        Show.duration(time)),
                List.of(
                        Text.of(
                                "calc.limit.machines",
                                "By hand in a sink; a machine's final rinse has limits of its own.")));
    }

    private static void put(Map<String, Object> also, String key, @Nullable Temperature t) {
        if (t != null) {
            also.put(key, new Amount(t.celsius(), "°C"));
        }
    }

    private static Hardness hardness(double value, String unit) {
        if (!unit.isEmpty() && !unit.equalsIgnoreCase("mg/L") && !unit.equalsIgnoreCase("ppm")) {
            throw new OutOfRange(
                    "hardness", value + " " + unit, OutOfRange.range("0", "5,000 mg/L"));
        }
        return new Hardness(value);
    }
}
