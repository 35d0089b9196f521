/** What has a bound is measured here. */
@NullMarked
package orthopur.bench;

import org.jspecify.annotations.NullMarked;
