package orthopur.calculation;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** All calculations by name. */
public final class Calculations {
    private static final List<Calculation> ALL =
            List.of(
                    new Dilute(),
                    new LabelRatio(),
                    new Correct(),
                    new Reading(),
                    new FreeChlorine(),
                    new Limit(),
                    new Fade(),
                    new Blend(),
                    new Cool(),
                    new RinseFills(),
                    new RinseFlush(),
                    new Line(),
                    new Caustic(),
                    new ChaseOut(),
                    new Heat(),
                    new HotWater(),
                    new CleanInterval(),
                    new LiftLimit(),
                    new Cost(),
                    new Trend(),
                    new StockDays(),
                    new SwabSample(),
                    new Aim(),
                    new Strokes(),
                    new PressureDrop(),
                    new SerialRinse(),
                    new Spray());

    private Calculations() {}

    public static List<Calculation> all() {
        return ALL;
    }

    public static Optional<Calculation> named(String name) {
        return ALL.stream().filter(c -> c.name().equals(name)).findFirst();
    }

    /**
     * Computes by name.
     *
     * @throws RefusedInput for an unknown name, key or value
     */
    public static CalcAnswer compute(String name, Map<String, String> values, RuleBook book) {
        Calculation c =
                named(name)
                        .orElseThrow(
                                () ->
                                        new RefusedInput(
                                                "name",
                                                Text.of(
                                                        "calc.calculations.there-is-no-calculation",
                                                        "There is no calculation \"{0}\".",
                                                        name),
                                                Text.plain(
                                                        String.join(
                                                                ", ",
                                                                ALL.stream()
                                                                        .map(Calculation::name)
                                                                        .toList()))));
        return c.compute(new CalcInputs(values, c.keys()), book);
    }
}
