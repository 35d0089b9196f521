/**
 * The site's own tablets: enrolled by a code, so that the server knows them, and so that whoever
 * stands at one signs in by name and PIN, with gloves on.
 */
@NullMarked
package orthopur.server.tablets;

import org.jspecify.annotations.NullMarked;
