package orthopur.cli;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.ledger.Backup;
import orthopur.ledger.Database;
import orthopur.ledger.FolderLock;
import orthopur.ledger.Head;
import orthopur.ledger.Ledger;
import orthopur.ledger.Sealed;
import orthopur.ledger.SiteKey;
import orthopur.ledger.Walk;

/**
 * What whoever runs the server does beside it: {@code verify-log}, {@code check}, {@code backup},
 * {@code restore}, {@code accept}. All but the last read only, whether the server runs or not.
 */
final class Keep {
    private static final int MOST_SAID = 20;
    private static final int LEAST_REASON = 10;

    private static final Map<String, String> USAGE =
            Map.of(
                    "verify-log",
                    "verify-log FOLDER [--head FILE] [--key FILE]…: the data folder of the server or its orthopur.db, heads that were written elsewhere, the keys that the site has had.",
                    "check",
                    "check --data DIR [--head FILE] [--key FILE]…: the file itself, the log and what is stored.",
                    "backup",
                    "backup FILE --data DIR [--key FILE]…: a copy that was walked, made while the server works.",
                    "restore",
                    "restore FILE --data DIR [--key FILE]…: a backup into an empty folder.",
                    "accept",
                    "accept KIND REF --data DIR --reason TEXT: takes a row that something else has changed for right, as it stands; the server must not run.");

    private final PrintStream out;
    private final PrintStream err;

    Keep(PrintStream out, PrintStream err) {
        this.out = out;
        this.err = err;
    }

    /** What was told, in order, and by name. */
    private record Told(List<String> words, Map<String, String> options, List<Path> keys) {
        @Nullable Path data() {
            String data = options.get("--data");
            return data == null ? null : Path.of(data);
        }
    }

    int run(String command, List<String> args) {
        Told told = told(args);
        if (told == null) {
            return usage(command);
        }
        try {
            return switch (command) {
                case "verify-log" -> verifyLog(told);
                case "check" -> check(told);
                case "backup" -> backup(told);
                case "restore" -> restore(told);
                default -> accept(told);
            };
        } catch (NoSuchFileException e) {
            err.println(e.getMessage() + " is not there.");
            return Main.UNREADABLE;
        } catch (IOException e) {
            err.println(e.getMessage());
            return Main.UNREADABLE;
        } catch (Backup.Failed e) {
            err.println(e.getMessage());
            return Main.FINDINGS;
        } catch (SQLException e) {
            err.println("That is no database of this program: " + e.getMessage());
            return Main.UNREADABLE;
        }
    }

    private int usage(String command) {
        err.println(USAGE.get(command));
        return Main.UNREADABLE;
    }

    private static @Nullable Told told(List<String> args) {
        List<String> words = new ArrayList<>();
        Map<String, String> options = new HashMap<>();
        List<Path> keys = new ArrayList<>();
        for (int i = 0; i < args.size(); i++) {
            String a = args.get(i);
            if (!a.startsWith("--")) {
                words.add(a);
            } else if (a.equals("--key") && i + 1 < args.size()) {
                keys.add(Path.of(args.get(++i)));
            } else if (List.of("--data", "--head", "--reason").contains(a) && i + 1 < args.size()) {
                options.put(a, args.get(++i));
            } else {
                return null;
            }
        }
        return new Told(words, options, keys);
    }

    /** A log that went through several keys is proven with all of them. */
    private static List<SiteKey> keys(Told told) throws IOException {
        List<SiteKey> keys = new ArrayList<>(List.of(SiteKey.DEMO));
        for (Path file : told.keys()) {
            keys.add(SiteKey.read(file));
        }
        return keys;
    }

    private int verifyLog(Told told) throws IOException, SQLException {
        return told.words().size() == 1
                ? walk(Path.of(told.words().getFirst()), told, false)
                : usage("verify-log");
    }

    private int check(Told told) throws IOException, SQLException {
        Path data = told.data();
        return data == null || !told.words().isEmpty() ? usage("check") : walk(data, told, true);
    }

