/** A backup every night, walked before it counts, and a word when the last good one is old. */
@NullMarked
package orthopur.server.backup;

import org.jspecify.annotations.NullMarked;
