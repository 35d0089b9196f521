package orthopur.procedure;

/**
 * Which of the ways that practitioners disagree about this procedure follows.
 *
 * @param rinseAfterSanitizer drinking-water rinse after the sanitizer; a rinse then keeps what was
 *     sanitized
 */
public record Schools(boolean rinseAfterSanitizer) {}
