/** The demo site: its people, machines and procedures, and the ninety nights behind it. */
@NullMarked
package orthopur.server.demo;

import org.jspecify.annotations.NullMarked;
