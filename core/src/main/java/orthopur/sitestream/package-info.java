/**
 * What happens on a site beside its rounds, as a stream of entries in the same log: a bucket is
 * made, spares and stock are counted, product is kept, something is signed. {@link
 * orthopur.sitestream.SiteStream} takes a state and an entry to the next state or refuses, on the
 * server and, compiled, on a tablet without signal.
 */
@NullMarked
package orthopur.sitestream;

import org.jspecify.annotations.NullMarked;
