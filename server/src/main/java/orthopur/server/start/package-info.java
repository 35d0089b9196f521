/**
 * How the server is started: looks at what it was told, at port, folder, database, key and
 * certificate before anything is made, and says in one plain line what is in the way.
 */
@NullMarked
package orthopur.server.start;

import org.jspecify.annotations.NullMarked;
