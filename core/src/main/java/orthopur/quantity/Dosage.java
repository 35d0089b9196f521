package orthopur.quantity;

/** How strong a use solution is: an active strength, or a share of the product by volume. */
public sealed interface Dosage permits Strength, Share {
    /** The dosage as people read it, number and unit. */
    String shown();
}
