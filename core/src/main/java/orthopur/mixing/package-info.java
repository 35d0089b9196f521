/**
 * The arithmetic of solutions: how strong is enough, how much to add, how to mend, what a reading
 * can mean. Pure functions on typed quantities, used by the rules, the round pack and the named
 * calculations alike.
 */
@NullMarked
package orthopur.mixing;

import org.jspecify.annotations.NullMarked;
