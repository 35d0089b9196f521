/** Machine sheets, the site and its chemicals: what a verdict is given against. */
@NullMarked
package orthopur.server.machines;

import org.jspecify.annotations.NullMarked;
