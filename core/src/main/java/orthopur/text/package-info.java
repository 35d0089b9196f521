/**
 * What the core says: sentences with ids and arguments, so that each reader has them in their
 * language.
 */
@org.jspecify.annotations.NullMarked
package orthopur.text;
