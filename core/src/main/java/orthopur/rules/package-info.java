/**
 * The rules, one file each, grouped as in the rule book: lockout, teardown, cleanchain, chemistry.
 * A rule looks at a moment or at the end of the night and reports; its figures come from the rule
 * book. {@link orthopur.rules.AllRules} lists them in the order in which roots come before what
 * follows from them.
 */
@NullMarked
package orthopur.rules;

import org.jspecify.annotations.NullMarked;
