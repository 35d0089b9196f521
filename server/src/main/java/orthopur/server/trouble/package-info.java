/**
 * What is wrong with a machine: the order in which it is looked for, out of its sheet and the log.
 */
@NullMarked
package orthopur.server.trouble;

import org.jspecify.annotations.NullMarked;
