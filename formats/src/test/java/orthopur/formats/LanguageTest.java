package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import orthopur.formats.language.DocumentTexts;
import orthopur.formats.language.ProgramWords;
import orthopur.formats.language.Sentences;
import orthopur.formats.language.Spoken;
import orthopur.formats.language.Translation;
import orthopur.machine.Configuration;
import orthopur.machine.MachineSheet;
import orthopur.round.Refused;
import orthopur.roundpack.PackCompiler;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.rulebook.Citation;
import orthopur.rulebook.PublicCodes;
import orthopur.rules.AllRules;
import orthopur.takeapart.TakeApartMap;
import orthopur.text.Text;
import tools.jackson.databind.JsonNode;

/** A Spanish round has no English in it: every text of every demo round is translated. */
class LanguageTest {
    private static final Path SPANISH =
            Path.of("..", "server", "src", "main", "resources", "languages", "es.json");

    private static final Path TRANSLATIONS = Path.of("..", "demo", "languages", "es");

    /** Words that no Spanish sentence of this trade has. */
    /** Small words that no Spanish sentence has: what a finding was put together of. */
    private static final Pattern PIECES =
            Pattern.compile(
                    "\\b(is|are|was|at|by|or|to|for|its|it|off|aside|taken|moved|back|not|only|least|most|than|has|have|stated|step)\\b",
                    Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CHARACTER_CLASS);

    private static final Pattern ENGLISH =
            Pattern.compile(
                    "\\b(the|and|of|with|from|into|until|blade|wash|rinse|water|remove|hands|clean|"
                            + "put|take|hold|every|both|then|before|after|sink|guard|start|done|wipe)\\b",
                    Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CHARACTER_CLASS);

    private static Set<String> texts(RoundPack p) {
        Set<String> all = new TreeSet<>();
        all.add(p.title());
        for (PackStep s : p.steps()) {
            add(all, s.phase(), s.verb(), s.words(), s.because(), s.caution());
            Stream.concat(s.off().stream(), s.on().stream())
                    .forEach(x -> add(all, x.destination()));
            all.addAll(s.things());
        }
        p.rework().forEach(r -> all.add(r.name()));
        p.instruments().forEach(i -> all.add(i.name()));
        return all;
    }

    private static List<Text> sentences(RoundPack p) {
        List<Text> all = new ArrayList<>();
        for (PackStep s : p.steps()) {
            all.add(s.title());
            s.asks().forEach(a -> Stream.of(a.name(), plain(a.detail())).forEach(all::add));
            s.checks().forEach(c -> all.add(c.name()));
            Stream.concat(s.off().stream(), s.on().stream()).forEach(x -> all.add(x.name()));
            if (s.timer() != null) {
                all.add(s.timer().name());
            }
            if (s.reading() != null) {
                all.add(s.reading().planned());
            }
        }
        for (RoundPack.Trouble t : p.troubles()) {
            all.add(t.title());
            all.addAll(t.now());
        }
        return all;
    }

    private static Text plain(@Nullable Text said) {
        return said == null ? Text.plain("") : said;
    }

    private static void add(Set<String> all, String... texts) {
        Arrays.stream(texts).filter(t -> t != null && !t.isBlank()).forEach(all::add);
    }

    private static JsonNode spanish() throws IOException {
        return Json.tree(Files.readString(SPANISH)).get("texts");
    }

    /** Each document of the demo by its name, as the server keeps it. */
    private static Map<String, JsonNode> documents() {
        Map<String, JsonNode> all = new TreeMap<>();
        DemoSite.MACHINES.forEach(
                m -> all.put(m, Json.tree(DemoSite.text("machines/" + m + ".json"))));
        DemoSite.PROCEDURES.forEach(
                p -> all.put(p, Json.tree(DemoSite.text("procedures/" + p + ".json"))));
        List.of("site", "chemicals")
                .forEach(d -> all.put(d, Json.tree(DemoSite.text(d + ".json"))));
        return all;
    }

