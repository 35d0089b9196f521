/**
 * What is said in other languages. The words of the program have ids ({@link
 * orthopur.formats.language.ProgramWords}); the texts of a document have the path of ids that leads
 * to them ({@link orthopur.formats.language.DocumentTexts}), and a file beside the document has
 * them in another language ({@link orthopur.formats.language.Translation}).
 */
@NullMarked
package orthopur.formats.language;

import org.jspecify.annotations.NullMarked;
