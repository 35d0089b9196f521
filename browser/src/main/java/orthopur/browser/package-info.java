/**
 * What of the core runs on a tablet, compiled to JavaScript: the fold of a round, the judge of a
 * reading, the calculations. Nothing is decided here; this room only carries JSON in and out, by a
 * small tree, since the compiler knows no reflection. What compiled code may not call stands in
 * {@code CompiledCodeTest}.
 */
@NullMarked
package orthopur.browser;

import org.jspecify.annotations.NullMarked;
