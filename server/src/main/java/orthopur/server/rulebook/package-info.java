/** The rule book as it is judged by: every figure with its source, every rule that is looked at. */
@NullMarked
package orthopur.server.rulebook;

import org.jspecify.annotations.NullMarked;
