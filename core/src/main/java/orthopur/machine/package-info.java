/**
 * The machine as its sheet describes it: parts that own surfaces, what stands in front of what,
 * what covers what, and the energies with their danger zones. Records only; the machine's own
 * manual stands above the sheet.
 */
package orthopur.machine;
