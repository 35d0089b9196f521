/**
 * Office files that people have: the lines of text in a Word, OpenDocument, PDF, spreadsheet or
 * text file, as they would be pasted. What they mean is read elsewhere.
 */
@NullMarked
package orthopur.server.office;

import org.jspecify.annotations.NullMarked;
