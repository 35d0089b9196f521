/**
 * Procedures in their versions: drafting, verifying, saving, approving. Approved ones are frozen.
 */
package orthopur.server.procedures;
