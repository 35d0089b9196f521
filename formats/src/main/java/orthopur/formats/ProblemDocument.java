package orthopur.formats;

import java.util.List;
import orthopur.machine.Problem;

/**
 * Something wrong in a document, as it is told.
 *
 * @param pointer JSON pointer to the place
 * @param message in English
 * @param said the same for a reader of another language
 */
public record ProblemDocument(String pointer, String message, TextDocument said) {
    public static List<ProblemDocument> of(List<Problem> problems) {
        return problems.stream()
                .map(p -> new ProblemDocument(p.pointer(), p.message(), TextDocument.of(p.said())))
                .toList();
    }
}
