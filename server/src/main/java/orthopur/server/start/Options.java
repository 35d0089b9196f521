package orthopur.server.start;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What stands behind the command: flags, and options with a value. */
final class Options {
    private static final Set<String> FLAGS =
            Set.of(
                    "--demo",
                    "--fresh",
                    "--empty",
                    "--tls",
                    "--behind-proxy",
                    "--plain-http",
                    "--new-key",
                    "--recover",
                    "--log-json");
    private static final Set<String> VALUES =
            Set.of(
                    "--data",
                    "--port",
                    "--listen",
                    "--certificate",
                    "--certificate-key",
                    "--key",
                    "--log",
                    "--mail",
                    "--backups",
                    "--keep");

    private final Map<String, String> given = new HashMap<>();

    /**
     * @throws CannotStart for what is no option, or lacks its value
     */
    Options(List<String> args) throws CannotStart {
        for (int i = 0; i < args.size(); i++) {
            String a = args.get(i);
            if (FLAGS.contains(a)) {
                given.put(a, "");
            } else if (VALUES.contains(a)) {
                if (i + 1 >= args.size() || args.get(i + 1).startsWith("--")) {
                    throw new CannotStart(a + " needs a value.");
                }
                given.put(a, args.get(++i));
            } else if (!a.startsWith("--spring.") && !a.startsWith("--orthopur.")) {
                throw new CannotStart("there is no option " + a + ".");
            }
        }
    }

    boolean has(String flag) {
        return given.containsKey(flag);
    }

    @Nullable String value(String option) {
        return given.get(option);
    }

    String value(String option, String otherwise) {
        return given.getOrDefault(option, otherwise);
    }

    /**
     * @throws CannotStart when it is no number of the range
     */
    int number(String option, int otherwise, int least, int most) throws CannotStart {
        String text = given.get(option);
        if (text == null) {
            return otherwise;
        }
        try {
            int number = Integer.parseInt(text);
            if (number >= least && number <= most) {
                return number;
            }
        } catch (NumberFormatException e) {
            // Said below, with the range.
        }
        throw new CannotStart(
                "%s: %s is not a number from %d to %d.".formatted(option, text, least, most));
    }
}
