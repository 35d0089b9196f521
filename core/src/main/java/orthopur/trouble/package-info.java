/**
 * What is wrong with a machine: what cured it before, what went back last, then what its sheet says
 * to look at, easy and safe ones first.
 */
@NullMarked
package orthopur.trouble;

import org.jspecify.annotations.NullMarked;
