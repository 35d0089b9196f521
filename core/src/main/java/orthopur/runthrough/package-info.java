/**
 * The run-through: each step changes what is known of every surface, part and energy. State is
 * facts, not a ladder; effects are granted, claims are not when a rule denies them. Rules are
 * handed in and look at each moment before its effects; nothing here knows a single rule.
 */
@NullMarked
package orthopur.runthrough;

import org.jspecify.annotations.NullMarked;
