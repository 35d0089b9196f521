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
public record Band(Temperature from, Strength least, Strength most, Text row, String source) {}