    /** A letter, a figure and a product are the same in every language. */
    private static boolean says(String text) {
        return text.chars().filter(Character::isLowerCase).count() > 1
                && !PROPER.contains(text)
                && !text.matches("[\\d.,]+ (mg/L|mL|min|cm|mm|kg|kPa)");
    }

    private static Translation translation(String document) throws IOException {
        return Translation.read(Files.readString(TRANSLATIONS.resolve(document + ".json")));
    }

    /** Texts of documents and words of the program, as a tablet in Spanish shows them. */
    private static Spoken spoken() throws IOException {
        JsonNode spanish = spanish();
        Map<String, String> words = new TreeMap<>(ProgramWords.all());
        Map<String, String> texts = new TreeMap<>();
        words.forEach((id, e) -> texts.put(e, spanish.get(id).asString()));
        for (Map.Entry<String, JsonNode> d : documents().entrySet()) {
            texts.putAll(translation(d.getKey()).of(DocumentTexts.of(d.getValue())));
        }
        return new Spoken(texts);
    }

    @Test
    void everyTextOfEveryRoundIsTranslated() throws IOException {
        Spoken spoken = spoken();
        JsonNode spanish = spanish();
        Set<String> missing = new TreeSet<>();
        for (String name : DemoSite.APPROVED) {
            var p = DemoSite.procedure(name);
            if (!p.coversFitted(DemoSite.sheet(p.sheet()))) {
                // Another way of fitting never reaches a tablet.
                continue;
            }
            RoundPack pack =
                    PackCompiler.compile(
                            p,
                            1,
                            DemoSite.sheet(p.sheet()),
                            DemoSite.CONTEXT,
                            DemoSite.SITE.instruments());
            texts(pack).stream()
                    .filter(LanguageTest::says)
                    .filter(t -> spoken.known(t) == null)
                    .forEach(missing::add);
            sentences(pack).forEach(t -> lacking(t, spanish, spoken, missing));
        }
        assertEquals("", String.join("\n", missing), missing.size() + " texts lack Spanish");
    }

    /** What of a sentence is English in Spanish: itself, or a name that stands in it. */
    private static void lacking(Object said, JsonNode spanish, Spoken spoken, Set<String> missing) {
        switch (said) {
            case Text t when t.id().isEmpty() -> lacking(t.toString(), spanish, spoken, missing);
            case Text t -> {
                if (!spanish.has(t.id())) {
                    missing.add(t.id());
                }
                for (Object arg : t.args()) {
                    lacking(arg, spanish, spoken, missing);
                }
            }
            case List<?> all -> {
                for (Object arg : all) {
                    lacking(arg, spanish, spoken, missing);
                }
            }
            case String s when says(s) && spoken.known(s) == null -> missing.add(s);
            default -> {}
        }
    }

    /** What a sheet says of its parts is put together of sentences and names that have Spanish. */
    @Test
    void everySentenceOfEverySheetIsTranslated() throws IOException {
        Spoken spoken = spoken();
        JsonNode spanish = spanish();
        Set<String> missing = new TreeSet<>();
        List<Text> all = new ArrayList<>();
        for (String name : DemoSite.MACHINES) {
            MachineSheet sheet = DemoSite.sheet(name);
            TakeApartMap map = TakeApartMap.of(sheet, Configuration.fitted(sheet));
            map.nodes().forEach(n -> all.addAll(n.sentences()));
            map.nodes().forEach(n -> all.addAll(n.surfaces()));
            map.energies().forEach(e -> all.addAll(e.sentences()));
        }
        assertTrue(all.size() > 500, all.size() + " sentences");
        for (Text t : all) {
            lacking(t, spanish, spoken, missing);
        }
        assertEquals("", String.join("\n", missing), missing.size() + " sentences lack Spanish");
    }

    /** What a rule or a figure rests on is a sentence with an id, or the paragraph of a code. */
    @Test
    void everySourceIsACodeOrASentence() {
        Set<String> left = new TreeSet<>();
        PublicCodes.book().figures().forEach(f -> codes(Citation.said(f.source()), left));
        AllRules.list().forEach(r -> codes(Citation.said(r.info().source()), left));
        assertTrue(left.size() > 20, left.toString());
        left.removeIf(c -> c.matches("(Food Code 2022, |\\d+ CFR |ISO |DHHS |CPSC )\\d.*"));
        assertEquals(Set.of(), left);
    }

