package orthopur.calculation;

import java.util.List;
import orthopur.quantity.Flow;
import orthopur.quantity.Show;
import orthopur.quantity.UnitText;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** First product that is thrown away: the passage's volume × a factor. */
final class ChaseOut implements Calculation {
    @Override
    public String name() {
        return "chase-out";
    }

    @Override
    public List<String> keys() {
        return List.of("volume", "factor", "flow");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        Volume volume = in.positive("volume");
        double factor = in.number("factor", "", 1, 20);
        Flow flow = in.read("flow", UnitText::flow);
        double litres = volume.litres() * factor;
        double seconds = litres / flow.litresPerMinute() * 60;
        Worked w =
                new Worked(this, in)
                        .result(litres, "L")
                        .also("seconds", seconds, "s")
                        .also("measure", Math.ceil(seconds - 1e-9), "s");
        double least = book.number("chase-out.factor");
        if (factor < least) {
            w.also(
                    "change",
                    Text.of(
                            "calc.chase-out.asks-for",
                            "the rule book asks for at least × {0}",
                            Show.number(least)));
        }
        return w.verdict(factor < least ? "out" : "in")
                .assume(
                        Text.of(
                                "calc.chase-out.the-first-product-pushes-the-sanitizer",
                                "The first product pushes the sanitizer out and mixes with it on the way."))
                .formula(
                        Text.figures(
                                "{0} L × {1} = {2} L; ÷ {3} L/min = {4} s",
                                volume.litres(), factor, litres, flow.litresPerMinute(), seconds));
    }
}
