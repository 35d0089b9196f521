package orthopur.cli;

import java.io.PrintStream;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import orthopur.due.Due.State;
import orthopur.due.DueList;
import orthopur.due.Known;
import orthopur.formats.DueFormat;
import orthopur.formats.FormatError;

/**
 * {@code due FILE [--at T] [--json]}: what is due at a moment, now where none is said; exit 1 where
 * something is.
 */
final class Due {
    private final PrintStream out;
    private final PrintStream err;

    Due(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    int run(List<String> args) {
        Path file = null;
        Instant at = Instant.now();
        boolean json = false;
        for (int i = 0; i < args.size(); i++) {
            String a = args.get(i);
            if (a.equals("--json")) {
                json = true;
            } else if (a.equals("--at")) {
                String value = i + 1 < args.size() ? args.get(++i) : "";
                try {
                    at = DueFormat.moment(value);
                } catch (DateTimeException e) {
                    err.println(
                            "--at needs date, time and offset, for instance"
                                    + " 2026-03-29T01:30:00+00:00; \""
                                    + value
                                    + "\" is no such time.");
                    return Main.UNREADABLE;
                }
            } else if (a.startsWith("--") || file != null) {
                err.println("due knows no \"" + a + "\": due FILE [--at T] [--json].");
                return Main.UNREADABLE;
            } else {
                file = Path.of(a);
            }
        }
        return file == null ? none() : due(file, at, json);
    }

    private int none() {
        err.println("due needs a file: due FILE [--at T] [--json].");
        return Main.UNREADABLE;
    }

    private int due(Path file, Instant at, boolean json) {
        Known known;
        try {
            known = DueFormat.read(SiteFiles.read(file));
        } catch (FormatError e) {
            return Main.unreadable(err, e);
        }
        List<orthopur.due.Due> all = DueList.at(known, at);
        ZoneId zone = known.days().zone();
        if (json) {
            out.println(DueFormat.write(all, at, zone).strip());
        } else {
            all.forEach(d -> print(d, zone));
        }
        return all.stream().map(orthopur.due.Due::state).anyMatch(State::open)
                ? Main.FINDINGS
                : Main.NOTHING;
    }

    private void print(orthopur.due.Due d, ZoneId zone) {
        out.printf(
                Locale.ROOT,
                "%-7s  %-8s  %s: %s%s%n",
                d.state().name().toLowerCase(Locale.ROOT),
                d.task().machine() == null ? "" : d.task().machine(),
                d.task().name(),
                d.because().sentence(),
                last(d.since(), zone));
    }

    private static String last(@Nullable Instant since, ZoneId zone) {
        return since == null
                ? "."
                : ". Last done "
                        + since.atZone(zone)
                                .toLocalDateTime()
                                .withSecond(0)
                                .withNano(0)
                                .toString()
                                .replace('T', ' ')
                        + ".";
    }
}
