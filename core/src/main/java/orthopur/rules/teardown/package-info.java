/** Rules about taking apart and putting together: order, count, guards, what was moved aside. */
@NullMarked
package orthopur.rules.teardown;

import org.jspecify.annotations.NullMarked;
