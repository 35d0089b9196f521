/**
 * A round as it is carried out: what may happen in it, in which state, by whom. {@link
 * orthopur.round.Progress} takes a state and an entry to the next state or refuses; nothing else
 * decides. The server folds the log with it, and a tablet without signal runs the same code,
 * compiled to JavaScript. It knows no rule: thresholds, rework and asks stand in the round pack.
 */
@NullMarked
package orthopur.round;

import org.jspecify.annotations.NullMarked;
