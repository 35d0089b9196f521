/**
 * The plan of a night: who does what, where and when. What a valid plan is stands in one place, the
 * check; plans come from people as they would do it, or from a solver behind a port, and both are
 * judged by it. Times are minutes from the beginning of the night.
 */
@NullMarked
package orthopur.night;

import org.jspecify.annotations.NullMarked;
