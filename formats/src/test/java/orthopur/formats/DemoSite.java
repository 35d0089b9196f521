package orthopur.formats;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import orthopur.chemical.Chemical;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Procedure;
import orthopur.rulebook.PublicCodes;
import orthopur.runthrough.Context;
import orthopur.verdict.Verdict;
import orthopur.verdict.Verifier;

/** The demo site's files, read as a user's would be. */
final class DemoSite {
    static final MachineSheet SLICER = SheetFormat.read(text("machines/QK-SL1.json"));
    static final List<Chemical> CHEMICALS = ChemicalsFormat.read(text("chemicals.json"));
    static final Site SITE = Site.read(text("site.json"));
    static final Context CONTEXT = SITE.context(PublicCodes.book(), CHEMICALS);

    /** Codes of all machines, by their files. */
    static final List<String> MACHINES = names("machines");

    static final List<String> PROCEDURES = names("procedures");

    /** Procedures with real mistakes; the rest is approved. */
    static final List<String> DRAFTS =
            PROCEDURES.stream().filter(p -> p.endsWith("-draft")).toList();

    static final List<String> APPROVED =
            PROCEDURES.stream().filter(p -> !p.endsWith("-draft")).toList();

    private DemoSite() {}

    private static List<String> names(String folder) {
        try (Stream<Path> files = Files.list(Path.of("..", "demo", folder))) {
            return files.map(f -> f.getFileName().toString())
                    .filter(f -> f.endsWith(".json"))
                    .map(f -> f.substring(0, f.length() - ".json".length()))
                    .sorted()
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static String text(String file) {
        try {
            return Files.readString(Path.of("..", "demo", file));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static Procedure procedure(String name) {
        ProcedureDocument d = ProcedureFormat.document(text("procedures/" + name + ".json"));
        return ProcedureFormat.read(
                d,
                sheet(d.sheet()),
                CHEMICALS.stream().map(Chemical::id).collect(Collectors.toSet()));
    }

    private static final Map<String, MachineSheet> SHEETS = new ConcurrentHashMap<>();

    static MachineSheet sheet(String code) {
        return SHEETS.computeIfAbsent(code, c -> SheetFormat.read(text("machines/" + c + ".json")));
    }

    static Verdict verify(Procedure p) {
        return Verifier.verify(p, sheet(p.sheet()), CONTEXT);
    }

    /** The same findings without a way to mend them: many times as fast. */
    static Verdict judged(Procedure p) {
        return Verifier.withoutRemedies(p, sheet(p.sheet()), CONTEXT, 0);
    }
}
