package orthopur.mixing;

import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.text.Text;

/**
 * From this temperature on, this strength is enough and that one is the most. A sanitizer's limits
 * at a known pH and hardness are a list of bands, warmer ones asking for less.
 *
 * @param row which row of which table it comes from, in plain words
 */
public record Band(Temperature from, Strength least, Strength most, Text row, String source) {
    /** Where a label states no upper end: as strong as any product is, in mg/L. */
    public static final double UNDILUTED = 1_000_000;

    /** What a label gives for floors, drains or foot baths, at any temperature; in mg/L. */
    public static Band besideFood(double least, double most) {
        return new Band(
                new Temperature(0),
                Strength.ofMgPerL(least),
                Strength.ofMgPerL(most),
                Text.of("band.beside-food", "label, for what touches no food"),
                "label");
    }
}
