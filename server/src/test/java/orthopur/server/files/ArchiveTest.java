package orthopur.server.files;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static orthopur.db.Tables.PROCEDURE_VERSION;
import static orthopur.db.Tables.SHEET;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.function.UnaryOperator;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.jooq.DSLContext;
import org.jooq.exception.DataAccessException;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import tools.jackson.databind.node.ObjectNode;

/** A site's sheets and procedures out, and in again as drafts: all of it, or nothing at all. */
@ServerTest(own = true)
class ArchiveTest {
    @Autowired MockMvc mvc;
    @Autowired DSLContext db;
    private Client ilse;
    private byte[] out;

    @BeforeEach
    void signIn() throws Exception {
        ilse = Client.ilse(mvc);
        out = ilse.bytes("/api/archive");
    }

    /** The same archive with one file another. */
    private static byte[] with(byte[] archive, String file, UnaryOperator<String> change)
            throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(archive));
                ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
                zip.putNextEntry(new ZipEntry(e.getName()));
                String other = e.getName().equals(file) ? change.apply(text) : text;
                zip.write(other.getBytes(StandardCharsets.UTF_8));
                zip.closeEntry();
            }
        }
        return bytes.toByteArray();
    }

    private int inForce() {
        return db.fetchCount(PROCEDURE_VERSION, PROCEDURE_VERSION.STATE.eq("APPROVED"));
    }

    /**
     * What another site has approved is a draft here, by whoever took it in, whatever the archive
     * says of versions and names.
     */
    @Test
    void procedureOfAnotherSiteComeInAsDrafts() throws Exception {
        int procedures =
                db.fetchCount(
                        db.selectDistinct(PROCEDURE_VERSION.PROCEDURE_ID).from(PROCEDURE_VERSION));
        int sheets = db.fetchCount(SHEET);
        // Another, empty site: here what is approved cannot be deleted.
        db.execute("DROP TRIGGER approved_is_kept");
        db.execute("DROP TRIGGER sheet_is_kept");
        db.deleteFrom(PROCEDURE_VERSION).execute();
        db.deleteFrom(SHEET).execute();
        assertEquals(401, ilse.archive(out, "0000").status());
        byte[] forged =
                with(
                        out,
                        "procedures.json",
                        t ->
                                t.replaceFirst("\"version\" : 1", "\"version\" : -1")
                                        .replaceFirst("\"version\" : 1", "\"version\" : 2147483647")
                                        .replace("Ilse Varga", "Someone Else"));
        Answer in = ilse.archive(forged, "471148");
        assertEquals(200, in.status(), in.body().toString());
        assertEquals(procedures, in.body().get("procedures").asInt());
        assertEquals(sheets, in.body().get("sheets").asInt());
        assertEquals(0, inForce());
        assertEquals(
                procedures,
                db.fetchCount(
                        PROCEDURE_VERSION,
                        PROCEDURE_VERSION
                                .AUTHOR
                                .eq("Ilse Varga")
                                .and(PROCEDURE_VERSION.VERSION.eq(1))));
        assertEquals(0, ilse.archive(out, "471148").body().get("procedures").asInt(), "twice");
    }

    @Test
    void anArchiveThatIsCutOffChangesNothing() throws Exception {
        for (int length : new int[] {0, 3, 100, out.length / 2, out.length * 9 / 10}) {
            Answer a = ilse.archive(Arrays.copyOf(out, length), "471148");
            assertTrue(a.status() == 422 || a.status() == 400, length + ": " + a.status());
        }
        assertArrayEquals(out, ilse.bytes("/api/archive"));
        assertEquals(403, Client.maren(mvc).archive(out, "335027").status());
    }

    /** Read within the transaction that was given up: nothing of it is remembered. */
    @Test
    void anArchiveThatIsRefusedAtItsEndLeavesTheSiteAsItWas() throws Exception {
        String site = ilse.read("/api/site").body().toString();
        byte[] other =
                with(
                        with(out, "site.json", t -> t.replace("Quillmere Kitchens", "Elsewhere")),
                        "procedures.json",
                        t -> t.replace("\"title\" : ", "\"title\" : 7, \"x\" : "));
        byte[] unreadable =
                with(other, "procedures.json", t -> t.replace("\\\"steps\\\"", "\\\"stepps\\\""));
        assertEquals(422, ilse.archive(unreadable, "471148").status());
        assertEquals(site, ilse.read("/api/site").body().toString());
        assertEquals(200, ilse.read("/api/procedures").status());
    }

    @Test
    void aDraftThatIsAnotherHereIsNamed() throws Exception {
        ObjectNode draft =
                (ObjectNode)
                        ilse.read("/api/procedures/qk-sl1-draft/versions/1").body().get("document");
        draft.put("title", "Another title");
        assertEquals(
                200,
                ilse.put_("/api/procedures/qk-sl1-draft/versions/1", "\"1\"", draft.toString())
                        .status());
        Answer a = ilse.archive(out, "471148");
        assertEquals(422, a.status());
        assertTrue(a.body().toString().contains("a draft of qk-sl1-draft here"), a.toString());
    }

    /** Whatever a service forgets, the database does not. */
    @Test
    void whatHoldsHoldsForEveryDoor() {
        String version =
                "INSERT INTO procedure_version (procedure_id, version, machine, title, kind, state, revision, document,"
                        + " author, saved_at, stops, fixes) VALUES ('x', %s, 'm', 't', 'k', '%s', 1, '{}', 'a', 1, 0, 0)";
        for (String wrong :
                new String[] {
                    version.formatted("-1", "DRAFT"),
                    version.formatted("2147483647", "DRAFT"),
                    version.formatted("1", "APPROVED"),
                    "INSERT INTO sheet VALUES ('QK-XX', 0, 'n', '{}', 1)",
                    "UPDATE sheet SET document = '{}'",
                    "UPDATE procedure_version SET state = 'APPROVED' WHERE state = 'DRAFT'",
                }) {
            assertThrows(DataAccessException.class, () -> db.execute(wrong), wrong);
        }
        db.execute(version.formatted("1", "DRAFT"));
        db.execute(version.formatted("2", "DRAFT"));
        String approve =
                "UPDATE procedure_version SET state = 'APPROVED', approved_by = 'a', approved_at = 1 WHERE procedure_id = 'x'";
        db.execute(approve + " AND version = 1");
        assertThrows(DataAccessException.class, () -> db.execute(approve + " AND version = 2"));
        db.execute("UPDATE procedure_version SET state = 'RETIRED' WHERE procedure_id = 'x'");
    }
}
