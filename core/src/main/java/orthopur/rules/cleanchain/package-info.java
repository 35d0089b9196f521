/**
 * Rules about the clean chain: soil, film, cover, touch, and the state each surface must end in.
 */
@NullMarked
package orthopur.rules.cleanchain;

import org.jspecify.annotations.NullMarked;
