/**
 * Heat over time: how machines cool, how much heat a tank still holds, what a temperature curve
 * does to germs. Pure functions on typed quantities.
 */
@NullMarked
package orthopur.thermal;

import org.jspecify.annotations.NullMarked;
