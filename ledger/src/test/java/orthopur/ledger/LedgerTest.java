package orthopur.ledger;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import orthopur.formats.EntryEnvelope;
import orthopur.round.EntryValue;

/** Whatever is changed by something else than the program is found. */
class LedgerTest {
    private static final Path MIGRATIONS =
            Path.of("..", "server", "src", "main", "resources", "db", "migration");

    @TempDir static Path made;
    private static Path schema;

    @TempDir Path folder;
    private Path file;
    private Connection db;
    private SiteKey key;
    private long now = 1_796_000_000_000L;

    @BeforeAll
    static void migrate() throws Exception {
        schema = made.resolve("schema.db");
        try (Connection c = Database.writing(schema);
                Statement s = c.createStatement();
                Stream<Path> all = Files.list(MIGRATIONS)) {
            for (Path m : all.sorted(Comparator.comparingInt(LedgerTest::number)).toList()) {
                s.executeUpdate(Files.readString(m));
            }
        }
    }

    @BeforeEach
    void aSite() throws Exception {
        file = folder.resolve(Database.FILE);
        Files.copy(schema, file);
        db = Database.writing(file);
        sql("PRAGMA synchronous = OFF");
        for (Sealed kind : Sealed.values()) {
            sql(row(kind));
        }
        sql(
                "UPDATE procedure_version SET state = 'APPROVED', approved_by = 'Ilse', approved_at = 5");
        for (int i = 1; i <= 5; i++) {
            entry(i);
        }
        key = SiteKey.create(folder.resolve("site.key"));
        Heads.sign(db, key, now, null);
    }

    @AfterEach
    void close() throws Exception {
        db.close();
    }

    private static int number(Path migration) {
        String name = migration.getFileName().toString();
        return Integer.parseInt(name.substring(1, name.indexOf("__")));
    }

    private void sql(String text) throws SQLException {
        try (Statement s = db.createStatement()) {
            s.executeUpdate(text);
        }
    }

    private static String row(Sealed kind) {
        return switch (kind) {
            case ACCOUNT ->
                    "INSERT INTO account (id, name, role, password_hash, pin_hash) VALUES (1, 'Ilse', 'CREW', 'p', 'q')";
            case SHEET -> "INSERT INTO sheet VALUES ('QK-SL1', 1, 'Slicer', '{}', 5)";
            case SITE_DOCUMENT -> "INSERT INTO site_document VALUES ('site', '{}', 5)";
            case PROCEDURE_VERSION ->
                    "INSERT INTO procedure_version (procedure_id, version, machine, title, kind, state, revision, document,"
                            + " author, saved_at, stops, fixes) VALUES ('p', 1, 'QK-SL1', 't', 'k', 'DRAFT', 1, '{}', 'Ilse', 5, 0, 0)";
            case FIGURE_CHANGE ->
                    "INSERT INTO figure_change (figure, value, reason, who, at) VALUES ('f', 1.5, 'r', 'Ilse', 5)";
            case TRAINING -> "INSERT INTO training VALUES (1, 'QK-SL1', 5, 'Ilse')";
            case TABLET ->
                    "INSERT INTO tablet (name, token_hash, enrolled_by, enrolled_at) VALUES ('1', 'h', 'Ilse', 5)";
            case PACK -> "INSERT INTO pack VALUES ('h', '{}')";
            case ROUND ->
                    "INSERT INTO round (id, pack_hash, machine, procedure_id, version, title, started_by, started_at)"
                            + " VALUES ('r', 'h', 'QK-SL1', 'p', 1, 't', 'Ilse', 5)";
            case SITE_CHANGE ->
                    "INSERT INTO site_change (what, before, after, who, at) VALUES ('w', 'b', 'a', 'Ilse', 5)";
            case MACHINE_USE ->
                    "INSERT INTO machine_use (machine, kind, note, who, at) VALUES ('QK-SL1', 'k', 'n', 'Ilse', 5)";
            case SPARE_COUNT ->
                    "INSERT INTO spare_count (machine, part, count, who, at) VALUES ('QK-SL1', 'p', 2, 'Ilse', 5)";
            case PHOTO ->
                    "INSERT INTO photo VALUES ('%s', 'image/png', x'0102', 'Ilse', 5)"
                            .formatted(Fingerprint.ofBytes(new byte[] {1, 2}));
        };
    }

