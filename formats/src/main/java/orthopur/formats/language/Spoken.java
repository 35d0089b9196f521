package orthopur.formats.language;

import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Texts of documents and words of the program in another language, each as a whole. The page does
 * the same in {@code shared/texts.ts}.
 */
public final class Spoken {
    private final Map<String, String> texts;

    /**
     * @param texts of the language, by their English
     */
    public Spoken(Map<String, String> texts) {
        this.texts = texts;
    }

    /** In this language; in English where it lacks it. */
    public String say(String english) {
        String said = known(english);
        return said == null ? english : said;
    }

    /** In this language, with its first letter as it stands here; null where it lacks it. */
    public @Nullable String known(String english) {
        String as = texts.get(english);
        if (as != null || english.isEmpty()) {
            return as;
        }
        String rest = english.substring(1);
        String upper = texts.get(english.substring(0, 1).toUpperCase(Locale.ROOT) + rest);
        if (upper != null) {
            return upper.substring(0, 1).toLowerCase(Locale.ROOT) + upper.substring(1);
        }
        String lower = texts.get(english.substring(0, 1).toLowerCase(Locale.ROOT) + rest);
        return lower == null
                ? null
                : lower.substring(0, 1).toUpperCase(Locale.ROOT) + lower.substring(1);
    }
}
