package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import orthopur.roundpack.PackCompiler;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.rulebook.PublicCodes;
import orthopur.rules.AllRules;
import tools.jackson.databind.JsonNode;

/** A Spanish round has no English in it: every text of every demo round is translated. */
class LanguageTest {
    private static final Path SPANISH =
            Path.of("..", "server", "src", "main", "resources", "languages", "es.json");

    private static final List<String> PROCEDURES =
            List.of(
                    "qk-sl1-end-of-shift",
                    "qk-sl1-oiling",
                    "qk-sl1-sharpening",
                    "qk-sw1-daily",
                    "qk-ov1-daily",
                    "qk-ov1-weekly",
                    "qk-fl1-daily",
                    "qk-ds1-daily",
                    "qk-tl1-line-clean");

    /** Words that no Spanish sentence of this trade has. */
    private static final Pattern ENGLISH =
            Pattern.compile(
                    "\\b(the|and|of|with|from|into|until|blade|wash|rinse|water|remove|hands|clean|"
                            + "put|take|hold|every|both|then|before|after|sink|guard|start|done|wipe)\\b",
                    Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CHARACTER_CLASS);

    private static Set<String> texts(RoundPack p) {
        Set<String> all = new TreeSet<>();
        all.add(p.title());
        for (PackStep s : p.steps()) {
            add(all, s.phase(), s.verb(), s.title(), s.words(), s.because(), s.caution());
            Stream.concat(s.off().stream(), s.on().stream())
                    .forEach(x -> add(all, x.name(), x.destination()));
            s.asks().forEach(a -> add(all, a.name(), a.detail()));
            s.checks().forEach(c -> add(all, c.name()));
            all.addAll(s.things());
            if (s.timer() != null) {
                all.add(s.timer().name());
            }
        }
        p.troubles()
                .forEach(
                        t -> {
                            all.add(t.title());
                            all.addAll(t.now());
                        });
        p.rework().forEach(r -> all.add(r.name()));
        p.instruments().forEach(i -> all.add(i.name()));
        return all;
    }

    private static void add(Set<String> all, String... texts) {
        Arrays.stream(texts).filter(t -> t != null && !t.isBlank()).forEach(all::add);
    }

    /** As the tablet looks it up: whole, without its number, or name by name. */
    private static boolean known(JsonNode spanish, String english) {
        if (english.isEmpty()) {
            return false;
        }
        String rest = english.substring(1);
        String first = english.substring(0, 1);
        if (spanish.has(english)
                || spanish.has(first.toUpperCase(Locale.ROOT) + rest)
                || spanish.has(first.toLowerCase(Locale.ROOT) + rest)) {
            return true;
        }
        Matcher numbered = Pattern.compile("(.*\\D) \\d+").matcher(english);
        if (numbered.matches() && known(spanish, numbered.group(1))) {
            return true;
        }
        Matcher position = Pattern.compile("(.*), \\d+ / \\d+").matcher(english);
        if (position.matches()) {
            return known(spanish, position.group(1));
        }
        Matcher running =
                Pattern.compile("(.*) (soaking|circulating|cooling|drying)(?:, (.*))?")
                        .matcher(english);
        if (running.matches()) {
            return known(spanish, running.group(1))
                    && known(spanish, running.group(2))
                    && (running.group(3) == null || known(spanish, running.group(3)));
        }
        Matcher more = Pattern.compile("(.*) and \\d+ more").matcher(english);
        return more.matches() ? known(spanish, more.group(1)) : list(spanish, english);
    }

    private static boolean list(JsonNode spanish, String english) {
        for (String joint : List.of(", ", " and ")) {
            for (int at = english.indexOf(joint); at > 0; at = english.indexOf(joint, at + 1)) {
                if (known(spanish, english.substring(0, at))
                        && known(spanish, english.substring(at + joint.length()))) {
                    return true;
                }
            }
        }
        return false;
    }

    private static JsonNode spanish() throws IOException {
        return Json.tree(Files.readString(SPANISH)).get("texts");
    }

    @Test
    void everyTextOfEveryRoundIsTranslated() throws IOException {
        JsonNode spanish = spanish();
        Set<String> missing = new TreeSet<>();
        for (String name : PROCEDURES) {
            var p = DemoSite.procedure(name);
            RoundPack pack =
                    PackCompiler.compile(
                            p,
                            1,
                            DemoSite.sheet(p.sheet()),
                            DemoSite.CONTEXT,
                            DemoSite.SITE.instruments());
            texts(pack).stream().filter(t -> !known(spanish, t)).forEach(missing::add);
        }
        assertEquals("", String.join("\n", missing), missing.size() + " texts lack Spanish");
    }

    private static final Path ENGLISH_TEXTS = SPANISH.resolveSibling("english");

    /**
     * Each sentence of a module, from its source: {@code Text.of("id", "English", …)}, and the
     * titles of the figures.
     */
    private static Map<String, String> saidBy(String module) throws IOException {
        Pattern said =
                Pattern.compile("\\bText\\.of\\(\\s*\"([^\"]+)\",\\s*\"((?:[^\"\\\\]|\\\\.)*)\"");
        Map<String, String> all = new TreeMap<>();
        try (Stream<Path> files = Files.walk(Path.of("..", module, "src", "main", "java"))) {
            for (Path file : files.filter(f -> f.toString().endsWith(".java")).toList()) {
                Matcher m = said.matcher(Files.readString(file));
                while (m.find()) {
                    String english = m.group(2).replace("\\\"", "\"");
                    String other = all.put(m.group(1), english);
                    assertTrue(
                            other == null || other.equals(english), m.group(1) + " is said twice");
                }
            }
        }
        if (module.equals("core")) {
            PublicCodes.book().figures().forEach(f -> all.put("figure." + f.id(), f.title()));
        }
        return all;
    }

