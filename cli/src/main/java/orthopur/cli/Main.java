package orthopur.cli;

import java.io.PrintStream;
import java.util.List;

/**
 * Entry: {@code verify FILE…}, {@code calc NAME key=value…}, {@code draft SHEET --kind KIND},
 * {@code format FILE}, {@code verify-log FOLDER}, {@code simulate floor}.
 */
public final class Main {
    static final int NOTHING = 0;
    static final int FINDINGS = 1;
    static final int UNREADABLE = 2;

    private Main() {}

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
            case "verify-log" -> new VerifyLog(out, err).run(rest);
            case "simulate" -> new Simulate(out, err).run(rest);
            default -> {
                err.println(
                        "Commands: verify FILE… [--sheet FILE] [--json], calc NAME key=value… [--json], draft SHEET --kind KIND [--school SCHOOL] [--words], format FILE, verify-log FOLDER, simulate floor --tablets N --minutes M [--faults] [--url URL], simulate queue [--entries N] [--photos N] [--url URL]");
                yield UNREADABLE;
            }
        };
    }
}
