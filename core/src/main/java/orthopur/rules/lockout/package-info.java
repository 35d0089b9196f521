/** Rules about energies: nobody's hands near anything that can still move, burn or let go. */
@NullMarked
package orthopur.rules.lockout;

import org.jspecify.annotations.NullMarked;
