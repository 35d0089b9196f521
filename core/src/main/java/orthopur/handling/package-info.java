/** What lifting and carrying a part may ask of a person. Pure functions. */
@NullMarked
package orthopur.handling;

import org.jspecify.annotations.NullMarked;
