/** What the site cleans with: chemicals and vessels, and what a change in them does. */
package orthopur.server.supplies;
