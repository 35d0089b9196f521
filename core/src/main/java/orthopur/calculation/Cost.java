package orthopur.calculation;

import java.util.List;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.UnitText;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** What a round costs in material and work. */
final class Cost implements Calculation {
    private static final Text ALLOWED =
            Text.of(
                    "calc.cost.l-l-ml-l-amount-at",
                    "0.35L@4.20/L,120mL@9/L: amount at price per L or kg");

    @Override
    public String name() {
        return "cost";
    }

    @Override
    public List<String> keys() {
        return List.of("amounts", "minutes", "rate");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        double material = 0;
        for (String[] pair : in.pairs("amounts", "@", ALLOWED)) {
            material += price(pair[0], pair[1]);
        }
        double minutes = in.number("minutes", "min", 0, 100_000);
        double rate = in.number("rate", "/h", 0, 100_000);
        double work = minutes / 60 * rate;
        return new Worked(this, in)
                .result(material + work, "money")
                .also("material", material, "money")
                .also("work", work, "money")
                .also("year", (material + work) * 365, "money")
                .assume(
                        Text.of(
                                "calc.cost.the-year-is-one-round-every",
                                "The year is one round every day. Water, energy and waste are not in it."))
                .formula(
                        Text.figures(
                                "{0} + {1} min × {2}/h = {3}",
                                material, minutes, rate, material + work));
    }

    private static double price(String amount, String price) {
        try {
            UnitText.Parsed a = UnitText.split("amounts", amount);
            UnitText.Parsed p = UnitText.split("amounts", price.replace("/", " "));
            boolean mass = p.unit().equalsIgnoreCase("kg") || p.unit().equalsIgnoreCase("g");
            double quantity =
                    mass
                            ? UnitText.mass(a.value(), a.unit()).kilograms()
                            : UnitText.volume(a.value(), a.unit()).litres();
            double unit =
                    mass
                            ? UnitText.mass(1, p.unit()).kilograms()
                            : UnitText.volume(1, p.unit()).litres();
            if (p.value() < 0) {
                throw new RefusedInput(
                        "amounts",
                        Text.of("calc.cost.a-price-is-not-below", "A price is not below 0."),
                        ALLOWED);
            }
            return quantity / unit * p.value();
        } catch (OutOfRange e) {
            throw new RefusedInput(
                    "amounts",
                    Text.of("calc.cost.the-input-amounts", "The input amounts: {0}", e.said()),
                    ALLOWED);
        }
    }
}
