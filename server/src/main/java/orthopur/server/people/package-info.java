/** Who may do what: sign-in, sessions, roles, PINs to sign, lockout after repeated failure. */
@NullMarked
package orthopur.server.people;

import org.jspecify.annotations.NullMarked;
