package orthopur.procedure;

/**
 * Which of the ways that practitioners disagree about this procedure follows.
 *
 * @param rinseAfterSanitizer drinking-water rinse after the sanitizer; a rinse then keeps what was
 *     sanitized
 * @param assembledFirst clean parts are assembled, then sanitized in place by filling, and the
 *     sanitizer is chased out with product; else parts are dipped, air-dried and assembled dry
 */
public record Schools(boolean rinseAfterSanitizer, boolean assembledFirst) {
    public Schools(boolean rinseAfterSanitizer) {
        this(rinseAfterSanitizer, false);
    }
}
