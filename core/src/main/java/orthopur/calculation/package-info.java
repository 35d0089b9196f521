/**
 * The named calculations, one file each: what they take, in which units, what they refuse and how
 * they show their working. The command line, HTTP and the mixing bench ask {@link
 * orthopur.calculation.Calculations} by name. What rules need as well lives with the figures it
 * concerns, in {@code mixing} and {@code thermal}; here it is read from text and explained.
 */
@NullMarked
package orthopur.calculation;

import org.jspecify.annotations.NullMarked;
