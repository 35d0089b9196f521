/**
 * Writes a complete procedure from a machine sheet: what is due, in an order that hurts nobody, in
 * sentences that a cleaner understands the first time.
 */
@NullMarked
package orthopur.drafting;

import org.jspecify.annotations.NullMarked;
