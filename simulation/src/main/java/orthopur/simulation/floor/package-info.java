/**
 * Simulated tablets: they carry rounds out through the server's real API, lose their signal, send
 * twice and have wrong clocks, and know at the end what has to be in the log.
 */
@NullMarked
package orthopur.simulation.floor;

import org.jspecify.annotations.NullMarked;
