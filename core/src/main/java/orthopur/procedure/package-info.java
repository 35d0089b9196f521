/**
 * The written procedure: typed steps with stable ids, the words for the cleaner, and edits as data.
 * What a step says is here; what it does to the machine is in {@code runthrough}.
 */
@NullMarked
package orthopur.procedure;

import org.jspecify.annotations.NullMarked;
