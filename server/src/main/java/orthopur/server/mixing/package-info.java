/** The named calculations over HTTP, with the names, keys and answers of the command line. */
package orthopur.server.mixing;
