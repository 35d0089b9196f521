package orthopur.server.custody;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;

/** A changed chemical would make every verdict a false one: nothing is started or approved. */
@ServerTest(
        intruder =
                "UPDATE site_document SET document = replace(document, '60', '1') WHERE kind = 'chemicals'")
class ChangedSiteTest {
    @Autowired MockMvc mvc;

    @Test
    void nothingIsStartedOrApproved() {
        Client ilse = Client.ilse(mvc);
        Answer start = ilse.post_("/api/rounds", "{\"procedure\":\"qk-ov1-daily\"}");
        assertEquals(409, start.status());
        assertTrue(start.detail().startsWith("The list of chemicals was changed"), start.detail());
        Answer approve =
                ilse.post_(
                        "/api/procedures/qk-sl1-draft/versions/1/approval",
                        "{\"revision\":1,\"pin\":\"471148\"}");
        assertEquals(409, approve.status());
        assertTrue(approve.detail().contains("list of chemicals"), approve.detail());
    }
}
