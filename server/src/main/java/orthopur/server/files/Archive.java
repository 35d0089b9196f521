package orthopur.server.files;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import orthopur.formats.ChemicalsFormat;
import orthopur.formats.FormatError;
import orthopur.formats.SheetFormat;
import orthopur.machine.MachineSheet;
import orthopur.machine.Problem;
import orthopur.server.machines.Premises;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Signature;
import orthopur.server.platform.Said;
import orthopur.server.platform.SiteLog;
import orthopur.server.platform.StoredJson;
import orthopur.server.procedures.Versions;
import orthopur.text.Text;
import tools.jackson.core.JacksonException;

/**
 * The whole site in one archive: site, chemicals, every version of every sheet and procedure, and
 * who approved what. Accounts and records are not in it. The same site makes the same bytes. What
 * another site has approved comes in as a draft: it is judged and approved where it is used. A
 * whole site moves by backup and restore.
 */
@Service
public class Archive {
    private static final int MOST_FILES = 5_000;
    private static final long MOST_BYTES = 50_000_000;
    private static final LocalDateTime NO_TIME = LocalDateTime.of(1980, 1, 1, 0, 0);
    private static final Pattern SHEET = Pattern.compile("machines/[A-Z0-9-]+/[0-9]+\\.json");
    private static final String VERSIONS = "procedures.json";

    private final Sheets sheets;
    private final Premises premises;
    private final Versions procedures;
    private final SiteLog log;
    private final StoredJson json;

    Archive(Sheets sheets, Premises premises, Versions procedures, SiteLog log, StoredJson json) {
        this.sheets = sheets;
        this.premises = premises;
        this.procedures = procedures;
        this.log = log;
        this.json = json;
    }

    /**
     * What was taken in.
     *
     * @param procedures those that are drafts here now
     */
    record TakenIn(int sheets, int procedures) {}

    /** All procedure versions of the archive. */
    record AllVersions(List<Versions.Stored> procedures) {}

    byte[] write() {
        Map<String, String> files = new TreeMap<>();
        files.put("site.json", premises.now().site().write());
        files.put("chemicals.json", ChemicalsFormat.write(premises.now().chemicals()));
        for (MachineSheet s : sheets.everyVersion()) {
            files.put(name(s), SheetFormat.write(s));
        }
        try {
            files.put(VERSIONS, json.writeIndented(new AllVersions(procedures.stored())));
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
                for (Map.Entry<String, String> f : files.entrySet()) {
                    ZipEntry e = new ZipEntry(f.getKey());
                    e.setTimeLocal(NO_TIME);
                    zip.putNextEntry(e);
                    zip.write(f.getValue().getBytes(StandardCharsets.UTF_8));
                    zip.closeEntry();
                }
            }
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String name(MachineSheet s) {
        return "machines/" + s.code() + "/" + s.version() + ".json";
    }

    /**
     * Takes an archive in: what is new is added, what is there has to be the same. All of it or
     * nothing.
     *
     * @throws FormatError with everything that stands in the way
     */
    @Transactional(noRollbackFor = Said.class)
    public TakenIn read(byte[] archive, Signature signed) {
        Map<String, String> files = files(archive);
        List<Problem> problems = new ArrayList<>();
        for (String needed : List.of("site.json", "chemicals.json", VERSIONS)) {
            if (!files.containsKey(needed)) {
                problems.add(
                        new Problem(
                                "/" + needed,
                                Text.of(
                                        "archive.the-archive-has-no",
                                        "The archive has no {0}.",
                                        needed)));
            }
        }
        refuse(problems);
        List<MachineSheet> fresh = new ArrayList<>();
        Map<String, String> known = new TreeMap<>();
        sheets.everyVersion().forEach(s -> known.put(name(s), SheetFormat.write(s)));
        for (Map.Entry<String, String> f : files.entrySet()) {
            if (SHEET.matcher(f.getKey()).matches()) {
                sheet(f.getKey(), f.getValue(), known, fresh, problems);
            }
        }
        AllVersions versions = versions(files.getOrDefault(VERSIONS, ""), problems);
        List<Versions.Stored> added = procedures.notYet(versions.procedures(), problems);
        refuse(problems);
        String before = premises.now().site().write();
        String site = files.getOrDefault("site.json", "");
        premises.site(site, files.getOrDefault("chemicals.json", ""), signed);
        fresh.forEach(s -> sheets.bringBack(s, signed));
        added.forEach(s -> procedures.takeIn(s.document(), signed));
        log.keep("archive", before, site, signed.by().name());
        return new TakenIn(fresh.size(), added.size());
    }

    private static void sheet(
            String name,
            String text,
            Map<String, String> known,
            List<MachineSheet> fresh,
            List<Problem> problems) {
        try {
            MachineSheet s = SheetFormat.read(text);
            String here = known.get(name(s));
            if (here == null) {
                fresh.add(s);
            } else if (!SheetFormat.read(here).equals(s)) {
                problems.add(
                        new Problem(
                                "/" + name,
                                Text.of(
                                        "archive.another-version",
                                        "Version {0} of the sheet of {1} is another on this site.",
                                        s.version(),
                                        s.code())));
            }
        } catch (FormatError e) {
            e.problems().forEach(p -> problems.add(p.in("/" + name)));
        }
    }

    private AllVersions versions(String text, List<Problem> problems) {
        try {
            return json.read(text, AllVersions.class);
        } catch (JacksonException e) {
            problems.add(
                    new Problem(
                            "/" + VERSIONS,
                            Text.of(
                                    "archive.it-cannot-be-read",
                                    "It cannot be read: {0}",
                                    e.getOriginalMessage())));
            return new AllVersions(List.of());
        }
    }

    private static void refuse(List<Problem> problems) {
        if (!problems.isEmpty()) {
            throw new FormatError(problems);
        }
    }

    private static Map<String, String> files(byte[] archive) {
        Map<String, String> files = new TreeMap<>();
        long bytes = 0;
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(archive))) {
            for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
                byte[] content = zip.readNBytes((int) (MOST_BYTES - bytes + 1));
                bytes += content.length;
                if (bytes > MOST_BYTES || files.size() >= MOST_FILES) {
                    throw cut(
                            Text.of(
                                    "archive.holds-more",
                                    "It holds more than {0} files or {1} MB.",
                                    MOST_FILES,
                                    MOST_BYTES / 1_000_000));
                }
                files.put(e.getName(), new String(content, StandardCharsets.UTF_8));
            }
        } catch (IOException e) {
            throw cut(Text.of("archive.it-is-cut-off-or-damaged", "It is cut off or damaged."));
        }
        if (files.isEmpty()) {
            throw cut(Text.of("archive.it-is-no-archive", "It is no archive."));
        }
        return files;
    }

    private static FormatError cut(Text why) {
        return new FormatError(
                List.of(
                        new Problem(
                                "",
                                Text.of(
                                        "archive.nothing-was-taken-in",
                                        "{0} Nothing was taken in.",
                                        why))));
    }
}
