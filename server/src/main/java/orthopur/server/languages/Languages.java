package orthopur.server.languages;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.formats.language.ProgramWords;
import orthopur.formats.language.Spoken;
import orthopur.round.Role;
import orthopur.server.people.Person;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Otherwise;
import orthopur.server.platform.Said;
import orthopur.server.platform.StoredJson;
import orthopur.text.Text;
import tools.jackson.core.JacksonException;

/** The languages that ship, and those that this site has put beside its data. */
@RestController
@MayUse
@RequestMapping("/api/languages")
public class Languages {
    private static final Logger LOG = LoggerFactory.getLogger(Languages.class);

    private final StoredJson json;
    private final Documents documents;
    private final Path folder;
    private final Map<String, String> english;
    private final Map<String, List<String>> sentences = new TreeMap<>();

    /** Inspection lists of earlier versions have these in English alone. */
    private final Map<String, String> inspections = new TreeMap<>();

    Languages(StoredJson json, Documents documents, @Value("${orthopur.data}") String data) {
        this.json = json;
        this.documents = documents;
        this.english = sentences(json, "interface");
        this.english.forEach(
                (id, e) -> sentences.computeIfAbsent(e, k -> new ArrayList<>()).add(id));
        this.folder = Path.of(data, "languages");
        sentences(json, "core")
                .forEach(
                        (id, e) -> {
                            if (id.startsWith("inspection.")) {
                                inspections.put(id, e);
                            }
                        });
    }

    /**
     * One language.
     *
     * @param code as in BCP 47, for instance "es"
     * @param texts each sentence by its id; texts of sheets and procedures and words of the program
     *     by their English, put together from places and ids at each answer
     * @param own by document, what it says of an English that stands otherwise in {@code texts}
     */
    record Language(
            String code,
            String name,
            Map<String, String> texts,
            Map<String, Map<String, String>> own) {
        Language {
            own = own == null ? Map.of() : own;
        }
    }

    record LanguageName(String code, String name) {}

    @GetMapping
    List<LanguageName> all() {
        return read().values().stream().map(l -> new LanguageName(l.code(), l.name())).toList();
    }

    @GetMapping("/{code}")
    Language one(@PathVariable String code) {
        Language found = file(code);
        // A site's own word for a piece of English stands above what is put together.
        Map<String, Map<String, String>> said = documents.in(code);
        Map<String, String> texts = kept(found, said);
        texts.putAll(found.texts());
        return new Language(code, found.name(), texts, own(said, texts));
    }

    /** Where two documents, or one and the program, say one English in two ways. */
    private static Map<String, Map<String, String>> own(
            Map<String, Map<String, String>> said, Map<String, String> texts) {
        Map<String, Map<String, String>> own = new TreeMap<>();
        said.forEach(
                (document, its) ->
                        its.forEach(
                                (english, text) -> {
                                    if (!text.equals(texts.get(english))) {
                                        own.computeIfAbsent(document, d -> new TreeMap<>())
                                                .put(english, text);
                                    }
                                }));
        return own;
    }

    /**
     * A document with its texts in two languages.
     *
     * @param title what people call it
     * @param language its name, as its speakers call it
     */
    record TwoLanguages(
            String document, String title, String language, List<Documents.TextRow> rows) {}

    /** What is said, by the paths of the texts. */
    record Put(Map<String, String> texts) {}

    @GetMapping("/{code}/documents/{document}")
    TwoLanguages document(@PathVariable String code, @PathVariable String document) {
        return new TwoLanguages(
                document,
                documents.title(document),
                file(code).name(),
                documents.rows(code, document));
    }

