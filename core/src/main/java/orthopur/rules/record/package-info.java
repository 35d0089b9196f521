/** Rules about readings, records and versions. */
@NullMarked
package orthopur.rules.record;

import org.jspecify.annotations.NullMarked;
