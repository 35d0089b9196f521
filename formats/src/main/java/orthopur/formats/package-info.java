/**
 * The open file formats. A document is checked against its JSON Schema, then for what a schema
 * cannot say (names that mean nothing, circles); every error comes with its JSON pointer, and a
 * document with one error is not read at all. Writing is deterministic: the same document is always
 * the same bytes.
 */
@NullMarked
package orthopur.formats;

import org.jspecify.annotations.NullMarked;
