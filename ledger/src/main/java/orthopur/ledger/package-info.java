/**
 * What was signed, and in which order. Every row that was signed or by which is judged has its
 * SHA-256 in one ledger, written by the database itself whichever way the row came in; the ledger
 * is a chain, and so are the entries of the floor. Heads of both are signed with a key that lies
 * outside of the data. Plain JDBC: the server, the command line and a backup walk the same way.
 */
@NullMarked
package orthopur.ledger;

import org.jspecify.annotations.NullMarked;
