/** Plans of a night by constraint programming. The rules are the core's; this finds and proves. */
@NullMarked
package orthopur.solver;

import org.jspecify.annotations.NullMarked;
