/**
 * What hangs on the wall and goes to the machine on paper: step cards, wall sheet, lockout sheet,
 * brush chart, the whole procedure with its verdict and approval. PDF with the shipped font.
 */
@NullMarked
package orthopur.server.prints;

import org.jspecify.annotations.NullMarked;
