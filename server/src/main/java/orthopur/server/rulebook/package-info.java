/** The rule book as it is judged by: every figure with its source, every rule that is looked at. */
package orthopur.server.rulebook;
