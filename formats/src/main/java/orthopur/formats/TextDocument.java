package orthopur.formats;

import java.util.List;
import orthopur.text.Text;

/**
 * A sentence as a document: by its id and arguments for a reader's language, and in English.
 *
 * @param id of the sentence; empty for words that are the same in every language
 * @param english the whole sentence in English
 * @param args numbers, strings, lists of them, and sentences
 */
public record TextDocument(String id, String english, List<Object> args) {
    /** A sentence of the core. */
    public static TextDocument of(Text text) {
        return new TextDocument(
                text.id(),
                text.toString(),
                text.args().stream().map(TextDocument::argument).toList());
    }

    private static Object argument(Object arg) {
        return switch (arg) {
            case Text t -> of(t);
            case List<?> all -> all.stream().map(TextDocument::argument).toList();
            default -> arg;
        };
    }
}