    private int walk(Path folder, Told told, boolean all) throws IOException, SQLException {
        Path file = Database.file(folder);
        String head = told.options().get("--head");
        List<String> outside = head == null ? List.of() : Files.readAllLines(Path.of(head));
        if (head != null && outside.stream().noneMatch(l -> l.startsWith("orthopur-head "))) {
            err.println(head + " holds no head of a log.");
            return Main.UNREADABLE;
        }
        List<SiteKey> keys = keys(told);
        if (!Files.isReadable(file)) {
            err.println("The file " + file + " cannot be read.");
            return Main.UNREADABLE;
        }
        try (Connection db = Database.reading(file)) {
            List<String> damage = all ? Database.damage(db) : List.of();
            damage.forEach(d -> out.println("DAMAGED: " + d + "."));
            int found = say(Walk.all(db, keys, outside));
            return damage.isEmpty() ? found : Main.FINDINGS;
        }
    }

    /** What was found, for whoever asked. */
    private int say(Walk.Found found) {
        Head last = found.last();
        if (found.whole()) {
            out.println(
                    "Whole: %d entries and %d rows of the ledger, each as it was written."
                            .formatted(found.entries(), found.rows()));
        }
        found.wrong().stream().limit(MOST_SAID).forEach(w -> out.println("NOT WHOLE: " + w + "."));
        if (found.wrong().size() > MOST_SAID) {
            out.println("… and " + (found.wrong().size() - MOST_SAID) + " more.");
        }
        if (last == null) {
            out.println("No head is signed: that nothing was cut off at the end is not proven.");
        } else {
            out.println(
                    "%d heads, %d of them proven by a key that is at hand. The last:"
                            .formatted(found.heads(), found.signed()));
            out.println(last.line());
        }
        return found.whole() ? Main.NOTHING : Main.FINDINGS;
    }

    private int backup(Told told) throws IOException, Backup.Failed {
        Path data = told.data();
        if (data == null || told.words().size() != 1) {
            return usage("backup");
        }
        Path to = Path.of(told.words().getFirst());
        Walk.Found found = Backup.make(data, to, keys(told));
        out.println(
                "%s: %d entries, %d rows of the ledger, walked and whole."
                        .formatted(to, found.entries(), found.rows()));
        return Main.NOTHING;
    }

    private int restore(Told told) throws IOException, Backup.Failed {
        Path data = told.data();
        if (data == null || told.words().size() != 1) {
            return usage("restore");
        }
        Walk.Found found = Backup.restore(Path.of(told.words().getFirst()), data, keys(told));
        out.println(
                "Put back into %s: it ends at entry %d. Start it with the key of the site; the log will say that it was put back."
                        .formatted(data, found.entries()));
        return Main.NOTHING;
    }

    private int accept(Told told) throws IOException, SQLException {
        Path data = told.data();
        String reason = told.options().getOrDefault("--reason", "").strip();
        if (data == null || told.words().size() != 2 || reason.length() < LEAST_REASON) {
            err.println("The reason has " + LEAST_REASON + " letters at least; it is kept.");
            return usage("accept");
        }
        Sealed kind;
        try {
            kind = Sealed.valueOf(told.words().getFirst().toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            err.println("There is no kind \"" + told.words().getFirst() + "\"; check names it.");
            return Main.UNREADABLE;
        }
        if (!FolderLock.take(data)) {
            err.println("A server works in " + data + ". Stop it first.");
            return Main.UNREADABLE;
        }
        String ref = told.words().get(1);
        try (Connection db = Database.writing(Database.file(data))) {
            boolean changed =
                    Ledger.changed(db).stream()
                            .anyMatch(c -> c.kind() == kind && c.ref().equals(ref));
            if (!changed) {
                err.println("%s %s is as this program wrote it.".formatted(kind.table(), ref));
                return Main.UNREADABLE;
            }
            Ledger.accept(db, kind, ref, reason, System.currentTimeMillis());
        }
        out.println("Accepted; the ledger says so, with the reason.");
        return Main.NOTHING;
    }
}
