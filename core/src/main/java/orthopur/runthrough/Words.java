package orthopur.runthrough;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** Words that mean the same, as data: what people write, matched whole and without case. */
public final class Words {
    /** What is written, and what is meant by it. */
    private static final Map<String, String> MEANT =
            Map.of(
                    "center outward", "centre outward",
                    "from center outward", "centre outward",
                    "from centre outward", "centre outward",
                    "from center to rim", "centre outward",
                    "from centre to rim", "centre outward",
                    "center to edge", "centre outward",
                    "centre to edge", "centre outward",
                    "outward from center", "centre outward",
                    "outward from centre", "centre outward");

    /** Gloves that a person may list instead, by what is asked for. */
    private static final Map<String, List<String>> WORN =
            Map.of(
                    "single-use gloves",
                    List.of("nitrile gloves", "disposable gloves", "single use gloves"),
                    "cut-resistant gloves",
                    List.of("cut resistant gloves", "cut gloves", "chain mail gloves"),
                    "chemical gloves",
                    List.of("chemical-resistant gloves", "chemical resistant gloves"),
                    "goggles",
                    List.of("splash goggles", "safety goggles"));

    /** What is walked on or what runs there: nothing clean is laid on it. */
    private static final Set<String> GROUND =
            Set.of(
                    "floor",
                    "ground",
                    "gully",
                    "gutter",
                    "drain",
                    "trash",
                    "waste",
                    "garbage",
                    "mop",
                    "toilet",
                    "under",
                    "underneath",
                    "beneath");

    /** What stands or hangs above it, before and after its name. */
    private static final Set<String> ABOVE = Set.of("above", "off", "over", "from");

    private static final Set<String> STANDING =
            Set.of("rack", "racks", "cart", "stand", "trolley", "shelf", "board", "table");

    private Words() {}

    /**
     * Whether a place is the floor or what runs in it, however it is said: "floor", "on the floor
     * beside the saw", "near the drain", "under the bench"; but neither "rack above the floor" nor
     * "drain board" nor "shelf under the pump".
     */
    public static boolean onTheGround(String place) {
        String[] words = meant(place).split(" ");
        for (int i = 0; i < words.length; i++) {
            boolean lifted = i > 0 && ABOVE.contains(words[i - 1]);
            boolean stands =
                    i + 1 < words.length && STANDING.contains(words[i + 1])
                            || i > 0 && STANDING.contains(words[i - 1]);
            if (GROUND.contains(words[i]) && !lifted && !stands) {
                return true;
            }
        }
        return false;
    }

    /** Whether those who take a lock off are those who put it on. */
    public static boolean own(String who) {
        return OWN.contains(meant(who));
    }

    /** Whether two texts mean the same. Neither is matched by a piece of the other. */
    public static boolean same(@Nullable String a, @Nullable String b) {
        return a != null && b != null && meant(a).equals(meant(b));
    }

    private static final Pattern NO_WORD = Pattern.compile("[^\\p{L}\\p{N}]+");

    /** What a text means, for comparing. */
    public static String meant(String text) {
        String plain =
                NO_WORD.matcher(text.toLowerCase(Locale.ROOT).replace("the ", ""))
                        .replaceAll(" ")
                        .strip();
        return MEANT.getOrDefault(plain, plain);
    }

    /** Words of which one denies the other. */
    private static final Map<String, String> OPPOSITES =
            Stream.of(
                            "up down",
                            "left right",
                            "in out",
                            "forward backward",
                            "front back",
                            "clockwise counterclockwise",
                            "open shut",
                            "loose tight",
                            "bright dull",
                            "inside outside",
                            "long short",
                            "top bottom",
                            "upper lower",
                            "leading trailing",
                            "wet dry",
                            "smooth rough",
                            "wide narrow",
                            "thick thin",
                            "flat curved",
                            "with against",
                            "first last")
                    .map(pair -> pair.split(" "))
                    .flatMap(p -> Stream.of(Map.entry(p[0], p[1]), Map.entry(p[1], p[0])))
                    .collect(Collectors.toUnmodifiableMap(Map.Entry::getKey, Map.Entry::getValue));

    private static final Set<String> OWN =
            Set.of(
                    "each owner",
                    "owner",
                    "owners",
                    "its owner",
                    "each person",
                    "each for themselves",
                    "each their own",
                    "each his own",
                    "each her own",
                    "everyone their own",
                    "whoever put it on",
                    "who put it on",
                    "one who put it on");

    private static final Set<String> DENIALS = Set.of("not", "never", "without");

    /** Words that say nothing by themselves. */
    private static final Set<String> FILLERS = Set.of("and", "its", "the", "then", "are", "has");

    /** The share of what is asked for that has to be said where other things are said as well. */
    private static final double MOST = 0.6;

    /**
     * Whether a text says what another asks for: some of its words and nothing else, or most of
     * them with others, and none that denies one of them. A text that speaks of several things does
     * so by semicolons, and one of its clauses has to say it.
     */
    public static boolean saysOf(String text, String asked) {
        return Arrays.stream(text.split(";")).anyMatch(clause -> clauseSays(clause, asked));
    }

    private static boolean clauseSays(String text, String asked) {
        Set<String> said = plain(text);
        Set<String> wanted = plain(asked);
        boolean denied =
                wanted.stream()
                                .map(w -> OPPOSITES.getOrDefault(w, ""))
                                .anyMatch(o -> said.contains(o) && !wanted.contains(o))
                        || DENIALS.stream().anyMatch(d -> said.contains(d) && !wanted.contains(d));
        long told = wanted.stream().filter(said::contains).count();
        boolean enough = told > 0 && told == said.size() || told >= MOST * wanted.size();
        // The sheet lists facts: "both knobs hand-tight" does not say which way the rail faces.
        boolean all =
                Arrays.stream(asked.split("[,:]"))
                        .map(Words::plain)
                        .allMatch(f -> f.isEmpty() || f.stream().anyMatch(said::contains));
        return !denied && enough && all;
    }

    /** Whether one of these words stands in a text, as a whole word and without case. */
    public static boolean anyOf(String text, Set<String> words) {
        return Arrays.stream(meant(text).split(" ")).anyMatch(words::contains);
    }

    /** Its words without case, plural and small ones. */
    private static Set<String> plain(String text) {
        return Arrays.stream(meant(text).split(" "))
                .filter(w -> w.length() > 2 || OPPOSITES.containsKey(w))
                .filter(w -> !FILLERS.contains(w))
                .map(w -> w.length() > 3 && w.endsWith("s") ? w.substring(0, w.length() - 1) : w)
                .collect(Collectors.toSet());
    }

    /** Whether small parts are lost from it neither down a drain nor off a cart. */
    public static boolean keepsSmall(String place) {
        String p = place.toLowerCase(Locale.ROOT);
        return p.contains("bath") || p.contains("tray") || p.contains("bag");
    }

    /** What may stand in a list for a thing that is worn, itself first. */
    public static List<String> wornFor(String thing) {
        return Stream.concat(Stream.of(thing), WORN.getOrDefault(thing, List.of()).stream())
                .toList();
    }
}
