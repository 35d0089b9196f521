/** Nights made up from a seed, to plan. */
@NullMarked
package orthopur.simulation.nights;

import org.jspecify.annotations.NullMarked;
