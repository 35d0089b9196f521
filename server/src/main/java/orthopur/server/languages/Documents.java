package orthopur.server.languages;

import static orthopur.db.Tables.TRANSLATION;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import orthopur.formats.ChemicalsFormat;
import orthopur.formats.FormatError;
import orthopur.formats.Json;
import orthopur.formats.SheetFormat;
import orthopur.formats.language.DocumentTexts;
import orthopur.formats.language.Translation;
import orthopur.machine.MachineSheet;
import orthopur.machine.Problem;
import orthopur.server.machines.Premises;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Person;
import orthopur.server.platform.Said;
import orthopur.server.platform.SiteLog;
import orthopur.server.procedures.Versions;
import orthopur.text.Text;
import tools.jackson.databind.JsonNode;

/**
 * What the sheets, procedures, chemicals and the site say in another language: from the files that
 * ship beside those of the demo, from those of this site in {@code languages/<code>/} of its data,
 * and as it was entered here, which stands above both.
 */
@Component
class Documents {
    private static final Logger LOG = LoggerFactory.getLogger(Documents.class);
    private static final int MOST_LETTERS = 2000;

    private final DSLContext db;
    private final Sheets sheets;
    private final Versions procedures;
    private final Premises premises;
    private final Clock clock;
    private final SiteLog log;
    private final Path folder;

    Documents(
            DSLContext db,
            Sheets sheets,
            Versions procedures,
            Premises premises,
            Clock clock,
            SiteLog log,
            @Value("${orthopur.data}") String data) {
        this.db = db;
        this.sheets = sheets;
        this.procedures = procedures;
        this.premises = premises;
        this.clock = clock;
        this.log = log;
        this.folder = Path.of(data, "languages");
    }

    /**
     * One text of a document.
     *
     * @param path of ids and fields in the document
     * @param place what it belongs to, as people call it: a part, "12" for a step
     * @param field of the format
     * @param said in the other language; null where nothing is said of these words
     * @param was what was said of earlier words of this place, where they have changed since
     */
    record TextRow(
            String path,
            String place,
            String field,
            String english,
            @Nullable String said,
            @Nullable String was) {}

    /**
     * The texts of a document as it is now, in its own order.
     *
     * @throws Said when there is no such document
     */
    List<TextRow> rows(String language, String document) {
        JsonNode now = Json.tree(newest(document));
        List<Translation> all = of(language, document);
        Map<String, String> texts = DocumentTexts.of(now);
        Map<String, String> said = new HashMap<>();
        all.forEach(t -> said.putAll(t.of(texts)));
        List<TextRow> rows = new ArrayList<>();
        texts.forEach(
                (path, english) -> {
                    String other = said.get(english);
                    rows.add(
                            new TextRow(
                                    path,
                                    DocumentTexts.place(now, path),
                                    field(path),
                                    english,
                                    other,
                                    other == null ? earlier(all, path) : null));
                });
        return rows;
    }

    /** The last of its path that is no place in a list. */
    private static String field(String path) {
        String[] ids = path.split("\\.");
        int last = ids.length - 1;
        while (last > 0 && ids[last].chars().allMatch(Character::isDigit)) {
            last--;
        }
        return ids[last];
    }

    /** What people call the document: the name of a machine, the title of a procedure. */
    String title(String document) {
        JsonNode now = Json.tree(newest(document));
        String title = now.path("title").asString(now.path("name").asString(""));
        return title.isEmpty() ? document : title;
    }

    private static @Nullable String earlier(List<Translation> all, String path) {
        String was = null;
        for (Translation t : all) {
            Translation.Said before = t.texts().get(path);
            was = before == null ? was : before.text();
        }
        return was;
    }

    /**
     * Takes over what is said of texts by their paths; an empty one takes back what was said here.
     *
     * @throws FormatError when a path is none of the document, or a text too long
     */
    @Transactional
    public void put(String language, String document, Map<String, String> said, Person by) {
        Map<String, String> now = DocumentTexts.of(Json.tree(newest(document)));
        List<Problem> problems = new ArrayList<>();
        said.forEach(
                (path, text) -> {
                    if (!now.containsKey(path)) {
                        problems.add(
                                new Problem(
                                        "/texts/" + path,
                                        Text.of(
                                                "documents.the-document-has-no-text-at",
                                                "The document has no text at \"{0}\".",
                                                path)));
                    } else if (text == null || text.length() > MOST_LETTERS) {
                        problems.add(
                                new Problem(
                                        "/texts/" + path,
                                        Text.of(
                                                "documents.a-text-has-up-to-letters",
                                                "A text has up to {0} letters.",
                                                MOST_LETTERS)));
                    }
                });
        if (!problems.isEmpty()) {
            throw new FormatError(problems);
        }
        String before = Json.write(entered(language, document));
        said.forEach((path, text) -> put(language, document, path, now, text.strip(), by));
        log.keep("translation", before, Json.write(entered(language, document)), by.name());
    }

