package orthopur.formats.language;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Words of which only the English is known, in another language: a text of a document, a word of
 * the program, and what earlier versions put together for their packs and inspection lists. The
 * page does the same in {@code shared/texts.ts}.
 */
public final class Spoken {
    private static final List<String> JOINTS = List.of("; ", ", ");

    /** How the ids of sentences begin that stand somewhere in English alone. */
    private static final List<String> KEPT =
            List.of(
                    "inspection.",
                    "pack.",
                    "troubles.",
                    "advice.",
                    "warm-up",
                    "names.and",
                    "names.more",
                    "night.named");

    private static final Pattern NUMBERED = Pattern.compile("(.*\\D) (\\d+)");
    private static final Pattern FIGURE = Pattern.compile("[\\d.,]+ (mg/L|mL|min|cm|mm|kg|kPa)");
    private static final Pattern PLACE = Pattern.compile("\\{(\\d)}");

    /** Short words join anything; only a longer pattern is believed where its parts are unknown. */
    private static final int TELLING = 12;

    private final Map<String, String> texts;
    private final List<Kept> patterns;
    private final Map<String, Optional<String>> asked = new ConcurrentHashMap<>();

    /**
     * @param english what was kept, with its first place as short and as long as it can be
     * @param said the same in this language
     * @param literal how many letters it has beside its places
     */
    private record Kept(List<Pattern> english, String said, int literal) {
        static Kept of(String english, String said) {
            return new Kept(
                    List.of(regex(english, ".+?"), regex(english, ".+")),
                    said,
                    PLACE.matcher(english).replaceAll("").length());
        }

        private static Pattern regex(String english, String place) {
            Matcher m = PLACE.matcher(english);
            StringBuilder regex = new StringBuilder();
            int from = 0;
            while (m.find()) {
                regex.append(Pattern.quote(english.substring(from, m.start())))
                        .append("(?<p")
                        .append(m.group(1))
                        .append(">" + place + ")");
                from = m.end();
            }
            regex.append(Pattern.quote(english.substring(from)));
            return Pattern.compile(regex.toString());
        }
    }

    /**
     * @param texts of the language, by the English that was kept
     */
    public Spoken(Map<String, String> texts) {
        this.texts = texts;
        this.patterns =
                texts.entrySet().stream()
                        .filter(e -> e.getKey().contains("{0}"))
                        .map(e -> Kept.of(e.getKey(), e.getValue()))
                        .sorted(Comparator.comparing(Kept::literal).reversed())
                        .toList();
    }

    /** Whether a sentence of this id may stand somewhere in English alone. */
    public static boolean kept(String id) {
        return KEPT.stream().anyMatch(id::startsWith);
    }

    /** In this language; in English where it lacks it. */
    public String say(String english) {
        String said = known(english);
        return said == null ? english : said;
    }

    /** In this language, or null where it lacks a piece of it. */
    public @Nullable String known(String english) {
        // The pieces of a long list come again and again.
        Optional<String> before = asked.get(english);
        if (before == null) {
            before = Optional.ofNullable(found(english));
            asked.put(english, before);
        }
        return before.orElse(null);
    }

    private @Nullable String found(String english) {
        String whole = whole(english);
        if (whole != null) {
            return whole;
        }
        // A code, a letter, a figure with its unit.
        if (english.chars().filter(Character::isLowerCase).count() < 2
                || FIGURE.matcher(english).matches()) {
            return english;
        }
        Matcher numbered = NUMBERED.matcher(english);
        String name = numbered.matches() ? known(numbered.group(1)) : null;
        if (name != null) {
            return name + " " + numbered.group(2);
        }
        for (Kept k : patterns) {
            for (Pattern p : k.english()) {
                String filled = filled(k, p.matcher(english));
                if (filled != null) {
                    return filled;
                }
            }
        }
        return joined(english);
    }

    private @Nullable String whole(String english) {
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

    private @Nullable String filled(Kept k, Matcher m) {
        if (!m.matches()) {
            return null;
        }
        String said = k.said();
        for (int n = 0; n < m.groupCount(); n++) {
            String part = m.group("p" + n);
            String in = known(part);
            if (in == null && k.literal() < TELLING) {
                return null;
            }
            said = said.replace("{" + n + "}", in == null ? part : in);
        }
        return said;
    }

    /** Names joined by commas, the last by "and"; a name may have a comma of its own. */
    private @Nullable String joined(String english) {
        for (String joint : JOINTS) {
            for (int at = english.indexOf(joint); at > 0; at = english.indexOf(joint, at + 1)) {
                String first = known(english.substring(0, at));
                String rest = first == null ? null : known(english.substring(at + joint.length()));
                if (rest != null) {
                    return first + said(joint) + rest;
                }
            }
        }
        return null;
    }

    private String said(String joint) {
        return texts.getOrDefault(joint, joint);
    }
}