    /** What of a source is the same in every language. */
    private static void codes(Text source, Set<String> codes) {
        if (source.id().isEmpty()) {
            codes.add(source.toString());
        }
        for (Object arg : source.args()) {
            if (arg instanceof Text t) {
                codes(t, codes);
            }
        }
    }

    /** Each text that somebody wrote has its translation beside it, and none is of old words. */
    @Test
    void everyDocumentIsTranslatedWhole() throws IOException {
        List<String> missing = new ArrayList<>();
        List<String> old = new ArrayList<>();
        for (Map.Entry<String, JsonNode> d : documents().entrySet()) {
            Map<String, String> now = DocumentTexts.of(d.getValue());
            Translation t = translation(d.getKey());
            Map<String, String> said = t.of(now);
            now.forEach(
                    (path, text) -> {
                        if (!said.containsKey(text) && !PROPER.contains(text)) {
                            missing.add(d.getKey() + " " + path + ": " + text);
                        }
                    });
            t.texts().keySet().stream()
                    .filter(path -> !now.containsKey(path))
                    .forEach(path -> old.add(d.getKey() + " " + path));
        }
        assertEquals("", String.join("\n", missing), missing.size() + " texts lack Spanish");
        assertEquals(List.of(), old);
    }

    /** One name is called one thing: who fetches the "pitcher" finds it in every procedure. */
    @Test
    void theSameWordsAreTranslatedAlike() throws IOException {
        Map<String, Set<String>> all = new TreeMap<>();
        for (String d : documents().keySet()) {
            translation(d)
                    .texts()
                    .values()
                    .forEach(s -> all.computeIfAbsent(s.of(), o -> new TreeSet<>()).add(s.text()));
        }
        all.values().removeIf(x -> x.size() == 1);
        assertEquals(Map.of(), all);
    }

    /** Names of products and of the site. */
    private static final Set<String> PROPER =
            Set.of(
                    "Quillmere Kitchens",
                    "Ambrivo I-1.75",
                    "Grislow D",
                    "Halvern H12",
                    "Karstol A",
                    "Lyebourne C25",
                    "Orlin 3",
                    "Ozelle P5",
                    "Palimar Q10",
                    "Sudmere CA",
                    "Sudmere N");

    private static final Path ENGLISH_TEXTS = SPANISH.resolveSibling("english");

    /**
     * Each sentence of a module, from its source: {@code Text.of("id", "English", …)}, and the
     * titles of the figures, and why an entry is refused.
     */
    private static Map<String, String> saidBy(String module) throws IOException {
        Pattern said =
                Pattern.compile(
                        "\\b(?:Text\\.of|t\\.say)\\(\\s*\"([^\"]+)\",\\s*\"((?:[^\"\\\\]|\\\\.)*)\"");
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
        if (module.equals("server")) {
            all.putAll(saidOnPaper());
        }
        if (module.equals("core")) {
            PublicCodes.book().figures().forEach(f -> all.put("figure." + f.id(), f.title()));
            Stream.of(Refused.Why.values()).forEach(w -> all.put(w.id(), w.english()));
        }
        return all;
    }

