/**
 * Procedures in their versions: drafting, verifying, saving, approving. Approved ones are frozen.
 */
@NullMarked
package orthopur.server.procedures;

import org.jspecify.annotations.NullMarked;
