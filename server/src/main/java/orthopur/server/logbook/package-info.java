/** The logbook: rounds by date and machine, one round in full, and whether the chain is whole. */
@NullMarked
package orthopur.server.logbook;

import org.jspecify.annotations.NullMarked;
