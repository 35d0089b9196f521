/**
 * The floor: rounds from approved procedures, entries taken in one by one, each judged again by the
 * core and chained into the append-only log.
 */
@NullMarked
package orthopur.server.floor;

import org.jspecify.annotations.NullMarked;
