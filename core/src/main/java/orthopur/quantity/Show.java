package orthopur.quantity;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;

/** How numbers are written for people: no needless zeros, no exponent, at most six figures. */
public final class Show {
    private Show() {}

    /** A plain decimal of at most four places, without trailing zeros. */
    public static String number(double value) {
        if (Double.isNaN(value) || Double.isInfinite(value)) {
            return Double.toString(value);
        }
        BigDecimal rounded = BigDecimal.valueOf(value).setScale(4, RoundingMode.HALF_UP);
        return rounded.signum() == 0 ? "0" : rounded.stripTrailingZeros().toPlainString();
    }

    /** A length of time in its largest whole unit: "60 s" stays in seconds below two minutes. */
    public static String duration(Duration d) {
        long seconds = d.getSeconds();
        if (seconds >= 120 && seconds % 60 == 0) {
            return seconds / 60 + " min";
        }
        return seconds + " s";
    }
}