    @MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.TRANSLATIONS)
    @PutMapping("/{code}/documents/{document}")
    TwoLanguages put(
            @PathVariable String code,
            @PathVariable String document,
            @RequestBody Put in,
            @AuthenticationPrincipal Person person) {
        file(code);
        documents.put(code, document, in.texts(), person);
        return document(code, document);
    }

    /** The language as its files have it, by ids. */
    private Language file(String code) {
        Language found = read().get(code);
        if (found == null) {
            throw Said.notFound(
                    Text.of(
                            "languages.there-is-no-language-here",
                            "There is no language \"{0}\" here.",
                            code));
        }
        return found;
    }

    /**
     * The sentences by their ids.
     *
     * @param code as in BCP 47; none for "en" or nothing, in which the texts are
     * @throws Said when there is no such language
     */
    public Map<String, String> texts(String code) {
        return code.isEmpty() || code.equals("en") ? Map.of() : file(code).texts();
    }

    /**
     * What is kept in English, in that language.
     *
     * @param read documents that are read: where two say one English otherwise, theirs counts
     */
    public Spoken spoken(String code, String... read) {
        if (code.isEmpty() || code.equals("en")) {
            return new Spoken(Map.of());
        }
        Language language = one(code);
        Map<String, String> texts = new TreeMap<>(language.texts());
        for (String document : read) {
            texts.putAll(language.own().getOrDefault(document, Map.of()));
        }
        return new Spoken(texts);
    }

    /**
     * The language of a page on paper.
     *
     * @param read documents that stand on it
     * @throws Said when there is no such language
     */
    public Tongue tongue(String code, String... read) {
        return code.isEmpty() || code.equals("en")
                ? Tongue.english()
                : new Tongue(code, texts(code), spoken(code, read));
    }

    /**
     * What a sentence says in a language, without arguments.
     *
     * @param texts of the language, as {@link #texts} gives them
     */
    public static String say(Map<String, String> texts, Text sentence) {
        return texts.getOrDefault(sentence.id(), sentence.english());
    }

    /**
     * What an id of the interface says; the id itself where the interface has none of that name.
     */
    public String say(Map<String, String> texts, String id) {
        return texts.getOrDefault(id, english.getOrDefault(id, id));
    }

    /** Read each time: a file that is put into the folder is there at once. */
    private Map<String, Language> read() {
        Map<String, Language> all = new TreeMap<>();
        try {
            for (Resource r :
                    new PathMatchingResourcePatternResolver()
                            .getResources("classpath:languages/*.json")) {
                try (InputStream in = r.getInputStream()) {
                    add(all, json.read(in, Language.class));
                }
            }
            for (Path file : ownFiles()) {
                try {
                    add(all, json.read(Files.readString(file), Language.class));
                } catch (IOException | JacksonException e) {
                    LOG.warn("The language file {} cannot be read: {}", file, e.getMessage());
                }
            }
        } catch (IOException e) {
            throw new IllegalStateException("The languages cannot be read.", e);
        }
        return all;
    }

    /** By their English: words of the program, and what the documents of this site say now. */
    private Map<String, String> kept(Language l, Map<String, Map<String, String>> documents) {
        Map<String, String> all = new TreeMap<>();
        documents.values().forEach(all::putAll);
        for (Map<String, String> words : List.of(ProgramWords.all(), inspections)) {
            words.forEach(
                    (id, e) -> {
                        String said = l.texts().get(id);
                        if (said != null) {
                            all.put(e, said);
                        }
                    });
        }
        return all;
    }

    private List<String> idsOf(String english) {
        return sentences.getOrDefault(english, List.of());
    }

    private static Map<String, String> sentences(StoredJson json, String of) {
        try (InputStream in =
                Languages.class.getResourceAsStream("/languages/english/" + of + ".json")) {
            return json.read(in, Sentences.class);
        } catch (IOException e) {
            throw new IllegalStateException("The sentences in English cannot be read.", e);
        }
    }

    /** Each sentence in English, by its id. */
    private static final class Sentences extends TreeMap<String, String> {
        private static final long serialVersionUID = 1;
    }

    private List<Path> ownFiles() throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(f -> f.toString().endsWith(".json")).sorted().toList();
        }
    }

    /** A site's own file adds to and stands above what ships. */
    private void add(Map<String, Language> all, Language l) {
        List<String> missing = new ArrayList<>();
        if (l.code() == null || l.name() == null || l.texts() == null) {
            missing.add("code, name and texts");
        }
        if (!missing.isEmpty()) {
            LOG.warn("A language file lacks {}.", missing);
            return;
        }
        Language shipped = all.get(l.code());
        Map<String, String> texts = new TreeMap<>(shipped == null ? Map.of() : shipped.texts());
        // A file from before sentences had ids names those of the interface by their English.
        l.texts().forEach((key, text) -> idsOf(key).forEach(id -> texts.put(id, text)));
        texts.putAll(l.texts());
        all.put(l.code(), new Language(l.code(), l.name(), texts, Map.of()));
    }
}
