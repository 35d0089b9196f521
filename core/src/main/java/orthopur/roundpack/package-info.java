/**
 * The round pack: an approved procedure compiled for the tablet. Every threshold is resolved here
 * for its chemical, pH and hardness, so that the floor needs a small generic interpreter and no
 * rule. How a round goes on over it is told by the room beside it, {@code round}.
 */
@NullMarked
package orthopur.roundpack;

import org.jspecify.annotations.NullMarked;
