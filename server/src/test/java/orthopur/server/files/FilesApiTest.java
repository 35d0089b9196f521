package orthopur.server.files;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;

/** Files brought in: every error by pointer, nothing written when there is one. */
@ServerTest
class FilesApiTest {
    @Autowired MockMvc mvc;
    private Client ilse;
    private String sheet;

    @BeforeEach
    void signIn() throws Exception {
        ilse = Client.ilse(mvc);
        sheet = Files.readString(Path.of("..", "demo", "machines", "QK-SL1.json"));
    }

    @Test
    void aSheetOfANextVersionIsTakenOnce() {
        // A machine of its own: others are approved against the slicer as it is.
        String mine = sheet.replace("\"code\" : \"QK-SL1\"", "\"code\" : \"QK-SL9\"");
        String next = mine.replace("\"version\" : 7", "\"version\" : 8");
        assertEquals(428, ilse.post_("/api/files", mine).status(), "not signed");
        assertEquals(401, ilse.sheet(mine, "0000").status());
        assertEquals(201, ilse.sheet(mine, "471148").status());
        assertEquals(201, ilse.sheet(next, "471148").status());
        assertEquals(409, ilse.sheet(next, "471148").status());
        assertEquals(8, ilse.read("/api/machines/QK-SL9").body().get("version").asInt());
    }

    @Test
    void aCircleInASheetIsNamedAndNothingIsWritten() {
        String circle =
                sheet.replace("\"code\" : \"QK-SL1\"", "\"code\" : \"QK-XX\"")
                        .replaceFirst(
                                "\"behind\" : \\[\\s*\"pusher\"\\s*\\]",
                                "\"behind\" : [ \"pusher\", \"deflector\" ]");
        Answer a = ilse.post_("/api/files", circle);
        assertEquals(422, a.status());
        assertTrue(
                a.body().at("/errors/0/message").asText().contains("come off first"),
                a.body().toString());
        assertEquals(404, ilse.read("/api/machines/QK-XX").status());
    }

    @Test
    void everyErrorIsListedAtOnce() {
        String bad =
                sheet.replace("\"zone\" : 1", "\"zone\" : 9")
                        .replace("\"count\" : 2", "\"count\" : 0");
        Answer a = ilse.post_("/api/files", bad);
        assertEquals(422, a.status());
        assertTrue(a.body().get("errors").size() > 10, a.body().get("errors").size() + " errors");
    }

    @Test
    void jsonThatBreaksOffIsToldWithItsLine() {
        Answer a = ilse.post_("/api/files", sheet.substring(0, sheet.length() / 2));
        assertEquals(422, a.status());
        assertTrue(a.body().at("/errors/0/message").asText().contains("line"), a.body().toString());
    }

    @Test
    void fiveMegabytesAreRefusedBeforeTheyAreRead() {
        Answer a = ilse.post_("/api/files", "{\"x\":\"" + "a".repeat(5_000_000) + "\"}");
        assertEquals(413, a.status());
        assertTrue(a.detail().contains("5.0 MB"), a.detail());
    }

    @Test
    void schemasArePublished() {
        assertEquals("Machine sheet", ilse.read("/api/schemas/sheet").body().get("title").asText());
        assertEquals(404, ilse.read("/api/schemas/moon").status());
    }
}
