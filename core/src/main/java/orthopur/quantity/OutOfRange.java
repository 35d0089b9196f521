package orthopur.quantity;

import java.util.function.Supplier;
import orthopur.text.Objection;
import orthopur.text.Text;

/** A value outside its domain. The message names the quantity, the value and the allowed range. */
public final class OutOfRange extends Objection {
    private static final long serialVersionUID = 1L;

    private final String quantity;
    private final transient Text allowed;

    /**
     * @param quantity what it is, by its name in this program, for instance "temperature"
     * @param value as it was given
     */
    public OutOfRange(String quantity, Text value, Text allowed) {
        super(said(quantity, value, allowed));
        this.quantity = quantity;
        this.allowed = allowed;
    }

    public OutOfRange(String quantity, String value, Text allowed) {
        this(quantity, Text.plain(value), allowed);
    }

    private static Text said(String quantity, Text value, Text allowed) {
        return Text.of(
                "out-of-range.said",
                "{0} {1} is not possible; allowed is {2}.",
                word(quantity),
                value,
                allowed);
    }

    /** The quantity by its name in this program, for instance "temperature". */
    public String quantity() {
        return quantity;
    }

    /** The allowed range, for instance "0 to 14". */
    public Text allowed() {
        return allowed;
    }

    /** Both ends may be. */
    public static Text range(String least, String most) {
        return Text.of("out-of-range.to", "{0} to {1}", least, most);
    }

    /** The lower end may not be, the upper may. */
    public static Text above(String least, String most) {
        return Text.of("out-of-range.above-to", "above {0} to {1}", least, most);
    }

    /** Neither it nor less may be. */
    public static Text above(String least) {
        return Text.of("out-of-range.above", "above {0}", least);
    }

    /** Neither it nor more may be. */
    public static Text below(String most) {
        return Text.of("out-of-range.below", "below {0}", most);
    }

    /** The range is put into words only where it is left: quantities are made by the million. */
    static double check(
            String quantity, double value, double least, double most, Supplier<Text> allowed) {
        // Written so that NaN is refused as well.
        if (!(value >= least && value <= most)) {
            throw new OutOfRange(quantity, Show.number(value), allowed.get());
        }
        return value;
    }

    private static Text word(String quantity) {
        return switch (quantity) {
            case "temperature" -> Text.of("quantity.temperature", "temperature");
            case "volume" -> Text.of("quantity.volume", "volume");
            case "hardness" -> Text.of("quantity.hardness", "hardness");
            case "time" -> Text.of("quantity.time", "time");
            case "velocity" -> Text.of("quantity.velocity", "velocity");
            case "pressure" -> Text.of("quantity.pressure", "pressure");
            case "mass" -> Text.of("quantity.mass", "mass");
            case "length" -> Text.of("quantity.length", "length");
            case "share" -> Text.of("quantity.share", "share");
            case "strength" -> Text.of("quantity.strength", "strength");
            case "flow" -> Text.of("quantity.flow", "flow");
            case "stock" -> Text.of("quantity.stock", "stock");
            case "density" -> Text.of("quantity.density", "density");
            case "brim" -> Text.of("quantity.brim", "volume to the brim");
            case "label" -> Text.of("quantity.label", "label");
            default -> Text.plain(quantity);
        };
    }
}
