/** What has a bound is measured here. */
package orthopur.bench;
