package orthopur.machine;

import orthopur.text.Text;

/**
 * Something wrong in a document.
 *
 * @param pointer JSON pointer to the place, for instance "/parts/3/behind/0"
 * @param said a plain sentence
 */
public record Problem(String pointer, Text said) {
    /** The sentence in English. */
    public String message() {
        return said.sentence();
    }

    /** The same of a document that stands in another at this place. */
    public Problem in(String place) {
        return new Problem(place + pointer, said);
    }
}
