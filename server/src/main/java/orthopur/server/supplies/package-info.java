/** What the site cleans with: chemicals and vessels, and what a change in them does. */
@NullMarked
package orthopur.server.supplies;

import org.jspecify.annotations.NullMarked;
