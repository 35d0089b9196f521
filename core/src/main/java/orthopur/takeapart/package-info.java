/**
 * The machine as it comes apart: which part is in front of which, what each one is, can do to you
 * and must not meet, in plain sentences. Made from the sheet alone, for one way of being fitted.
 */
@NullMarked
package orthopur.takeapart;

import org.jspecify.annotations.NullMarked;
