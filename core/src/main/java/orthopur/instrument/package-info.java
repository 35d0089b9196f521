/**
 * What a site measures with: what an instrument reads, how finely, and what a reading of it can
 * mean. Which limits a reading is held against is not known here.
 */
@NullMarked
package orthopur.instrument;

import org.jspecify.annotations.NullMarked;
