package orthopur.calculation;

import java.util.List;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.quantity.UnitText;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** Share of free chlorine that is hypochlorous acid: 1 ÷ (1 + 10^(pH − pKa)). */
final class FreeChlorine implements Calculation {
    @Override
    public String name() {
        return "chlorine";
    }

    @Override
    public List<String> keys() {
        return List.of("total", "pH", "temp");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        Strength total = in.read("total", UnitText::strength);
        double ph = in.number("pH", "", 0, 14);
        Temperature temp = in.liquid("temp");
        double kelvin = temp.celsius() + 273.15;
        // Fit of Morris for fresh water, good from 0 to 100 °C.
        double pKa = 3000 / kelvin - 10.0686 + 0.0253 * kelvin;
        double fraction = 1 / (1 + Math.pow(10, ph - pKa));
        return new Worked(this, in)
                .result(fraction, "fraction")
                .also("hypochlorousAcid", total.mgPerL() * fraction, "mg/L")
                .also("pKa", pKa, "pH")
                .assume(
                        Text.of(
                                "calc.free-chlorine.clean-water",
                                "Free chlorine in clean fresh water; soil binds it. It explains the table of the code and does not replace it: use limit for what is permitted."))
                .formula(Text.figures("1 ÷ (1 + 10^({0} − {1})) = {2}", ph, pKa, fraction));
    }
}
