/**
 * The mixing bench: what the site mixes and reads with, labels of solutions, the named
 * calculations.
 */
@NullMarked
package orthopur.server.mixing;

import org.jspecify.annotations.NullMarked;
