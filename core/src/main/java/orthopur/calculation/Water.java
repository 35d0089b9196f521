package orthopur.calculation;

import orthopur.quantity.Temperature;
import orthopur.text.Text;

/** Properties of water between 0 and 100 °C. */
final class Water {
    private Water() {}

    /** The temperature that was counted with, and whether somebody gave it. */
    static Text at(Temperature temp, boolean given) {
        return given
                ? Text.of("calc.water.at", "Water at {0}.", temp.shown())
                : Text.of("calc.water.assumed", "Water at {0}, assumed.", temp.shown());
    }

    /** Density in kg/m³, by Thiesen's fit. */
    static double density(Temperature temp) {
        double t = temp.celsius();
        return 1000 * (1 - (t + 288.9414) / (508_929.2 * (t + 68.12963)) * Math.pow(t - 3.9863, 2));
    }

    /** Kinematic viscosity in m²/s, by Vogel's fit over the density. */
    static double viscosity(Temperature temp) {
        double kelvin = temp.celsius() + 273.15;
        return 2.414e-5 * Math.pow(10, 247.8 / (kelvin - 140)) / density(temp);
    }
}
