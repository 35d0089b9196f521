/**
 * The machine as its sheet describes it: parts that own surfaces, what stands in front of what,
 * what covers what, and the energies with their danger zones. Records only; the machine's own
 * manual stands above the sheet.
 */
@NullMarked
package orthopur.machine;

import org.jspecify.annotations.NullMarked;
