package orthopur.server.languages;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.formats.TextDocument;
import orthopur.formats.language.Sentences;
import orthopur.formats.language.Spoken;
import orthopur.text.Text;

/** What a page on paper says, in one language. Templates know it as {@code t}. */
public final class Tongue {
    private final String code;
    private final Map<String, String> texts;
    private final Spoken spoken;
    private final Sentences sentences;

    Tongue(String code, Map<String, String> texts, Spoken spoken) {
        this.code = code;
        this.texts = texts;
        this.spoken = spoken;
        this.sentences = new Sentences(texts, spoken);
    }

    /** English, in which everything stands. */
    public static Tongue english() {
        return new Tongue("en", Map.of(), new Spoken(Map.of()));
    }

    /** As in BCP 47. */
    public String code() {
        return code;
    }

    public String say(String id, String english) {
        return said(id, english, List.of());
    }

    public String say(String id, String english, @Nullable Object a) {
        return said(id, english, given(a));
    }

    public String say(String id, String english, @Nullable Object a, @Nullable Object b) {
        return said(id, english, given(a, b));
    }

    public String say(
            String id, String english, @Nullable Object a, @Nullable Object b, @Nullable Object c) {
        return said(id, english, given(a, b, c));
    }

    public String say(
            String id,
            String english,
            @Nullable Object a,
            @Nullable Object b,
            @Nullable Object c,
            @Nullable Object d) {
        return said(id, english, given(a, b, c, d));
    }

    /** What was kept in English: a text of a document, a word of the program. */
    public @Nullable String told(@Nullable String english) {
        return english == null ? null : spoken.say(english);
    }

    /** The same; null where the language has nothing of it. */
    public @Nullable String known(@Nullable String english) {
        return english == null ? null : spoken.known(english);
    }

    /** Several, one after the other. */
    public String told(List<String> english) {
        return String.join(", ", english.stream().map(spoken::say).toList());
    }

    /** A sentence of the core as a sentence of its own. */
    public String sentence(TextDocument text) {
        return sentences.sentence(text);
    }

    /** The same of one that is no document yet. */
    public String sentence(Text text) {
        return sentence(TextDocument.of(text));
    }

    /** A piece that stands inside a sentence. */
    public String piece(Text text) {
        return sentences.piece(TextDocument.of(text));
    }

    private String said(String id, String english, List<Object> args) {
        return new Text(id, texts.getOrDefault(id, english), args).toString();
    }

    private static List<Object> given(@Nullable Object... args) {
        return java.util.Arrays.stream(args).map(a -> a == null ? (Object) "" : a).toList();
    }
}
