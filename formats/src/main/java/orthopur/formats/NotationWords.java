package orthopur.formats;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The words of the notation; the one table that reader and writer share. */
final class NotationWords {
    private NotationWords() {}

    /** A second verb of an action, as people say it. */
    private static final Map<String, String> ALSO =
            ordered(
                    "remove", "Take off",
                    "install", "Put back",
                    "shift", "Shift",
                    "return", "Bring back",
                    "isolate", "Unplug",
                    "relieve", "Let off",
                    "prove", "Try",
                    "inspect", "Look at",
                    "dry-clean", "Scrape",
                    "sanitize", "Disinfect",
                    "restore", "Switch on",
                    "measure", "Measure",
                    "prepare", "Fetch",
                    "fit", "Fit",
                    "unfit", "Unfit",
                    "draw-off", "Let out");

    /**
     * Verbs by action; for the controls, "operate" with its mode behind a slash. The first is
     * written.
     */
    static final Map<String, List<String>> VERBS = verbs();

    /** Fields with a quantity behind a word; an empty word means the unit alone tells it. */
    static final Map<String, String> QUANTITIES =
            ordered(
                    "finalRinse", "last rinse",
                    "temperature", "at",
                    "dwell", "for",
                    "contact", "wet",
                    "below", "below",
                    "standing", "standing",
                    "minutes", "takes",
                    "strength", "",
                    "volume", "",
                    "velocity", "",
                    "pressure", "");

    /** Units by which a bare quantity is told. */
    static final Map<String, String> UNITS =
            ordered(
                    "strength", "mg/L|ppm|%",
                    "volume", "mL|L|gal|fl oz|oz",
                    "velocity", "m/s|ft/s",
                    "pressure", "kPa|bar|psi");

    /** Fields with a text behind a word. */
    static final Map<String, String> TEXTS =
            ordered(
                    "destination", "->",
                    "place", "in",
                    "tool", "using",
                    "direction", "wiping",
                    "pattern", "fastened",
                    "secondMeasure", "second",
                    "product", "product",
                    "program", "program",
                    "who", "waiting for");

    /** Fields with several texts, each behind the word. */
    static final Map<String, String> LISTS =
            ordered("places", "from", "purged", "purging", "complete", "complete");

    /** Numbers in front of a word. */
    static final Map<String, String> COUNTS =
            ordered("count", "of them", "times", "times", "locks", "locks", "people", "people");

    /** The word behind a number: one person, two people. */
    static String counted(String word, int n) {
        if (n != 1 || word.equals("of them")) {
            return word;
        }
        return word.equals("people") ? "person" : word.substring(0, word.length() - 1);
    }

    /** Flags; not set is written with "not" where the file says so. */
    static final Map<String, String> FLAGS =
            ordered(
                    "toolsOut", "tools out",
                    "peopleClear", "people clear",
                    "guardsOn", "guards on",
                    "powered", "powered",
                    "washedOut", "washed out");

    private static Map<String, String> ordered(String... pairs) {
        Map<String, String> m = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            m.put(pairs[i], pairs[i + 1]);
        }
        return m;
    }

    /** The verbs of an action in the order in which they are offered. */
    static List<String> verbsOf(String action) {
        return VERBS.getOrDefault(action, List.of(action));
    }

    private static List<String> with(List<String> verbs, String one) {
        List<String> more = new ArrayList<>(verbs);
        more.add(one);
        return more;
    }

    private static Map<String, List<String>> verbs() {
        Map<String, List<String>> v = new LinkedHashMap<>();
        v.put("operate/stop", List.of("Stop", "Switch off"));
        v.put("operate/safe-position", List.of("Set safe"));
        v.put("operate/drain", List.of("Drain"));
        v.put("operate/expel", List.of("Expel"));
        v.put("operate/run", List.of("Run closed"));
        v.put("operate/clean-mode", List.of("Run in clean mode"));
        for (ActionCatalog.ActionInfo a : ActionCatalog.all()) {
            if (!a.name().equals("operate")) {
                v.put(a.name(), List.of(a.label()));
            }
        }
        ALSO.forEach((action, verb) -> v.computeIfPresent(action, (a, said) -> with(said, verb)));
        return v;
    }
}
