/** Rules about strength, temperature, pH, contact time and the readings that prove them. */
@NullMarked
package orthopur.rules.chemistry;

import org.jspecify.annotations.NullMarked;
