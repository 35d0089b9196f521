/** What lifting and carrying a part may ask of a person. Pure functions. */
package orthopur.handling;
