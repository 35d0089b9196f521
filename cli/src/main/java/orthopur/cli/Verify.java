package orthopur.cli;

import java.io.PrintStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.formats.FormatError;
import orthopur.formats.Json;
import orthopur.formats.ProcedureDocument;
import orthopur.formats.ProcedureFormat;
import orthopur.formats.VerdictDocument;
import orthopur.formats.VerdictDocument.FindingDocument;
import orthopur.machine.MachineSheet;
import orthopur.machine.Problem;
import orthopur.procedure.Procedure;
import orthopur.verdict.Verifier;

/** {@code verify FILE… [--sheet FILE] [--json]}: exit 0 nothing, 1 findings, 2 unreadable. */
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
                default -> files.add(Path.of(args.get(i)));
            }
        }
        if (files.isEmpty()) {
            err.println("verify needs a procedure file.");
            return Main.UNREADABLE;
        }
        int worst = Main.NOTHING;
        for (Path file : files) {
            worst = Math.max(worst, one(file, sheet, json));
        }
        return worst;
    }

    private int one(Path file, @Nullable Path sheetFile, boolean json) {
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
            v = VerdictDocument.of(Verifier.verify(p, sheet, site.context()), p);
        } catch (FormatError e) {
            unreadable(file, e.problems(), json);
            return Main.UNREADABLE;
        } catch (IllegalArgumentException e) {
            unreadable(file, List.of(new Problem("", String.valueOf(e.getMessage()))), json);
            return Main.UNREADABLE;
        }
        if (json) {
            out.print(Json.write(v));
        } else {
            print(v);
        }
        return v.findings().isEmpty() ? Main.NOTHING : Main.FINDINGS;
    }

    private record Unreadable(String file, List<Problem> errors) {}

    private void unreadable(Path file, List<Problem> problems, boolean json) {
        if (json) {
            out.print(Json.write(new Unreadable(file.toString(), problems)));
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
                f.remedies().forEach(r -> out.println("       could be mended: " + r.label()));
            }
        }
        out.println(
                "Judged by "
                        + String.join(" ", v.judged())
                        + "; other rules are not looked at. Label, manual and local"
                        + " code come first.");
    }
}
