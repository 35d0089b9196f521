package orthopur.cli;

import java.io.PrintStream;
import java.util.List;
import orthopur.formats.FormatError;

/**
 * Entry: {@code verify FILE…}, {@code calc NAME key=value…}, {@code draft SHEET --kind KIND},
 * {@code format FILE}, {@code due FILE}, {@code plan FILE}, {@code simulate floor}, and what an
 * administrator does beside the server.
 */
public final class Main {
    static final int NOTHING = 0;
    static final int FINDINGS = 1;
    static final int UNREADABLE = 2;

    private Main() {}

    /** Says everything that is wrong with a document, each with its pointer. */
    static int unreadable(PrintStream err, FormatError e) {
        e.problems()
                .forEach(
                        p ->
                                err.println(
                                        (p.pointer().isEmpty() ? "" : p.pointer() + ": ")
                                                + p.message()));
        return UNREADABLE;
    }

    public static void main(String[] args) {
        System.exit(run(List.of(args), System.out, System.err));
    }

    /**
     * Runs a command; the exit code is 0 for nothing found, 1 for findings, 2 for unreadable input.
     */
    static int run(List<String> args, PrintStream out, PrintStream err) {
        String command = args.isEmpty() ? "" : args.getFirst();
        List<String> rest = args.isEmpty() ? List.of() : args.subList(1, args.size());
        return switch (command) {
            case "verify" -> new Verify(out, err).run(rest);
            case "calc" -> new Calc(out, err).run(rest);
            case "draft" -> new Draft(out, err).run(rest);
            case "format" -> new Format(out, err).run(rest);
            case "verify-log", "check", "backup", "restore", "accept" ->
                    new Keep(out, err).run(command, rest);
            case "simulate" -> new Simulate(out, err).run(rest);
            case "plan" -> new PlanNight(out, err).run(rest);
            case "due" -> new Due(out, err).run(rest);
            default -> {
                err.println(
                        "Commands: verify FILE… [--sheet FILE] [--json], calc NAME key=value… [--json], draft SHEET --kind KIND [--school SCHOOL] [--words], format FILE, due FILE [--at T] [--json], plan FILE|--demo [--seconds N] [--json], verify-log FOLDER [--head FILE], check --data DIR, backup FILE --data DIR, restore FILE --data DIR, accept KIND REF --data DIR --reason TEXT, simulate floor --tablets N --minutes M [--faults] [--url URL], simulate queue [--entries N] [--photos N] [--url URL]");
                yield UNREADABLE;
            }
        };
    }
}
