/**
 * Simulated stand-ins for the site's meters, with the answers a real one gives: a value with noise
 * and drift, the same value again when it is stuck, out of range, or nothing because the battery is
 * flat. Seeded, so that a test and a trainer can repeat a night.
 */
@NullMarked
package orthopur.simulation.instruments;

import org.jspecify.annotations.NullMarked;
