package orthopur.machine;

/**
 * Something wrong in a document.
 *
 * @param pointer JSON pointer to the place, for instance "/parts/3/behind/0"
 * @param message a plain sentence
 */
public record Problem(String pointer, String message) {}
