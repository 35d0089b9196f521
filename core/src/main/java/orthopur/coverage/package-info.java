/** What all approved procedures of a machine cover together, and what none of them does. */
@NullMarked
package orthopur.coverage;

import org.jspecify.annotations.NullMarked;
