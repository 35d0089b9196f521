/** The site's meters: simulated stand-ins that ship with the program. */
@NullMarked
package orthopur.server.instruments;

import org.jspecify.annotations.NullMarked;
