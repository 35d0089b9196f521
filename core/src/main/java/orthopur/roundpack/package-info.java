/**
 * The round pack: an approved procedure compiled for the tablet. Every threshold is resolved here
 * for its chemical, pH and hardness, so that the floor needs a small generic interpreter and no
 * rule. The server folds the same entries with {@link orthopur.roundpack.Progress} and judges
 * again.
 */
@NullMarked
package orthopur.roundpack;

import org.jspecify.annotations.NullMarked;
