package orthopur.ledger;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/**
 * Tables whose rows were signed or are judged by, each with the columns that count. The triggers of
 * the migration name the same columns; a test changes each of them.
 */
public enum Sealed {
    /** Who may sign in and sign, with the hashes of their secrets. */
    ACCOUNT(
            "id",
            "id, name, role, password_hash, pin_hash, pin_own, adult_from, same_as, left_at, epoch",
            true),
    /** Machine sheets. */
    SHEET("code || '@' || version", "code, version, name, document, saved_at", true),
    /** The site and its chemicals. */
    SITE_DOCUMENT("kind", "kind, document, saved_at", true),
    /** Procedures that were approved; a draft is nobody's word yet. */
    PROCEDURE_VERSION(
            "procedure_id || '@' || version",
            "procedure_id, version, machine, title, kind, state, document, author, stops, fixes,"
                    + " approved_by, approved_at, approve_reason",
            true),
    /** Figures of the rule book that the site has set. */
    FIGURE_CHANGE("seq", "seq, figure, value, reason, who, at", true),
    /** Who was shown the work at which machine. */
    TRAINING("account_id || '@' || machine", "account_id, machine, at, said_by", true),
    /** Tablets that the site knows. */
    TABLET("id", "id, name, token_hash, enrolled_by, enrolled_at, withdrawn_at", true),
    /** What a tablet goes by in a round. */
    PACK("hash", "hash, document", true),
    /** Rounds with who began and who ended them. */
    ROUND(
            "id",
            "id, pack_hash, machine, procedure_id, version, title, started_by, started_at,"
                    + " closed_by, closed_at",
            false),
    /** What was changed on the site, by whom. */
    SITE_CHANGE("seq", "seq, what, before, after, who, at", false),
    /** What machines were used for between rounds. */
    MACHINE_USE("seq", "seq, machine, kind, note, who, at", false),
    /** Spare parts as they were counted. */
    SPARE_COUNT("seq", "seq, machine, part, count, who, at", false),
    /** Photos; what is in them is named by its own hash. */
    PHOTO("sha256", "sha256, type, taken_by, taken_at", false);

    private final String ref;
    private final String columns;
    private final boolean inForce;

    Sealed(String ref, String columns, boolean inForce) {
        this.ref = ref;
        this.columns = columns;
        this.inForce = inForce;
    }

    /** Name of the table, which is what the ledger calls the kind. */
    public String table() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Whether the program goes by it now; the others are what was. */
    boolean inForce() {
        return inForce;
    }

    /** Names of the columns that count. */
    List<String> columns() {
        return List.of(columns.split(", ?"));
    }

    /** All rows: what they are called first, then the columns that count. */
    String rows() {
        return "SELECT CAST(%s AS TEXT), %s FROM %s%s"
                .formatted(ref, named(), table(), drafts() ? " WHERE state <> 'DRAFT'" : "");
    }

    private String named() {
        return columns().stream().map(Sealed::quoted).collect(Collectors.joining(", "));
    }

    private static String quoted(String column) {
        return '"' + column + '"';
    }

    private boolean drafts() {
        return this == PROCEDURE_VERSION;
    }

    /** The triggers by which the database writes the ledger, as the migration has them. */
    String triggers() {
        String when = drafts() ? "WHEN NEW.state <> 'DRAFT' " : "";
        return trigger("insert", "AFTER INSERT ON " + table(), when, "NEW", of("NEW"))
                + trigger(
                        "update",
                        "AFTER UPDATE OF " + named() + " ON " + table(),
                        when,
                        "NEW",
                        of("NEW"))
                + trigger(
                        "delete",
                        "AFTER DELETE ON " + table(),
                        when.replace("NEW", "OLD"),
                        "OLD",
                        "'" + Ledger.GONE + "'");
    }

    private String of(String row) {
        return columns().stream()
                .map(c -> row + "." + quoted(c))
                .collect(Collectors.joining(", ", Fingerprint.NAME + "(", ")"));
    }

    private String trigger(String name, String on, String when, String row, String sha256) {
        String called =
                List.of(ref.split(" \\|\\| ")).stream()
                        .map(p -> p.startsWith("'") ? p : row + "." + p)
                        .collect(Collectors.joining(" || "));
        return """
               CREATE TRIGGER %s_sealed_%s %s
               %sBEGIN
                 INSERT INTO ledger (kind, ref, sha256, at, prev_hash, hash)
                 SELECT kind, ref, sha256, at, prev, fingerprint(kind, ref, sha256, at, NULL, prev) FROM (
                   SELECT '%s' AS kind, CAST(%s AS TEXT) AS ref,
                     %s AS sha256,
                     CAST(strftime('%%s', 'now') AS INTEGER) * 1000 AS at,
                     coalesce((SELECT hash FROM ledger ORDER BY seq DESC LIMIT 1), '') AS prev);
               END;
               """
                .formatted(table(), name, on, when, table(), called, sha256);
    }
}
