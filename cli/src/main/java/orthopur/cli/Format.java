package orthopur.cli;

import java.io.PrintStream;
import java.nio.file.Path;
import java.util.List;
import orthopur.formats.ChemicalsFormat;
import orthopur.formats.FormatError;
import orthopur.formats.ProcedureFormat;
import orthopur.formats.SheetFormat;

/** {@code format FILE}: prints a document in its one canonical form. */
final class Format {
    private final PrintStream out;
    private final PrintStream err;

    Format(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    int run(List<String> args) {
        if (args.size() != 1) {
            err.println("format needs one file.");
            return Main.UNREADABLE;
        }
        try {
            String text = SiteFiles.read(Path.of(args.getFirst()));
            if (text.contains("\"steps\"")) {
                out.print(ProcedureFormat.write(ProcedureFormat.document(text)));
            } else if (text.contains("\"chemicals\"")) {
                out.print(ChemicalsFormat.write(ChemicalsFormat.read(text)));
            } else {
                out.print(SheetFormat.write(SheetFormat.read(text)));
            }
            return Main.NOTHING;
        } catch (FormatError e) {
            e.problems()
                    .forEach(
                            p ->
                                    err.println(
                                            (p.pointer().isEmpty() ? "" : p.pointer() + ": ")
                                                    + p.message()));
            return Main.UNREADABLE;
        }
    }
}
