package orthopur.calculation;

import java.util.List;
import orthopur.quantity.Strength;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** How often a passage is filled and drained until the rinse is weak enough. */
final class RinseFills implements Calculation {
    @Override
    public String name() {
        return "rinse-fills";
    }

    @Override
    public List<String> keys() {
        return List.of("start", "limit", "left");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        Strength start = in.positiveStrength("start");
        Strength limit = in.positiveStrength("limit");
        double left = in.fraction("left");
        double exact =
                limit.compareTo(start) >= 0
                        ? 0
                        : Math.log(limit.mgPerL() / start.mgPerL()) / Math.log(left);
        double fills = Math.ceil(exact - 1e-9);
        double then = start.mgPerL() * Math.pow(left, fills);
        return new Worked(this, in)
                .result(fills, "fills")
                .also("strengthThen", then, "mg/L")
                .assume(
                        Text.of(
                                "calc.rinse-fills.each-fill-mixes-with-what-stayed",
                                "Each fill mixes with what stayed before it is drained; dead ends do not."))
                .formula(
                        Text.of(
                                "calc.rinse-fills.formula",
                                "⌈ln({0} ÷ {1}) ÷ ln {2}⌉ = {3}; then {4} mg/L",
                                limit.mgPerL(),
                                start.mgPerL(),
                                left,
                                fills,
                                then));
    }
}
