package orthopur.formats.language;

import java.util.List;
import java.util.Map;
import orthopur.formats.TextDocument;
import orthopur.text.Text;

/** Sentences of the core in one language, with the names and figures that stand in them. */
public final class Sentences {
    private final Map<String, String> texts;
    private final Spoken spoken;

    /**
     * @param texts each sentence of the language by its id
     * @param spoken its words for what was kept in English
     */
    public Sentences(Map<String, String> texts, Spoken spoken) {
        this.texts = texts;
        this.spoken = spoken;
    }

    /** As a sentence of its own. */
    public String sentence(TextDocument text) {
        String said = piece(text);
        return said.isEmpty() ? said : Character.toUpperCase(said.charAt(0)) + said.substring(1);
    }

    /** As a piece of another one; in English where the language lacks it. */
    public String piece(TextDocument text) {
        String pattern = texts.get(text.id());
        return pattern == null
                ? spoken.say(text.english())
                : new Text(text.id(), pattern, text.args().stream().map(this::argument).toList())
                        .toString();
    }

    private Object argument(Object arg) {
        return switch (arg) {
            case TextDocument t -> piece(t);
            case String s -> spoken.say(s);
            case List<?> all -> listed(all.stream().map(a -> argument(a).toString()).toList());
            default -> arg;
        };
    }

    /** "A", "A and B", "A, B and C". */
    private String listed(List<String> names) {
        int last = names.size() - 1;
        return last <= 0
                ? String.join("", names)
                : piece(
                        TextDocument.of(
                                Text.of(
                                        "names.and",
                                        "{0} and {1}",
                                        String.join(", ", names.subList(0, last)),
                                        names.get(last))));
    }
}
