package orthopur.cli;

import java.io.PrintStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.drafting.DraftRefused;
import orthopur.drafting.Drafter;
import orthopur.formats.FormatError;
import orthopur.formats.ProcedureFormat;
import orthopur.formats.SheetFormat;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Procedure;
import orthopur.procedure.Schools;
import orthopur.procedure.Step;
import orthopur.runthrough.Context;

/**
 * {@code draft SHEET --kind daily [--school assembled-first] [--school rinse-after] [--scope
 * group=a,b,other=c] [--halves] [--steps | --words]}: prints a procedure; exit 2 where none can be
 * drafted, with the reasons.
 */
final class Draft {
    private final PrintStream out;
    private final PrintStream err;

    Draft(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    int run(List<String> args) {
        Path file = null;
        Frequency kind = null;
        boolean assembled = false;
        boolean rinse = false;
        boolean words = false;
        boolean steps = false;
        boolean halves = false;
        Map<String, List<String>> scope = new LinkedHashMap<>();
        for (int i = 0; i < args.size(); i++) {
            String a = args.get(i);
            String value = i + 1 < args.size() ? args.get(i + 1) : "";
            switch (a) {
                case "--words" -> words = true;
                case "--steps" -> steps = true;
                case "--halves" -> halves = true;
                case "--kind" -> {
                    kind = kind(value);
                    i++;
                }
                case "--school" -> {
                    if (!value.equals("assembled-first") && !value.equals("rinse-after")) {
                        err.println(
                                "\""
                                        + value
                                        + "\" is no school; they are assembled-first, rinse-after.");
                        return Main.UNREADABLE;
                    }
                    assembled |= value.equals("assembled-first");
                    rinse |= value.equals("rinse-after");
                    i++;
                }
                case "--scope" -> {
                    if (!scoped(value, scope)) {
                        err.println(
                                "--scope needs group=option, more options or groups after a comma.");
                        return Main.UNREADABLE;
                    }
                    i++;
                }
                default -> file = Path.of(a);
            }
        }
        if (file == null || kind == null) {
            List<String> kinds = new ArrayList<>();
            for (Frequency f : Frequency.values()) {
                kinds.add(written(f));
            }
            err.println("draft needs a sheet and --kind, one of " + String.join(", ", kinds) + ".");
            return Main.UNREADABLE;
        }
        Schools schools = new Schools(rinse, assembled);
        return draft(file, new Drafter.Request("", "", kind, schools, scope, halves), words, steps);
    }

    /** "drive=powered,hand-wheel,carriage=tilts": what has no group of its own goes to the last. */
    private static boolean scoped(String value, Map<String, List<String>> scope) {
        String group = "";
        for (String piece : value.split(",")) {
            int at = piece.indexOf('=');
            group = at < 0 ? group : piece.substring(0, at).strip();
            String option = piece.substring(at + 1).strip();
            if (group.isEmpty() || option.isEmpty()) {
                return false;
            }
            scope.computeIfAbsent(group, k -> new ArrayList<>()).add(option);
        }
        return true;
    }

    private int draft(Path file, Drafter.Request wish, boolean words, boolean steps) {
        try {
            MachineSheet sheet = SheetFormat.read(SiteFiles.read(file));
            Drafter.Request request =
                    new Drafter.Request(
                            sheet.code().toLowerCase(Locale.ROOT) + "-" + written(wish.kind()),
                            sheet.name() + ", " + wish.kind().shown(),
                            wish.kind(),
                            wish.schools(),
                            wish.scope(),
                            wish.halves());
            Context context = SiteFiles.around(file).context();
            Procedure p = Drafter.draft(sheet, request, context);
            // An option that the sheet does not have would leave out parts without a word.
            ProcedureFormat.read(ProcedureFormat.document(p), sheet, context.chemicals().keySet());
            if (steps) {
                out.print(
                        SiteFiles.around(file)
                                .notation(file, sheet.code())
                                .write(ProcedureFormat.document(p)));
            } else if (words) {
                print(p);
            } else {
                out.print(ProcedureFormat.write(ProcedureFormat.document(p)));
            }
            return Main.NOTHING;
        } catch (FormatError e) {
            e.problems().forEach(x -> err.println(x.pointer() + " " + x.message()));
        } catch (DraftRefused e) {
            e.reasons().forEach(err::println);
        }
        return Main.UNREADABLE;
    }

    private void print(Procedure p) {
        out.println(p.title());
        out.println("Wear: " + String.join(", ", p.ppe()));
        int n = 0;
        for (Step s : p.steps()) {
            n++;
            out.printf("%2d  %s%n", n, s.words());
            if (s.because() != null) {
                out.println("    " + s.because());
            }
            if (s.caution() != null) {
                out.println("    ! " + s.caution());
            }
        }
    }

    private static String written(Frequency f) {
        return f.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static @Nullable Frequency kind(String text) {
        for (Frequency f : Frequency.values()) {
            if (written(f).equals(text)) {
                return f;
            }
        }
        return null;
    }
}
