/** The logbook: rounds by date and machine, one round in full, and whether the chain is whole. */
package orthopur.server.logbook;
