package orthopur.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.formats.ChemicalsFormat;
import orthopur.formats.Crew;
import orthopur.formats.FormatError;
import orthopur.formats.Notation;
import orthopur.formats.ProcedureDocument;
import orthopur.formats.ProcedureFormat;
import orthopur.formats.SheetFormat;
import orthopur.formats.Site;
import orthopur.machine.MachineSheet;
import orthopur.machine.Problem;
import orthopur.night.CleanJobs;
import orthopur.night.SiteNight;
import orthopur.procedure.Procedure;
import orthopur.quantity.Show;
import orthopur.rulebook.PublicCodes;
import orthopur.runthrough.Context;
import orthopur.text.Text;

/**
 * The site around a procedure file: {@code chemicals.json} and {@code site.json} are looked for in
 * its folder and the folders above it, sheets beside them in {@code machines/}; else in the demo
 * site.
 */
final class SiteFiles {
    /** Larger files are no procedure; the server has the same bound. */
    private static final long MOST = 2_000_000;

    private final Path root;
    private final List<Chemical> chemicals;
    private final Context context;

    private SiteFiles(Path root) {
        this.root = root;
        this.chemicals = ChemicalsFormat.read(read(root.resolve("chemicals.json")));
        this.context =
                Site.read(read(root.resolve("site.json"))).context(PublicCodes.book(), chemicals);
    }

    static SiteFiles around(Path file) {
        for (Path p = file.toAbsolutePath().getParent(); p != null; p = p.getParent()) {
            if (Files.exists(p.resolve("chemicals.json")) && Files.exists(p.resolve("site.json"))) {
                return new SiteFiles(p);
            }
        }
        return new SiteFiles(Path.of(System.getProperty("orthopur.demo", "demo")));
    }

    /** The people of the site, where its folder has them. */
    List<SiteNight.Member> members() {
        return Crew.read(read(root.resolve("people.json")));
    }

    /** What a night goes by. */
    CleanJobs.Premises premises(double hotCelsius) {
        return Site.read(read(root.resolve("site.json"))).premises(hotCelsius);
    }

    /** A procedure of the site with its sheet. */
    Procedure procedureOf(Path file) {
        ProcedureDocument d = procedure(null, read(file));
        Set<String> known = chemicals.stream().map(Chemical::id).collect(Collectors.toSet());
        return ProcedureFormat.read(d, sheet(null, d.sheet()), known);
    }

    List<Chemical> chemicals() {
        return chemicals;
    }

    Context context() {
        return context;
    }

    /** The sheet from a file that is named, or of this code from the site. */
    MachineSheet sheet(@Nullable Path named, String code) {
        if (named != null) {
            return SheetFormat.read(read(named));
        }
        Path machines = root.resolve("machines");
        try (Stream<Path> all = Files.list(machines)) {
            Path found =
                    all.filter(p -> p.getFileName().toString().equals(code + ".json"))
                            .findFirst()
                            .orElseThrow(
                                    () ->
                                            new FormatError(
                                                    List.of(
                                                            new Problem(
                                                                    "/sheet",
                                                                    Text.plain(
                                                                            "There is no sheet %s.json in %s; name one with --sheet FILE."
                                                                                    .formatted(
                                                                                            code,
                                                                                            machines))))));
            return SheetFormat.read(read(found));
        } catch (IOException e) {
            throw new FormatError(
                    List.of(
                            new Problem(
                                    "",
                                    Text.plain(
                                            "The folder %s cannot be read.".formatted(machines)))));
        }
    }

    /** The notation with the names of a machine and of this site. */
    Notation notation(@Nullable Path sheet, String code) {
        return new Notation(sheet(sheet, code), chemicals);
    }

    /**
     * A procedure in JSON or in line notation.
     *
     * @throws FormatError with every slip by line and column
     */
    ProcedureDocument procedure(@Nullable Path sheet, String text) {
        if (!Notation.isNotation(text)) {
            return ProcedureFormat.document(text);
        }
        Notation.Read read = notation(sheet, Notation.sheetOf(text)).read(text);
        if (!read.slips().isEmpty()) {
            throw new FormatError(
                    read.slips().stream()
                            .map(
                                    s ->
                                            new Problem(
                                                    "line " + s.line() + ", column " + s.column(),
                                                    s.whole()))
                            .toList());
        }
        return read.document();
    }

    static String read(Path file) {
        try {
            if (Files.size(file) > MOST) {
                throw new FormatError(
                        List.of(
                                new Problem(
                                        "",
                                        Text.plain(
                                                "%s has %s MB; allowed are 2 MB."
                                                        .formatted(
                                                                file,
                                                                Show.number(
                                                                        Math.round(
                                                                                        Files.size(
                                                                                                        file)
                                                                                                / 1e5)
                                                                                / 10.0))))));
            }
            return Files.readString(file);
        } catch (IOException e) {
            throw new FormatError(
                    List.of(
                            new Problem(
                                    "",
                                    Text.plain("The file %s cannot be read.".formatted(file)))));
        }
    }
}
