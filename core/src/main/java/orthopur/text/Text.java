package orthopur.text;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * A sentence, or a piece of one: which it is, and what stands in it. The English is written where
 * it is said; other languages have it by its id.
 *
 * @param id what names it in every language; it never changes with the words
 * @param english the sentence in ICU's notation: {0} is the first argument, and {0, plural, one {#
 *     lock} other {# locks}} counts it
 * @param args numbers, names and figures as strings, other texts, and lists of names
 */
public record Text(String id, String english, List<Object> args) {
    public Text {
        args = List.copyOf(args);
    }

    /**
     * A sentence with its arguments; one that is not there stands as nothing.
     *
     * @throws IllegalArgumentException when the sentence has a place that no argument fills
     */
    public static Text of(String id, String english, @Nullable Object... args) {
        List<Object> given =
                java.util.Arrays.stream(args).map(a -> Objects.requireNonNullElse(a, "")).toList();
        for (int at = english.indexOf('{'); at >= 0; at = english.indexOf('{', at + 1)) {
            if (at + 1 < english.length() && Character.isDigit(english.charAt(at + 1))) {
                int n = english.charAt(at + 1) - '0';
                if (n >= given.size()) {
                    throw new IllegalArgumentException(id + " has no argument " + n + ".");
                }
            }
        }
        return new Text(id, english, given);
    }

    /** Words that are the same in every language: a figure with its unit, a proper name. */
    public static Text plain(String words) {
        return new Text("", "{0}", List.of(words));
    }

    /**
     * A sentence that was put together before: its whole English is known, and its arguments only
     * for other languages.
     */
    public static Text said(String id, String words, List<Object> args) {
        if (words.indexOf('{') < 0) {
            return new Text(id, words, args);
        }
        // It stands as an argument more, or its brace would be a place.
        List<Object> all = new ArrayList<>(args);
        all.add(words);
        return new Text(id, "{" + args.size() + "}", all);
    }

    /**
     * A formula, which is the same in every language.
     *
     * @param pattern with a place for each figure, as of a sentence
     */
    public static Text figures(String pattern, @Nullable Object... args) {
        return of("", pattern, args);
    }

    /**
     * Several sentences, one after the other.
     *
     * @param all one at least
     */
    public static Text sentences(List<Text> all) {
        Text said = all.getFirst();
        for (Text next : all.subList(1, all.size())) {
            said = Text.of("text.and-then", "{0} {1}", said, next);
        }
        return said;
    }

    /**
     * Several pieces that have commas of their own, one after the other.
     *
     * @param all one at least
     */
    public static Text series(List<Text> all) {
        Text said = all.getFirst();
        for (Text next : all.subList(1, all.size())) {
            said = Text.of("text.series", "{0}; {1}", said, next);
        }
        return said;
    }

    /** The sentence in English, its first letter large. */
    public String sentence() {
        String said = toString();
        return said.isEmpty() ? said : Character.toUpperCase(said.charAt(0)) + said.substring(1);
    }

    /** In English. */
    @Override
    public String toString() {
        return filled(english, null);
    }

    private String filled(String pattern, @Nullable Object counted) {
        StringBuilder out = new StringBuilder();
        for (int i = 0; i < pattern.length(); i++) {
            char c = pattern.charAt(i);
            if (c == '#' && counted != null) {
                out.append(shown(counted));
            } else if (c == '{') {
                int end = closing(pattern, i);
                out.append(part(pattern.substring(i + 1, end)));
                i = end;
            } else {
                out.append(c);
            }
        }
        return out.toString();
    }

    /** What stands between two braces: a place, or a count with its forms. */
    private String part(String inner) {
        int comma = inner.indexOf(',');
        Object arg = args.get(Integer.parseInt(comma < 0 ? inner : inner.substring(0, comma)));
        if (comma < 0) {
            return shown(arg);
        }
        boolean one = arg instanceof Number n && n.doubleValue() == 1;
        int form = inner.indexOf(one ? "one {" : "other {", comma);
        int open = inner.indexOf('{', form);
        return filled(inner.substring(open + 1, closing(inner, open)), arg);
    }

    private static int closing(String text, int open) {
        int depth = 0;
        for (int i = open; i < text.length(); i++) {
            depth += text.charAt(i) == '{' ? 1 : text.charAt(i) == '}' ? -1 : 0;
            if (depth == 0) {
                return i;
            }
        }
        throw new IllegalArgumentException("A brace is left open: " + text);
    }

    private static String shown(Object arg) {
        if (arg instanceof List<?> all) {
            return listed(all.stream().map(Text::shown).toList());
        }
        return arg.toString();
    }

    /** Names as they stand in a sentence: "A", "A and B", "A, B and C". */
    private static String listed(List<String> names) {
        int last = names.size() - 1;
        return last <= 0
                ? String.join("", names)
                : String.join(", ", names.subList(0, last)) + " and " + names.get(last);
    }
}
