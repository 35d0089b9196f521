package orthopur.server.custody;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** What an intruder changed in the database is not used, and it is said which. */
@ServerTest(
        intruder = {
            "UPDATE procedure_version SET document = document || ' '"
                    + " WHERE procedure_id = 'qk-sl1-end-of-shift'",
            "UPDATE account SET role = 'SUPERVISOR' WHERE name = 'Pell Okonjo'",
            "UPDATE sheet SET saved_at = 1 WHERE code = 'QK-TL1'",
        })
class CustodyTest {
    @Autowired MockMvc mvc;

    private static Answer start(Client who, String procedure) {
        return who.post_("/api/rounds", "{\"procedure\":\"" + procedure + "\"}");
    }

    @Test
    void aChangedApprovalIsNotServed() {
        Client maren = Client.maren(mvc);
        Answer a = start(maren, "qk-sl1-end-of-shift");
        assertEquals(409, a.status());
        assertTrue(
                a.detail().contains("qk-sl1-end-of-shift@1 was changed on the server"), a.detail());
        assertFalse(maren.read("/api/floor").body().toString().contains("qk-sl1-end-of-shift"));
        assertEquals(409, start(Client.ilse(mvc), "qk-tl1-line-clean").status(), "nor its sheet");
        assertEquals(200, start(Client.ilse(mvc), "qk-ov1-daily").status());
    }

    @Test
    void aChangedAccountSignsNobodyIn() {
        assertThrows(
                IllegalStateException.class,
                () -> new Client(mvc, "Pell Okonjo", "quillmere-pell"));
    }

    @Test
    void theLogbookSaysWhat() {
        JsonNode i = Client.ilse(mvc).read("/api/logbook/integrity").body();
        assertEquals(3, i.get("changed").size(), i.toString());
        assertTrue(i.get("signedAt").asLong() > 0);
    }
}
