package orthopur.cli;

import java.io.PrintStream;
import java.nio.file.Path;
import java.util.List;
import orthopur.formats.ChemicalsFormat;
import orthopur.formats.FormatError;
import orthopur.formats.Notation;
import orthopur.formats.ProcedureDocument;
import orthopur.formats.ProcedureFormat;
import orthopur.formats.SheetFormat;

/**
 * {@code format FILE [--steps]}: prints a document in its one canonical form; a procedure in line
 * notation as JSON, or with {@code --steps} in line notation.
 */
final class Format {
    private final PrintStream out;
    private final PrintStream err;

    Format(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    int run(List<String> args) {
        boolean steps = args.contains("--steps");
        List<String> files = args.stream().filter(a -> !a.equals("--steps")).toList();
        if (files.size() != 1) {
            err.println("format needs one file.");
            return Main.UNREADABLE;
        }
        try {
            Path file = Path.of(files.getFirst());
            String text = SiteFiles.read(file);
            if (Notation.isNotation(text) || steps) {
                SiteFiles site = SiteFiles.around(file);
                ProcedureDocument d = site.procedure(null, text);
                out.print(
                        steps ? site.notation(null, d.sheet()).write(d) : ProcedureFormat.write(d));
            } else if (text.contains("\"steps\"")) {
                out.print(ProcedureFormat.write(ProcedureFormat.document(text)));
            } else if (text.contains("\"chemicals\"")) {
                out.print(ChemicalsFormat.write(ChemicalsFormat.read(text)));
            } else {
                out.print(SheetFormat.write(SheetFormat.read(text)));
            }
            return Main.NOTHING;
        } catch (FormatError e) {
            return Main.unreadable(err, e);
        }
    }
}
