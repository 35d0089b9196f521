/** The named calculations over HTTP, with the names, keys and answers of the command line. */
@NullMarked
package orthopur.server.mixing;

import org.jspecify.annotations.NullMarked;
