/** Who may do what: sign-in, sessions, roles, PINs to sign, lockout after repeated failure. */
package orthopur.server.people;