    private static Map<String, String> english(String file) throws IOException {
        Map<String, String> all = new TreeMap<>();
        Json.tree(Files.readString(ENGLISH_TEXTS.resolve(file)))
                .properties()
                .forEach(e -> all.put(e.getKey(), e.getValue().asString()));
        return all;
    }

    /** What translators get is what the program says. */
    @ParameterizedTest
    @ValueSource(strings = {"core", "server"})
    void theEnglishIsTheOneInTheSource(String module) throws IOException {
        Map<String, String> said = saidBy(module);
        assertTrue(said.size() > 80);
        Path file = ENGLISH_TEXTS.resolve(module + ".json");
        if (Boolean.getBoolean("orthopur.write")) {
            Files.writeString(file, Json.write(said));
        }
        assertEquals(said, english(module + ".json"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"core", "server"})
    void everySentenceIsTranslated(String module) throws IOException {
        JsonNode spanish = spanish();
        assertEquals(
                List.of(),
                english(module + ".json").keySet().stream()
                        .filter(id -> !spanish.has(id))
                        .toList());
    }

    /** The rule book is read by who works by it. */
    @Test
    void everyRuleHasATitleInTheOtherLanguage() throws IOException {
        JsonNode spanish = spanish();
        assertEquals(
                List.of(),
                AllRules.list().stream()
                        .map(r -> r.info().title())
                        .filter(title -> !spanish.has(title))
                        .distinct()
                        .toList());
    }

    /** No sentence lacks what it says, and nothing is given that no sentence says. */
    @ParameterizedTest
    @ValueSource(strings = {"core", "server"})
    void eachSentenceIsGivenWhatItSays(String module) throws IOException {
        Pattern place = Pattern.compile("\\{([0-9])[,}]");
        List<String> wrong = new ArrayList<>();
        try (Stream<Path> files = Files.walk(Path.of("..", module, "src", "main", "java"))) {
            for (Path file : files.filter(f -> f.toString().endsWith(".java")).toList()) {
                String code = Files.readString(file);
                for (int at = code.indexOf("Text.of(");
                        at >= 0;
                        at = code.indexOf("Text.of(", at + 1)) {
                    List<String> given = arguments(code, at + "Text.of(".length());
                    Set<String> said = new TreeSet<>();
                    Matcher m = place.matcher(given.get(1));
                    while (m.find()) {
                        said.add(m.group(1));
                    }
                    if (given.get(0).startsWith("\"") && said.size() != given.size() - 2) {
                        wrong.add(given.get(0) + " is given " + (given.size() - 2));
                    }
                }
            }
        }
        assertEquals(List.of(), wrong);
    }

    /** The arguments of a call, from behind its parenthesis. */
    private static List<String> arguments(String code, int from) {
        List<String> all = new ArrayList<>();
        int depth = 0;
        boolean quoted = false;
        int begun = from;
        for (int i = from; ; i++) {
            char c = code.charAt(i);
            if (quoted) {
                i += c == '\\' ? 1 : 0;
                quoted = c != '"';
            } else if (c == '"') {
                quoted = true;
            } else if (depth == 0 && (c == ',' || c == ')')) {
                all.add(code.substring(begun, i).strip());
                begun = i + 1;
                if (c == ')') {
                    return all;
                }
            } else if (c == '(' || c == '[' || c == '{') {
                depth++;
            } else if (c == ')' || c == ']' || c == '}') {
                depth--;
            }
        }
    }

    @Test
    void noEnglishWordIsLeftInTheSpanish() throws IOException {
        List<String> english = new ArrayList<>();
        spanish()
                .properties()
                .forEach(
                        e -> {
                            String text = e.getValue().asString();
                            boolean typed = AS_TYPED.contains(e.getKey());
                            if (!typed && ENGLISH.matcher(text).find()) {
                                english.add(text);
                            }
                        });
        assertEquals(List.of(), english);
        assertTrue(spanish().size() > 500);
    }

    /** What is filled in stays where it is: {0} and {1} are in both. */
    @Test
    void placesToFillAreTheSame() throws IOException {
        Map<String, String> sentences = new TreeMap<>(english("interface.json"));
        sentences.putAll(english("core.json"));
        sentences.putAll(english("server.json"));
        spanish()
                .properties()
                .forEach(
                        e -> {
                            String original = sentences.getOrDefault(e.getKey(), e.getKey());
                            for (int n = 0; n < 7; n++) {
                                Pattern place = Pattern.compile("\\{" + n + "[,}]");
                                assertEquals(
                                        place.matcher(original).find(),
                                        place.matcher(e.getValue().asString()).find(),
                                        e.getKey());
                            }
                        });
    }

    /** Sentences that are typed as they stand, in any language. */
    private static final Set<String> AS_TYPED =
            Set.of(
                    "begin.begin.orthopur-start-recover",
                    "procedures.line-field.wash-pusher-with-sudmere-n-1");
}
