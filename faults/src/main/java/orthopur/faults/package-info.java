/**
 * Breaks correct procedures on purpose, so that the judgement can be measured. What a fault is and
 * which rule should speak of it is read from the sheet, the chemicals' labels and the codes alone;
 * nothing here knows how any rule is written.
 */
@NullMarked
package orthopur.faults;

import org.jspecify.annotations.NullMarked;
