/**
 * Rules about the clean chain: soil, film, cover, touch, and the state each surface must end in.
 */
package orthopur.rules.cleanchain;
