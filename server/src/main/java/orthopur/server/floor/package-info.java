/**
 * The floor: rounds from approved procedures, entries taken in one by one, each judged again by the
 * core and chained into the append-only log.
 */
package orthopur.server.floor;
