/**
 * Quantities with their units as small immutable values. Inside the core a figure is always one of
 * these, never a bare number; other units (degrees Fahrenheit, gallons, fluid ounces, ppm) are read
 * by {@link orthopur.quantity.UnitText} at the edge and nowhere else. Every factory refuses a value
 * outside its domain and says which range is allowed.
 */
@NullMarked
package orthopur.quantity;

import org.jspecify.annotations.NullMarked;
