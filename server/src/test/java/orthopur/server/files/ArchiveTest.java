package orthopur.server.files;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static orthopur.db.Tables.PROCEDURE_VERSION;
import static orthopur.db.Tables.SHEET;

import java.util.Arrays;
import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import tools.jackson.databind.node.ObjectNode;

/** The whole site out and in again: the same bytes, or nothing at all. */
@ServerTest
class ArchiveTest {
    @Autowired MockMvc mvc;
    @Autowired DSLContext db;
    private Client ilse;

    @BeforeEach
    void signIn() {
        ilse = Client.ilse(mvc);
    }

    /** Sheets and procedures are gone; the archive brings all of them back, approvals included. */
    @Test
    void outAndInAndOutAreTheSameBytes() throws Exception {
        byte[] out = ilse.bytes("/api/archive");
        int procedures = db.fetchCount(PROCEDURE_VERSION);
        int sheets = db.fetchCount(SHEET);
        // Another, empty site: here what is approved cannot be deleted.
        db.execute("DROP TRIGGER approved_is_kept");
        db.deleteFrom(PROCEDURE_VERSION).execute();
        db.deleteFrom(SHEET).execute();
        assertEquals(401, ilse.archive(out, "0000").status());
        Answer in = ilse.archive(out, "4711");
        assertEquals(200, in.status(), in.body().toString());
        assertEquals(procedures, in.body().get("procedures").asInt());
        assertEquals(sheets, in.body().get("sheets").asInt());
        assertArrayEquals(out, ilse.bytes("/api/archive"));
        assertEquals(0, ilse.archive(out, "4711").body().get("procedures").asInt(), "twice");
        assertArrayEquals(out, ilse.bytes("/api/archive"));
    }

    @Test
    void anArchiveThatIsCutOffChangesNothing() throws Exception {
        byte[] out = ilse.bytes("/api/archive");
        for (int length : new int[] {0, 3, 100, out.length / 2, out.length * 9 / 10}) {
            Answer a = ilse.archive(Arrays.copyOf(out, length), "4711");
            assertTrue(a.status() == 422 || a.status() == 400, length + ": " + a.status());
        }
        assertArrayEquals(out, ilse.bytes("/api/archive"));
        assertEquals(403, Client.maren(mvc).archive(out, "3350").status());
    }

    @Test
    void aVersionThatIsAnotherHereIsNamed() throws Exception {
        byte[] out = ilse.bytes("/api/archive");
        ObjectNode draft =
                (ObjectNode)
                        ilse.read("/api/procedures/qk-sl1-draft/versions/1").body().get("document");
        draft.put("title", "Another title");
        assertEquals(
                200,
                ilse.put_("/api/procedures/qk-sl1-draft/versions/1", "\"1\"", draft.toString())
                        .status());
        Answer a = ilse.archive(out, "4711");
        assertEquals(422, a.status());
        assertTrue(a.body().toString().contains("qk-sl1-draft is another on this site"));
    }
}
