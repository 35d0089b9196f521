/** Rules about readings, records and versions. */
package orthopur.rules.record;
