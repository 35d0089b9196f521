/** What is due on this site, from sheets, approved procedures, rounds and the site's stream. */
@NullMarked
package orthopur.server.due;

import org.jspecify.annotations.NullMarked;
