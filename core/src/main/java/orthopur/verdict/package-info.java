/**
 * The verdict on a procedure: the run-through by all rules, its proven remedies, and the ribbon.
 */
@NullMarked
package orthopur.verdict;

import org.jspecify.annotations.NullMarked;
