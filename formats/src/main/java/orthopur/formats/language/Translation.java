package orthopur.formats.language;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import orthopur.formats.FormatError;
import orthopur.formats.Json;
import orthopur.machine.Problem;
import orthopur.text.Text;
import tools.jackson.core.JacksonException;

/**
 * What a document says in another language, in a file beside it.
 *
 * @param document code of the machine, id of the procedure, "site" or "chemicals"
 * @param language as in BCP 47, for instance "es"
 * @param texts each text by its path in the document, as {@link DocumentTexts} has it
 */
public record Translation(String document, String language, SortedMap<String, Said> texts) {
    public Translation {
        texts = new TreeMap<>(texts);
    }

    /**
     * One text.
     *
     * @param of what it was put from; another language says nothing of words that came later
     */
    public record Said(String of, String text) {}

    /**
     * @throws FormatError when it is no such file
     */
    public static Translation read(String json) {
        try {
            Translation t = Json.read(json, Translation.class);
            for (Map.Entry<String, Said> e : t.texts().entrySet()) {
                if (e.getValue().of() == null || e.getValue().text() == null) {
                    throw wrong(
                            "/texts/" + e.getKey(),
                            Text.of(
                                    "translation.it-needs-of-and-text-both",
                                    "It needs \"of\" and \"text\", both as texts."));
                }
            }
            return t;
        } catch (JacksonException | NullPointerException e) {
            throw wrong(
                    "",
                    Text.of(
                            "translation.a-translation-has-document-language-and",
                            "A translation has \"document\", \"language\" and \"texts\"."));
        }
    }

    private static FormatError wrong(String pointer, Text said) {
        return new FormatError(List.of(new Problem(pointer, said)));
    }

    /** As it is kept; the same translation is always the same bytes. */
    public String write() {
        return Json.write(this);
    }

    /**
     * What the document says now, in this language: by the place of a text, else by the same words
     * elsewhere in it. A text whose words were changed since is not among them, so that nobody
     * reads "left" where it says "right" by now.
     *
     * @param now its texts by their paths
     * @return this language by the English of the document
     */
    public Map<String, String> of(Map<String, String> now) {
        Map<String, String> byWords = new HashMap<>();
        texts.values().forEach(s -> byWords.put(words(s.of()), s.text()));
        Map<String, String> all = new HashMap<>();
        now.forEach(
                (path, english) -> {
                    Said here = texts.get(path);
                    String said =
                            here != null && same(here.of(), english)
                                    ? here.text()
                                    : byWords.get(words(english));
                    if (said != null && !said.isBlank()) {
                        all.put(english, said);
                    }
                });
        return all;
    }

    /** Whether two texts say the same, so that they are one in another language as well. */
    public static boolean same(String one, String other) {
        return words(one).equals(words(other));
    }

    /** A comma or a capital letter changes nothing. */
    private static String words(String text) {
        return text.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}%°/]+", " ").strip();
    }
}
