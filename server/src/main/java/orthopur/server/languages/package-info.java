/**
 * Languages of the floor: one file each, with every English text and its translation. Some ship
 * with the program; more are put into the folder {@code languages} beside the data.
 */
@NullMarked
package orthopur.server.languages;

import org.jspecify.annotations.NullMarked;