    private String before = EntryEnvelope.GENESIS;

    private void entry(int i) throws SQLException {
        EntryEnvelope e =
                new EntryEnvelope(
                        "id" + i,
                        "r",
                        "h",
                        "s",
                        "reading",
                        List.of(new EntryValue("strength", 62.0, "mg/L", null)),
                        "account:1",
                        "t",
                        5,
                        6,
                        7L,
                        "1",
                        null,
                        false,
                        before);
        before = e.hash();
        try (PreparedStatement p =
                db.prepareStatement(
                        "INSERT INTO floor_event (id, round_id, pack_hash, step_id, kind, figures, who, device, tablet_time,"
                                + " server_time, at, person, signed, prev_hash, hash) VALUES"
                                + " (?, 'r', 'h', 's', 'reading', ?, 'account:1', 't', 5, 6, 7, '1', 0, ?, ?)")) {
            p.setString(1, e.id());
            p.setString(2, "[{\"name\":\"strength\",\"value\":62.0,\"unit\":\"mg/L\"}]");
            p.setString(3, e.prevHash());
            p.setString(4, e.hash());
            p.execute();
        }
    }

    private List<String> found(String... outside) throws SQLException {
        return Walk.all(db, List.of(key), List.of(outside)).wrong();
    }

    /** As an intruder: with a plain SQLite, after every trigger is gone. */
    private void intrude(String... statements) throws SQLException {
        try (Connection plain = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement s = plain.createStatement()) {
            List<String> triggers = new ArrayList<>();
            try (var r = s.executeQuery("SELECT name FROM sqlite_master WHERE type = 'trigger'")) {
                while (r.next()) {
                    triggers.add(r.getString(1));
                }
            }
            for (String t : triggers) {
                s.executeUpdate("DROP TRIGGER " + t);
            }
            for (String text : statements) {
                assertTrue(s.executeUpdate(text) > 0, text);
            }
        }
    }

    @Test
    void whatTheProgramWroteIsWhole() throws Exception {
        Walk.Found f = Walk.all(db, List.of(key), List.of());
        assertEquals(List.of(), f.wrong());
        assertEquals(5, f.entries());
        assertEquals(1, f.signed());
        // A draft is nobody's word; its approval is.
        assertEquals(Sealed.values().length, f.rows());
    }

    @Test
    void theMigrationHasTheTriggersOfEveryKind() throws Exception {
        String migration = Files.readString(MIGRATIONS.resolve("V17__ledger.sql"));
        for (Sealed kind : Sealed.values()) {
            assertTrue(migration.contains(kind.triggers()), kind.table());
        }
    }

    @ParameterizedTest
    @EnumSource(Sealed.class)
    void everyColumnThatCountsIsSeen(Sealed kind) throws Exception {
        for (String column : kind.columns()) {
            Connection all = db;
            Path copy = folder.resolve(kind + "-" + column + ".db");
            sql("VACUUM INTO '" + copy + "'");
            file = copy;
            db = Database.writing(copy);
            intrude(
                    "UPDATE %s SET \"%s\" = CASE WHEN typeof(\"%s\") IN ('integer', 'real') THEN \"%s\" + 1 ELSE CASE WHEN \"%s\" = 'CREW' THEN 'QA' WHEN \"%s\" = 'APPROVED' THEN 'RETIRED' WHEN \"%s\" = 'site' THEN 'chemicals' ELSE coalesce(\"%s\", '') || 'x' END END"
                            .formatted(
                                    kind.table(),
                                    column,
                                    column,
                                    column,
                                    column,
                                    column,
                                    column,
                                    column));
            List<String> wrong = found();
            assertTrue(
                    wrong.stream().anyMatch(w -> w.startsWith(kind.table())),
                    kind + " " + column + ": " + wrong);
            db.close();
            db = all;
        }
    }

    @Test
    void aRowThatIsPutThereOrTakenAwayIsSeen() throws Exception {
        intrude(
                "INSERT INTO account (id, name, role, password_hash, pin_hash) VALUES (2, 'Eve', 'SUPERVISOR', 'p', 'q')",
                "DELETE FROM training",
                "UPDATE photo SET bytes = x'0103'");
        List<String> wrong = found();
        assertTrue(wrong.contains("account 2 was put there by something else"), wrong.toString());
        assertTrue(wrong.contains("training 1@QK-SL1 is missing"), wrong.toString());
        assertTrue(wrong.stream().anyMatch(w -> w.startsWith("the photo")), wrong.toString());
        List<Ledger.Changed> inForce = Ledger.changedInForce(db);
        assertEquals(2, inForce.size());
        Ledger.accept(db, Sealed.ACCOUNT, "2", "it was us", now);
        Ledger.accept(db, Sealed.TRAINING, "1@QK-SL1", "it was us", now);
        assertEquals(List.of(), Ledger.changedInForce(db));
    }

