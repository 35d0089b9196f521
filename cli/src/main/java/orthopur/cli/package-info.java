/** The command line: the same core and the same formats as the server, without Spring. */
package orthopur.cli;
