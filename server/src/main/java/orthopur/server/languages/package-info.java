/**
 * Languages of the floor: one file each, with every English text and its translation. Some ship
 * with the program; more are put into the folder {@code languages} beside the data.
 */
package orthopur.server.languages;
