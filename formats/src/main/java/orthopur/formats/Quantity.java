package orthopur.formats;

import java.time.Duration;
import orthopur.quantity.Dosage;
import orthopur.quantity.Share;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;

/** A number with its unit, as it stands in a file. */
public record Quantity(double value, String unit) {
    static Quantity of(Temperature t) {
        return new Quantity(t.celsius(), "°C");
    }

    static Quantity of(Volume v) {
        return new Quantity(v.litres(), "L");
    }

    static Quantity of(Dosage d) {
        return switch (d) {
            case Strength s -> new Quantity(s.mgPerL(), "mg/L");
            case Share s -> new Quantity(s.percent(), "%");
        };
    }

    static Quantity of(Duration d) {
        long s = d.toSeconds();
        return s >= 120 && s % 60 == 0 ? new Quantity(s / 60.0, "min") : new Quantity(s, "s");
    }
}
