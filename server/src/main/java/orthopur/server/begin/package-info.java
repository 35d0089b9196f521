/**
 * A site begins: whoever started the server opens a link that was printed once, and makes the first
 * supervisor. The same link lets a site back in whose last supervisor is lost.
 */
@NullMarked
package orthopur.server.begin;

import org.jspecify.annotations.NullMarked;
