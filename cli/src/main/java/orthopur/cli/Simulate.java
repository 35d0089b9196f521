package orthopur.cli;

import java.io.IOException;
import java.io.PrintStream;
import java.util.List;
import orthopur.simulation.floor.SimulateFloor;
import orthopur.simulation.floor.SimulateQueue;

/**
 * {@code simulate floor} and {@code simulate queue}: reads the options and says what is wrong with
 * them.
 */
final class Simulate {
    private final PrintStream out;
    private final PrintStream err;

    Simulate(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    int run(List<String> args) {
        try {
            String url = option(args, "--url", "http://localhost:8080");
            String what = args.isEmpty() ? "" : args.getFirst();
            if (what.equals("queue")) {
                return new SimulateQueue(out)
                        .run(
                                url,
                                (int) number(args, "--entries", "1500", 100, 2000),
                                (int) number(args, "--photos", "20", 0, 100));
            }
            if (!what.equals("floor")) {
                throw new IllegalArgumentException(
                        "What is simulated is the floor or a queue: simulate floor, simulate queue.");
            }
            int tablets = (int) number(args, "--tablets", "10", 1, 1000);
            double minutes = number(args, "--minutes", "1", 0.1, 600);
            return new SimulateFloor(out).run(url, tablets, minutes, args.contains("--faults"));
        } catch (IllegalArgumentException e) {
            err.println(e.getMessage());
            return Main.UNREADABLE;
        } catch (IOException e) {
            err.println("The demo server does not answer: " + e.getMessage());
            return Main.UNREADABLE;
        }
    }

    private static String option(List<String> args, String name, String otherwise) {
        int at = args.indexOf(name);
        if (at < 0) {
            return otherwise;
        }
        if (at + 1 >= args.size()) {
            throw new IllegalArgumentException(name + " needs a value.");
        }
        return args.get(at + 1);
    }

    private static double number(
            List<String> args, String name, String otherwise, double least, double most) {
        String text = option(args, name, otherwise);
        try {
            double v = Double.parseDouble(text);
            if (v >= least && v <= most) {
                return v;
            }
        } catch (NumberFormatException e) {
            // Said below, with what is allowed.
        }
        throw new IllegalArgumentException(
                "%s is %s; allowed is %s to %s.".formatted(name, text, least, most));
    }
}