    private void put(
            String language,
            String document,
            String path,
            Map<String, String> now,
            String text,
            Person by) {
        // The same words are one text wherever they stand in a document: what was said last counts.
        entered(language, document)
                .texts()
                .forEach(
                        (place, said) -> {
                            if (place.equals(path)
                                    || Translation.same(said.of(), now.getOrDefault(path, ""))) {
                                remove(language, document, place);
                            }
                        });
        if (!text.isEmpty()) {
            db.insertInto(TRANSLATION)
                    .set(TRANSLATION.LANGUAGE, language)
                    .set(TRANSLATION.DOCUMENT, document)
                    .set(TRANSLATION.PATH, path)
                    .set(TRANSLATION.ENGLISH, now.get(path))
                    .set(TRANSLATION.SAID, text)
                    .set(TRANSLATION.WHO, by.name())
                    .set(TRANSLATION.PUT_AT, clock.millis())
                    .execute();
        }
    }

    private void remove(String language, String document, String path) {
        db.deleteFrom(TRANSLATION)
                .where(TRANSLATION.LANGUAGE.eq(language))
                .and(TRANSLATION.DOCUMENT.eq(document))
                .and(TRANSLATION.PATH.eq(path))
                .execute();
    }

    /** What was entered here of a document. */
    private Translation entered(String language, String document) {
        SortedMap<String, Translation.Said> all = new TreeMap<>();
        db.selectFrom(TRANSLATION)
                .where(TRANSLATION.LANGUAGE.eq(language).and(TRANSLATION.DOCUMENT.eq(document)))
                .fetch()
                .forEach(
                        r ->
                                all.put(
                                        r.getPath(),
                                        new Translation.Said(r.getEnglish(), r.getSaid())));
        return new Translation(document, language, all);
    }

    private List<Translation> of(String language, String document) {
        return all(language).stream().filter(t -> t.document().equals(document)).toList();
    }

    /** As it is written now; the newest version where there are several. */
    private String newest(String document) {
        if (document.equals("site")) {
            return premises.now().site().write();
        }
        if (document.equals("chemicals")) {
            return ChemicalsFormat.write(premises.now().chemicals());
        }
        return procedures.stored().stream()
                .filter(p -> p.id().equals(document))
                .max(Comparator.comparing(Versions.Stored::version))
                .map(Versions.Stored::document)
                .orElseGet(() -> SheetFormat.write(sheets.newest(document)));
    }

    /**
     * The texts of each document by their English; those of its newest version last, so that they
     * stand above.
     */
    Map<String, Map<String, String>> in(String language) {
        Map<String, List<Translation>> files = new TreeMap<>();
        for (Translation t : all(language)) {
            files.computeIfAbsent(t.document(), d -> new ArrayList<>()).add(t);
        }
        Map<String, Map<String, String>> all = new LinkedHashMap<>();
        if (files.isEmpty()) {
            return all;
        }
        for (MachineSheet s : sheets.everyVersion()) {
            put(all, s.code(), files, SheetFormat.write(s));
        }
        for (Versions.Stored p : procedures.stored()) {
            put(all, p.id(), files, p.document());
        }
        put(all, "chemicals", files, ChemicalsFormat.write(premises.now().chemicals()));
        put(all, "site", files, premises.now().site().write());
        return all;
    }

    private static void put(
            Map<String, Map<String, String>> all,
            String id,
            Map<String, List<Translation>> files,
            String document) {
        List<Translation> translations = files.get(id);
        if (translations != null) {
            Map<String, String> now = DocumentTexts.of(Json.tree(document));
            Map<String, String> said = all.computeIfAbsent(id, d -> new TreeMap<>());
            translations.forEach(t -> said.putAll(t.of(now)));
        }
    }

    /** What ships first, so that the site's own stands above it. */
    private List<Translation> all(String language) {
        List<Translation> all = files(language);
        db.selectDistinct(TRANSLATION.DOCUMENT)
                .from(TRANSLATION)
                .where(TRANSLATION.LANGUAGE.eq(language))
                .orderBy(TRANSLATION.DOCUMENT)
                .fetch(TRANSLATION.DOCUMENT)
                .forEach(d -> all.add(entered(language, d)));
        return all;
    }

    private List<Translation> files(String language) {
        List<Translation> all = new ArrayList<>();
        try {
            for (Resource r :
                    new PathMatchingResourcePatternResolver()
                            .getResources("classpath*:demo/languages/" + language + "/*.json")) {
                try (InputStream in = r.getInputStream()) {
                    all.add(
                            Translation.read(
                                    new String(in.readAllBytes(), StandardCharsets.UTF_8)));
                }
            }
            Path own = folder.resolve(language);
            if (Files.isDirectory(own)) {
                try (Stream<Path> in = Files.list(own)) {
                    in.filter(f -> f.toString().endsWith(".json"))
                            .sorted()
                            .forEach(f -> own(f, all));
                }
            }
        } catch (IOException e) {
            throw new IllegalStateException("The languages cannot be read.", e);
        }
        return all;
    }

    private static void own(Path file, List<Translation> all) {
        try {
            all.add(Translation.read(Files.readString(file)));
        } catch (IOException | FormatError e) {
            LOG.warn("The language file {} cannot be read: {}", file, e.getMessage());
        }
    }
}
