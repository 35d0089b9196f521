/**
 * Writing machine sheets at the desk: checked while they are written, versions, what a change does.
 */
package orthopur.server.sheets;
