package orthopur.cli;

import java.io.PrintStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.formats.FormatError;
import orthopur.formats.Json;
import orthopur.formats.ProblemDocument;
import orthopur.formats.ProcedureDocument;
import orthopur.formats.ProcedureFormat;
import orthopur.formats.VerdictDocument;
import orthopur.formats.VerdictDocument.FindingDocument;
import orthopur.machine.MachineSheet;
import orthopur.machine.Problem;
import orthopur.procedure.Procedure;
import orthopur.runthrough.Context;
import orthopur.runthrough.Night;
import orthopur.text.Text;
import orthopur.verdict.Verifier;

/**
 * {@code verify FILE… [--sheet FILE] [--people AGES] [--held VESSEL=PRODUCT[@STRENGTH][,drained]]
 * [--json]}: exit 0 nothing, 1 findings, 2 unreadable.
 */
final class Verify {
    private final PrintStream out;
    private final PrintStream err;

    Verify(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    int run(List<String> args) {
        List<Path> files = new ArrayList<>();
        Path sheet = null;
        boolean json = false;
        Around around = new Around(null, new LinkedHashMap<>());
        for (int i = 0; i < args.size(); i++) {
            switch (args.get(i)) {
                case "--json" -> json = true;
                case "--sheet" -> {
                    if (++i >= args.size()) {
                        err.println("--sheet needs a file.");
                        return Main.UNREADABLE;
                    }
                    sheet = Path.of(args.get(i));
                }
                case "--people" -> {
                    Integer youngest = ++i < args.size() ? youngest(args.get(i)) : null;
                    if (youngest == null) {
                        err.println(
                                "--people takes ages in years, parted by commas, each 14 to 99: \"17,45\".");
                        return Main.UNREADABLE;
                    }
                    around = new Around(youngest, around.held());
                }
                case "--held" -> {
                    if (++i >= args.size() || !args.get(i).matches("[^=]+=[^=]+")) {
                        err.println(
                                "--held takes VESSEL=PRODUCT, with @STRENGTH and \",drained\" where they are known: \"sink 1=halvern-h12@100 mg/L,drained\".");
                        return Main.UNREADABLE;
                    }
                    held(args.get(i), around.held());
                }
                default -> files.add(Path.of(args.get(i)));
            }
        }
        if (files.isEmpty()) {
            err.println("verify needs a procedure file.");
            return Main.UNREADABLE;
        }
        int worst = Main.NOTHING;
        for (Path file : files) {
            worst = Math.max(worst, one(file, sheet, around, json));
        }
        return worst;
    }

    /**
     * What is around the round.
     *
     * @param youngest age in years; null where nobody said
     * @param held what vessels hold before the first step
     */
    private record Around(@Nullable Integer youngest, Map<String, Night.Vessel> held) {
        Context of(Context site) {
            for (Night.Vessel v : held.values()) {
                if (site.chemical(v.residue()) == null) {
                    throw new IllegalArgumentException(
                            "This site has no product \"" + v.residue() + "\".");
                }
            }
            Context c = site.withHeld(held);
            return youngest == null ? c : c.withYoungest(youngest);
        }
    }

    private static @Nullable Integer youngest(String ages) {
        int least = Integer.MAX_VALUE;
        for (String age : ages.split(",")) {
            if (!age.strip().matches("1[4-9]|[2-9][0-9]")) {
                return null;
            }
            least = Math.min(least, Integer.parseInt(age.strip()));
        }
        return least;
    }

    private static void held(String text, Map<String, Night.Vessel> held) {
        String vessel = text.substring(0, text.indexOf('=')).strip();
        String what = text.substring(text.indexOf('=') + 1);
        boolean drained = what.endsWith(",drained");
        String product =
                (drained ? what.substring(0, what.length() - ",drained".length()) : what)
                        .split("@")[0].strip();
        held.put(vessel, new Night.Vessel(drained ? null : product, !drained, false, 0, product));
    }

    private int one(Path file, @Nullable Path sheetFile, Around around, boolean json) {
        VerdictDocument v;
        try {
            SiteFiles site = SiteFiles.around(file);
            String text = SiteFiles.read(file);
            ProcedureDocument d = site.procedure(sheetFile, text);
            MachineSheet sheet = site.sheet(sheetFile, d.sheet());
            Procedure p =
                    ProcedureFormat.read(
                            d,
                            sheet,
                            site.chemicals().stream()
                                    .map(Chemical::id)
                                    .collect(Collectors.toSet()));
            v = VerdictDocument.of(Verifier.verify(p, sheet, around.of(site.context())), p);
        } catch (FormatError e) {
            unreadable(file, e.problems(), json);
            return Main.UNREADABLE;
        } catch (IllegalArgumentException e) {
            unreadable(
                    file,
                    List.of(new Problem("", Text.plain(String.valueOf(e.getMessage())))),
                    json);
            return Main.UNREADABLE;
        }
        if (json) {
            out.print(Json.write(v));
        } else {
            print(v);
        }
        return v.findings().isEmpty() ? Main.NOTHING : Main.FINDINGS;
    }

    private record Unreadable(String file, List<ProblemDocument> errors) {}

    private void unreadable(Path file, List<Problem> problems, boolean json) {
        if (json) {
            out.print(Json.write(new Unreadable(file.toString(), ProblemDocument.of(problems))));
            return;
        }
        err.println(file + " cannot be judged:");
        for (Problem p : problems) {
            err.println("  " + (p.pointer().isEmpty() ? "" : p.pointer() + ": ") + p.message());
        }
    }

    private void print(VerdictDocument v) {
        out.printf(
                "%s for %s: %d STOP, %d FIX, %d of %d surfaces reached%n",
                v.procedure(),
                v.sheet(),
                v.stops(),
                v.fixes(),
                v.coverage().reached(),
                v.coverage().due());
        for (FindingDocument f : v.findings()) {
            boolean follows = f.under() != null;
            out.printf(
                    "%s%-6s %s  %s%n",
                    follows ? "         follows: " : "",
                    follows ? "" : f.severity(),
                    f.rule(),
                    f.message());
            if (!follows) {
                out.println("       " + f.because() + " (" + f.source() + ")");
                f.remedies().forEach(r -> out.println("       could be fixed: " + r.label()));
            }
        }
        out.println(
                "Judged by "
                        + String.join(" ", v.judged())
                        + "; other rules are not judged. Label, manual and local"
                        + " code come first.");
    }
}
