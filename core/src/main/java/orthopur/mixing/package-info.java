/**
 * The arithmetic of solutions: how strong is enough, how much to add, how to mend. Pure functions
 * on typed quantities. Each named calculation is a {@link orthopur.mixing.Calculation}, reached
 * under the same name from the command line and over HTTP; the rules use the same functions.
 */
package orthopur.mixing;
