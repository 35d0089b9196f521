/**
 * A solution in its vessel: what is mixed and how much of it, what a reading says of it, how it is
 * corrected, and until when it holds. Compiled for the browser as well, so that it answers while a
 * level is dragged, with or without signal.
 */
@NullMarked
package orthopur.solution;

import org.jspecify.annotations.NullMarked;
