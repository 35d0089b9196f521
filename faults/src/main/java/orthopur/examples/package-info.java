/**
 * Two small examples of each rule, taken from the site's own approved procedures: one slip that
 * breaks it and the same procedure as it is, which keeps it. They are run, not told.
 */
@NullMarked
package orthopur.examples;

import org.jspecify.annotations.NullMarked;
