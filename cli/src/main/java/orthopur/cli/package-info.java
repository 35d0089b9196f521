/** The command line: the same core and the same formats as the server, without Spring. */
@NullMarked
package orthopur.cli;

import org.jspecify.annotations.NullMarked;
