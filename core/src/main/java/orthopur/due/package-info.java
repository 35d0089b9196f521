/**
 * What is due when: a pure function of the tasks with their intervals, of what was done, used,
 * counted, seen and heard of, and of the moment at which it is asked.
 */
@NullMarked
package orthopur.due;

import org.jspecify.annotations.NullMarked;
