/** The site's meters: simulated stand-ins that ship with the program. */
package orthopur.server.instruments;
