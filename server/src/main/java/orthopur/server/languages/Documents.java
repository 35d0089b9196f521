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
import tools.jackson.databind.JsonNode;

/**
 * What the sheets, procedures, chemicals and the site say in another language, from the files
 * beside them: those of the demo that ship, and those of this site in {@code languages/<code>/} of
 * its data.
 */
@Component
class Documents {
    private static final Logger LOG = LoggerFactory.getLogger(Documents.class);

    private final Sheets sheets;
    private final Versions procedures;
    private final Premises premises;

    Documents(Sheets sheets, Versions procedures, Premises premises) {
        this.sheets = sheets;
        this.procedures = procedures;
        this.premises = premises;
    }

    /** The texts of all documents by their English; those of the newest version last. */
    Map<String, String> in(String language) {
        Map<String, List<Translation>> files = new TreeMap<>();
        for (Translation t : all(language)) {
            files.computeIfAbsent(t.document(), d -> new ArrayList<>()).add(t);
        }
        Map<String, String> all = new TreeMap<>();
        if (files.isEmpty()) {
            return all;
        }
        for (MachineSheet s : sheets.everyVersion()) {
            put(all, files.get(s.code()), SheetFormat.write(s));
        }
        for (Versions.Stored p : procedures.stored()) {
            put(all, files.get(p.id()), p.document());
        }
        put(all, files.get("chemicals"), ChemicalsFormat.write(premises.now().chemicals()));
        put(all, files.get("site"), premises.now().site().write());
        return all;
    }

    private static void put(
            Map<String, String> all, @Nullable List<Translation> translations, String document) {
        if (translations != null) {
            Map<String, String> now = DocumentTexts.of(Json.tree(document));
            translations.forEach(t -> all.putAll(t.of(now)));
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
                .forEach(d -> all.add(new Translation(d, language, entries(language, d))));
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
