/**
 * Keeps the log of the site in custody: signs where it ends, tells what was changed by something
 * other than this program, and lets none of that be used.
 */
@NullMarked
package orthopur.server.custody;

import org.jspecify.annotations.NullMarked;
