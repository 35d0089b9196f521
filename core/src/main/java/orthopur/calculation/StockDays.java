package orthopur.calculation;

import java.util.List;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** How long a stock lasts, and whether it expires before it is used. */
final class StockDays implements Calculation {
    @Override
    public String name() {
        return "stock";
    }

    @Override
    public List<String> keys() {
        return List.of("use", "rounds", "on-hand", "shelf-life?");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        Volume use = in.positive("use");
        double perDay = in.perDay("rounds");
        Volume onHand = in.positive("on-hand");
        double days = onHand.litres() / (use.litres() * perDay);
        Worked w = new Worked(this, in).result(days, "d");
        if (in.has("shelf-life")) {
            double shelf = in.days("shelf-life");
            boolean expires = days > shelf;
            w.also("expiresFirst", Worked.yes(expires)).verdict(expires ? "out" : "in");
            if (expires) {
                w.also("leftOver", (days - shelf) * use.litres() * perDay, "L");
            }
        }
        return w.assume(
                        Text.of(
                                "calc.stock-days.use-goes-on-as-it-is",
                                "Use goes on as it is. Shelf life is counted from today."))
                .formula(
                        Text.of(
                                "calc.stock-days.formula",
                                "{0} L ÷ ({1} L × {2} a day) = {3} d",
                                onHand.litres(),
                                use.litres(),
                                perDay,
                                days));
    }
}
