package orthopur.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.Statement;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import orthopur.formats.EntryEnvelope;
import orthopur.round.EntryValue;

/** What is done beside the server; here to a site of an older program, that had no ledger. */
class KeepTest {
    @TempDir Path folder;
    private String said;

    @BeforeEach
    void aLogOfFive() throws Exception {
        try (Connection db = open();
                Statement s = db.createStatement()) {
            s.execute(
                    "CREATE TABLE floor_event (seq INTEGER PRIMARY KEY, id TEXT, round_id TEXT, pack_hash TEXT,"
                            + " step_id TEXT, kind TEXT, figures TEXT, who TEXT, device TEXT, tablet_time BIGINT,"
                            + " server_time BIGINT, prev_hash TEXT, hash TEXT, at BIGINT)");
            String before = EntryEnvelope.GENESIS;
            for (int i = 1; i <= 5; i++) {
                // The first is from before tablets worked without signal: it has no time of its
                // own.
                Long at = i == 1 ? null : Long.valueOf(1000L + i);
                List<EntryValue> figures = List.of(new EntryValue("strength", 62.0, "mg/L", null));
                EntryEnvelope e =
                        new EntryEnvelope(
                                "id" + i, "r", "p", "s", "reading", figures, "Maren", "t", 5, 6, at,
                                null, null, null, before);
                before = e.hash();
                insert(db, i, e);
            }
        }
    }

    private Connection open() throws Exception {
        return DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("orthopur.db"));
    }

    private static void insert(Connection db, int seq, EntryEnvelope e) throws Exception {
        try (PreparedStatement p =
                db.prepareStatement(
                        "INSERT INTO floor_event VALUES (?,?,?,?,?,?,?,?,?,?,?,?,?,?)")) {
            p.setInt(1, seq);
            p.setString(2, e.id());
            p.setString(3, e.round());
            p.setString(4, e.packHash());
            p.setString(5, e.step());
            p.setString(6, e.kind());
            p.setString(
                    7, "[{\"name\":\"strength\",\"value\":62.0,\"unit\":\"mg/L\",\"text\":null}]");
            p.setString(8, e.who());
            p.setString(9, e.device());
            p.setLong(10, e.tabletTime());
            p.setLong(11, e.serverTime());
            p.setString(12, e.prevHash());
            p.setString(13, e.hash());
            p.setObject(14, e.at());
            p.execute();
        }
    }

    private int verify(String... args) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PrintStream print = new PrintStream(out, true, StandardCharsets.UTF_8);
        int code = Main.run(List.of(args), print, print);
        said = out.toString(StandardCharsets.UTF_8);
        return code;
    }

    @Test
    void aWholeLogIsWhole() {
        assertEquals(0, verify("verify-log", folder.toString()), said);
        assertTrue(said.contains("5 entries"), said);
        assertEquals(0, verify("verify-log", folder.resolve("orthopur.db").toString()), said);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "UPDATE floor_event SET who = 'Tobiah' WHERE seq = 3",
                "UPDATE floor_event SET figures = replace(figures, '62.0', '63.0') WHERE seq = 3",
                "UPDATE floor_event SET figures = 'x' WHERE seq = 3",
                "UPDATE floor_event SET who = CAST(who AS BLOB) WHERE seq = 3",
                "UPDATE floor_event SET at = at + 1 WHERE seq = 3",
                "UPDATE floor_event SET tablet_time = 7 WHERE seq = 3",
                "UPDATE floor_event SET hash = replace(hash, 'a', 'b') WHERE seq = 3",
                "DELETE FROM floor_event WHERE seq = 2",
                "UPDATE floor_event SET seq = 30 WHERE seq = 2"
            })
    void anyChangeIsFoundAndNamed(String change) throws Exception {
        try (Connection db = open();
                Statement s = db.createStatement()) {
            s.execute(change);
        }
        assertEquals(1, verify("verify-log", folder.toString()));
        assertTrue(said.contains("entry 3"), said);
    }

    @Test
    void whatIsNoLogSaysSo() throws Exception {
        assertEquals(2, verify("verify-log"));
        assertEquals(2, verify("verify-log", folder.resolve("nowhere").toString()));
        Path text = Files.writeString(folder.resolve("text.db"), "no database at all");
        assertEquals(2, verify("verify-log", text.toString()), said);
    }

    /** Beside a server, into an empty folder, and never over anything. */
    @Test
    void aBackupIsWalkedAndPutBackOnlyWhereNothingIs() throws Exception {
        try (Connection db = open();
                Statement s = db.createStatement()) {
            s.execute("PRAGMA journal_mode = WAL");
        }
        Path file = folder.resolve("backups").resolve("one.db");
        String data = folder.toString();
        assertEquals(0, verify("backup", file.toString(), "--data", data), said);
        assertTrue(said.contains("5 entries"), said);
        assertEquals(1, verify("backup", file.toString(), "--data", data));
        assertTrue(said.contains("never overwrites"), said);
        assertEquals(0, verify("check", "--data", data), said);

        Path empty = folder.resolve("empty");
        assertEquals(0, verify("restore", file.toString(), "--data", empty.toString()), said);
        assertTrue(Files.readString(empty.resolve("restored.txt")).contains("entry 5"));
        assertEquals(0, verify("verify-log", empty.toString()), said);
        assertEquals(1, verify("restore", file.toString(), "--data", empty.toString()));
        assertTrue(said.contains("is not empty"), said);

        byte[] whole = Files.readAllBytes(file);
        Path half = Files.write(folder.resolve("half.db"), Arrays.copyOf(whole, whole.length / 2));
        Path none = folder.resolve("none");
        assertEquals(1, verify("restore", half.toString(), "--data", none.toString()), said);
        assertFalse(Files.exists(none), "nothing of it is left");
    }

    @Test
    void aBackupOfALogThatIsNotWholeIsRefusedAndNamed() throws Exception {
        try (Connection db = open();
                Statement s = db.createStatement()) {
            s.execute("UPDATE floor_event SET who = 'Tobiah' WHERE seq = 3");
        }
        Path file = folder.resolve("one.db");
        assertEquals(1, verify("backup", file.toString(), "--data", folder.toString()));
        assertTrue(said.contains("entry 3"), said);
        assertFalse(Files.exists(file));
    }

    @Test
    void whatIsMissingInACommandIsSaid() {
        for (String[] c :
                new String[][] {
                    {"backup"},
                    {"restore", "x"},
                    {"check"},
                    {"verify-log", "a", "b"},
                    {"accept", "account", "1", "--data", "x", "--reason", "short"},
                    {"accept", "moon", "1", "--data", "x", "--reason", "long enough a reason"},
                    {"verify-log", ".", "--head", "nowhere"},
                }) {
            assertEquals(2, verify(c), String.join(" ", c));
            assertFalse(said.isBlank());
        }
    }

    @Test
    void aSimulationSaysWhatIsWrongWithItsOptions() {
        assertEquals(2, verify("simulate", "moon"));
        assertEquals(2, verify("simulate", "floor", "--tablets", "0"));
        assertTrue(said.contains("--tablets is 0; allowed is 1"), said);
        assertEquals(2, verify("simulate", "floor", "--minutes"));
        assertEquals(
                2, verify("simulate", "floor", "--url", "http://localhost:1", "--tablets", "1"));
        assertTrue(said.contains("does not answer"), said);
    }
}
