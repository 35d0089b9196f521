package orthopur.quantity;

import java.util.Objects;

/** A value outside its domain. The message names the quantity, the value and the allowed range. */
public final class OutOfRange extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    private final String quantity;
    private final String allowed;

    public OutOfRange(String quantity, String value, String allowed) {
        super(quantity + " " + value + " is not possible; allowed is " + allowed + ".");
        this.quantity = quantity;
        this.allowed = allowed;
    }

    @Override
    public String getMessage() {
        return Objects.requireNonNull(super.getMessage());
    }

    /** The quantity in plain words, for instance "temperature". */
    public String quantity() {
        return quantity;
    }

    /** The allowed range in plain words, for instance "0 to 14". */
    public String allowed() {
        return allowed;
    }

    static double check(String quantity, double value, double least, double most, String allowed) {
        // Written so that NaN is refused as well.
        if (!(value >= least && value <= most)) {
            throw new OutOfRange(quantity, Show.number(value), allowed);
        }
        return value;
    }
}
