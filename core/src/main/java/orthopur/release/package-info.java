/**
 * Pre-op inspection before production may start: which sites are swabbed tonight, against which
 * limits, and whether what was found lets the machine go. Pure: history comes in, verdicts go out.
 */
@NullMarked
package orthopur.release;

import org.jspecify.annotations.NullMarked;
