/**
 * Remedies: the edits that rules propose, each applied and re-run before it is offered. What does
 * not lower the count of STOPs, or of FIXes at the same STOPs, is not offered.
 */
@NullMarked
package orthopur.remedy;

import org.jspecify.annotations.NullMarked;
