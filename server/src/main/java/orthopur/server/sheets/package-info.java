/**
 * Writing machine sheets at the desk: checked while they are written, versions, what a change does.
 */
@NullMarked
package orthopur.server.sheets;

import org.jspecify.annotations.NullMarked;
