/** Machine sheets, the site and its chemicals: what a verdict is given against. */
package orthopur.server.machines;