    /** Each sentence of a page on paper, from its template: {@code t.say('id', 'English'}. */
    private static Map<String, String> saidOnPaper() throws IOException {
        Pattern said = Pattern.compile("\\bt\\.say\\('([^']+)', '([^']*)'");
        Map<String, String> all = new TreeMap<>();
        try (Stream<Path> files =
                Files.list(Path.of("..", "server", "src", "main", "resources", "prints"))) {
            for (Path file : files.filter(f -> f.toString().endsWith(".html")).toList()) {
                Matcher m = said.matcher(Files.readString(file));
                while (m.find()) {
                    String other = all.put(m.group(1), m.group(2));
                    assertTrue(
                            other == null || other.equals(m.group(2)),
                            m.group(1) + " is said twice");
                }
            }
        }
        assertTrue(all.size() > 30);
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
    @ValueSource(strings = {"core", "formats", "server"})
    void theEnglishIsTheOneInTheSource(String module) throws IOException {
        Map<String, String> said = saidBy(module);
        assertTrue(said.size() > 40);
        Path file = ENGLISH_TEXTS.resolve(module + ".json");
        if (Boolean.getBoolean("orthopur.write")) {
            Files.writeString(file, Json.write(said));
        }
        assertEquals(said, english(module + ".json"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"core", "formats", "server"})
    void everySentenceIsTranslated(String module) throws IOException {
        JsonNode spanish = spanish();
        assertEquals(
                List.of(),
                english(module + ".json").keySet().stream()
                        .filter(id -> !spanish.has(id))
                        .toList());
    }

    /** Titles of rules, verbs, fields of forms and their words. */
    @Test
    void everyWordOfTheProgramIsTranslated() throws IOException {
        Map<String, String> words = ProgramWords.all();
        Path file = ENGLISH_TEXTS.resolve("words.json");
        if (Boolean.getBoolean("orthopur.write")) {
            Files.writeString(file, Json.write(words));
        }
        assertEquals(words, english("words.json"));
        JsonNode spanish = spanish();
        assertEquals(List.of(), words.keySet().stream().filter(id -> !spanish.has(id)).toList());
    }

    /** The file has ids and nothing else: no sentence is found by its English. */
    @Test
    void everyTextOfTheLanguageHasAnId() throws IOException {
        Set<String> ids = new TreeSet<>();
        for (String file : List.of("interface", "core", "formats", "server", "words")) {
            ids.addAll(english(file + ".json").keySet());
        }
        assertEquals(
                List.of(),
                spanish().properties().stream()
                        .map(Map.Entry::getKey)
                        .filter(k -> !ids.contains(k))
                        .toList());
    }

    /** No sentence lacks what it says, and nothing is given that no sentence says. */
    @ParameterizedTest
    @ValueSource(strings = {"core", "formats", "server"})
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
        for (String d : documents().keySet()) {
            translation(d).texts().values().stream()
                    .map(Translation.Said::text)
                    .filter(t -> ENGLISH.matcher(t).find())
                    .forEach(english::add);
        }
        assertEquals(List.of(), english);
        assertTrue(spanish().size() > 500);
    }

    /** What is put together in a finding, from all that gets past a rule or not. */
    @Test
    void noFindingIsHalfInEnglish() throws IOException {
        Map<String, String> texts = new TreeMap<>();
        spanish().properties().forEach(e -> texts.put(e.getKey(), e.getValue().asString()));
        Sentences sentences = new Sentences(texts, spoken());
        Set<String> left = new TreeSet<>();
        HostileTest.found()
                .forEach(
                        f -> {
                            for (Text t : List.of(f.finding().said(), f.finding().why())) {
                                String said = sentences.sentence(TextDocument.of(t));
                                boolean typed =
                                        t.args().stream()
                                                .anyMatch(a -> a instanceof String s && f.typed(s));
                                if (!typed
                                        && (ENGLISH.matcher(said).find()
                                                || PIECES.matcher(said).find())) {
                                    left.add(f.finding().rule() + ": " + said);
                                }
                            }
                        });
        assertEquals(Set.of(), left);
    }

    /** What is filled in stays where it is: {0} and {1} are in both. */
    @Test
    void placesToFillAreTheSame() throws IOException {
        Map<String, String> sentences = new TreeMap<>(english("interface.json"));
        sentences.putAll(english("core.json"));
        sentences.putAll(english("formats.json"));
        sentences.putAll(english("server.json"));
        sentences.putAll(english("words.json"));
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
                    "calc.swab-sample.blade-guard-with-sites-of-the",
                    "translation.it-needs-of-and-text-both",
                    "procedures.line-field.wash-pusher-with-sudmere-n-1");
}
