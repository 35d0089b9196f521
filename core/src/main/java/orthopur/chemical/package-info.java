/**
 * What the site may use: cleaners and sanitizers with the figures of their labels. The label stands
 * above the rule book; where both give a figure the stricter one counts, and the finding says
 * which.
 */
@NullMarked
package orthopur.chemical;

import org.jspecify.annotations.NullMarked;
