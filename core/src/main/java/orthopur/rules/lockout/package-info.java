/** Rules about energies: nobody's hands near anything that can still move, burn or let go. */
package orthopur.rules.lockout;
