/** Rules about strength, temperature, pH, contact time and the readings that prove them. */
package orthopur.rules.chemistry;