    @Test
    void whatIsDeletedByTheProgramIsGoneAndMayComeBack() throws Exception {
        sql("DELETE FROM training");
        assertEquals(List.of(), found());
        sql(row(Sealed.TRAINING));
        assertEquals(List.of(), found());
    }

    /** Another program has no such function, so it cannot write by accident. */
    @Test
    void nothingElseWritesUnnoticed() throws Exception {
        try (Connection plain = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement s = plain.createStatement()) {
            SQLException e =
                    assertThrows(
                            SQLException.class,
                            () -> s.executeUpdate("UPDATE account SET role = 'SUPERVISOR'"));
            assertTrue(e.getMessage().contains("no such function"), e.getMessage());
        }
    }

    @Test
    void aTailThatWasCutOffIsFoundByAHeadFromElsewhere() throws Exception {
        String head = Heads.last(db).line();
        assertEquals(List.of(), found(head));
        entry(6);
        Heads.sign(db, key, now + 5, null);
        String later = Heads.last(db).line();
        assertEquals(List.of(), found(head, "some other line", later));
        // Entry and head are cut off as if they had never been.
        intrude("DELETE FROM floor_event WHERE seq = 6", "DELETE FROM log_head WHERE seq = 2");
        assertEquals(List.of(), found(head), "an older head is still true");
        List<String> wrong = found(later);
        assertTrue(wrong.getFirst().contains("entry 6, which is not here"), wrong.toString());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "UPDATE floor_event SET figures = '[{\"name\":\"strength\",\"value\":200.0,\"unit\":\"mg/L\"}]' WHERE seq = 3",
                "DELETE FROM floor_event WHERE seq = 3",
                "UPDATE floor_event SET who = 'account:2' WHERE seq = 5",
                "UPDATE ledger SET at = at + 1 WHERE seq = 2",
                "DELETE FROM ledger WHERE seq = 2",
                "UPDATE log_head SET at = at + 1",
                "UPDATE log_head SET entry = 4",
            })
    void aChainThatWasTouchedIsFound(String change) throws Exception {
        intrude(change);
        assertFalse(found().isEmpty());
    }

    /** Chained anew with all hashes right: only the signature tells. */
    @Test
    void aLogThatWasWrittenAnewIsFoundByItsSignedHead() throws Exception {
        intrude("DELETE FROM floor_event");
        before = EntryEnvelope.GENESIS;
        sql("DELETE FROM sqlite_sequence WHERE name = 'floor_event'");
        for (int i = 11; i <= 15; i++) {
            entry(i);
        }
        List<String> wrong = found();
        assertTrue(wrong.getFirst().contains("another entry 5"), wrong.toString());
        SiteKey other = SiteKey.create(folder.resolve("other.key"));
        intrude("DELETE FROM log_head");
        Heads.sign(db, other, now, null);
        assertEquals(List.of(), found(), "with a key of its own it is whole in itself");
        Walk.Found f = Walk.all(db, List.of(key), List.of());
        assertEquals(0, f.signed(), "and nothing of it is proven by the site's key");
    }

    @Test
    void anEpochBeginsWithAWordWhyAndAKeyIsReadWhole() throws Exception {
        SiteKey second = SiteKey.create(folder.resolve("second.key"));
        Heads.sign(db, second, now + 1, "a new key");
        assertEquals(List.of(), found());
        assertEquals(2, Heads.last(db).epoch());
        assertEquals(second.id(), SiteKey.read(folder.resolve("second.key")).id());
        Files.writeString(folder.resolve("half.key"), "abc");
        assertThrows(java.io.IOException.class, () -> SiteKey.read(folder.resolve("half.key")));
        assertThrows(java.io.IOException.class, () -> SiteKey.create(folder.resolve("second.key")));
        String line = Heads.last(db).line();
        assertEquals(Heads.last(db), Head.read(line));
    }
}
