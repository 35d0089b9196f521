/** A site after ten years, made up, and how long everything takes on it. */
@NullMarked
package orthopur.bench.site;

import org.jspecify.annotations.NullMarked;
