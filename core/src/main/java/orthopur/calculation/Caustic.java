package orthopur.calculation;

import java.util.List;
import orthopur.mixing.Measure;
import orthopur.quantity.Show;
import orthopur.quantity.Volume;
import orthopur.rulebook.RuleBook;
import orthopur.text.Text;

/** Caustic from concentrate by mass: V·ρ·w ÷ (w_s·ρ_s). */
final class Caustic implements Calculation {
    /** Density of sodium hydroxide in water at 20 °C, kg/L at percent by mass. */
    private static final double[][] DENSITY = {
        {0, 0.998},
        {1, 1.010},
        {2, 1.021},
        {4, 1.043},
        {6, 1.065},
        {10, 1.109},
        {15, 1.164},
        {20, 1.219},
        {25, 1.274},
        {30, 1.328},
        {40, 1.430},
        {50, 1.525}
    };

    @Override
    public String name() {
        return "caustic";
    }

    @Override
    public List<String> keys() {
        return List.of("volume", "wanted", "stock", "wanted-density?", "stock-density?");
    }

    @Override
    public CalcAnswer compute(CalcInputs in, RuleBook book) {
        Volume volume = in.positive("volume");
        double wanted = in.massPercent("wanted", 0.01, 50);
        double stock = in.massPercent("stock", 0.01, 50);
        if (stock <= wanted) {
            throw new RefusedInput(
                    "wanted",
                    Text.of(
                            "calc.caustic.the-stock-is-not-stronger-than",
                            "The stock is not stronger than what is wanted."),
                    Text.of("calc.caustic.below-the-stock", "below the stock"));
        }
        double rho = density(in, "wanted-density", wanted);
        double rhoStock = density(in, "stock-density", stock);
        double litres = volume.litres() * rho * wanted / (stock * rhoStock);
        double water = volume.litres() * rho - litres * rhoStock;
        Worked w =
                new Worked(this, in)
                        .result(litres * 1000, "mL")
                        .also("measure", Measure.up(Volume.ofLitres(litres)).millilitres(), "mL")
                        .also("water", water / 0.998, "L")
                        .also(
                                "caution",
                                Text.of(
                                        "calc.caustic.into-water",
                                        "Caustic into water, never water into caustic: it boils and spits. The solution gets hot. Goggles, gloves, long sleeves."));
        if (!in.has("wanted-density") || !in.has("stock-density")) {
            w.assume(
                    Text.of(
                            "calc.caustic.a-density-that-is-not-given",
                            "A density that is not given is that of sodium hydroxide at 20 °C."));
        }
        return w.assume(
                        Text.of(
                                "calc.caustic.percent-by-mass-the-label-comes",
                                "Percent by mass. The label comes first."))
                .formula(
                        Text.figures(
                                "{0} L × {1} kg/L × {2} ÷ ({3} × {4} kg/L) = {5} mL",
                                volume.litres(),
                                rho,
                                Show.number(wanted) + " %",
                                Show.number(stock) + " %",
                                rhoStock,
                                litres * 1000));
    }

    private static double density(CalcInputs in, String key, double percent) {
        if (in.has(key)) {
            return in.number(key, "kg/L", 0.5, 3);
        }
        for (int i = 1; i < DENSITY.length; i++) {
            double[] a = DENSITY[i - 1];
            double[] b = DENSITY[i];
            if (percent <= b[0]) {
                return a[1] + (b[1] - a[1]) * (percent - a[0]) / (b[0] - a[0]);
            }
        }
        return DENSITY[DENSITY.length - 1][1];
    }
}
