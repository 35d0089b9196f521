/**
 * Release: somebody who did not do the work looks, proves and lets the machine go, or sends it
 * back; and the board that shows where every machine stands.
 */
@NullMarked
package orthopur.server.release;

import org.jspecify.annotations.NullMarked;
