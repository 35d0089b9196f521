/** Clocks of the work: how long something may be used, stored or left. Pure functions, no clock. */
@NullMarked
package orthopur.timing;

import org.jspecify.annotations.NullMarked;
