package orthopur.server.tablets;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import jakarta.servlet.http.Cookie;
import java.io.IOException;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockHttpSession;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import orthopur.server.TestClock;
import orthopur.server.people.SignedIn;
import tools.jackson.databind.JsonNode;

/** Tablets of the site, and who goes on at one by PIN. */
@ServerTest(clock = true)
class TabletsApiTest {
    @Autowired MockMvc mvc;
    @Autowired TestClock now;
    private Client ilse;

    @BeforeEach
    void signIn() {
        ilse = Client.ilse(mvc);
    }

    /** A device that is signed in nowhere. */
    private final class Device {
        private MockHttpSession session = new MockHttpSession();
        private Cookie cookie;

        MockHttpServletResponse send(MockHttpServletRequestBuilder request, String body)
                throws Exception {
            request.session(session).with(csrf());
            if (cookie != null) {
                request.cookie(cookie);
            }
            if (body != null) {
                request.contentType(MediaType.APPLICATION_JSON).content(body);
            }
            MvcResult result = mvc.perform(request).andReturn();
            if (result.getRequest().getSession(false) instanceof MockHttpSession now) {
                session = now;
            }
            MockHttpServletResponse answer = result.getResponse();
            Cookie set = answer.getCookie(SignedIn.TABLET);
            cookie = set == null ? cookie : set;
            return answer;
        }

        int enrol(String code) throws Exception {
            return send(post("/api/tablets/enrol"), "{\"code\":\"" + code + "\"}").getStatus();
        }

        int pin(long account, String pin) throws Exception {
            String body = "{\"account\":%d,\"pin\":\"%s\"}".formatted(account, pin);
            return send(post("/api/tablets/session"), body).getStatus();
        }

        JsonNode read(String path) throws Exception {
            return Client.json(
                    send(get(path), null)
                            .getContentAsString(java.nio.charset.StandardCharsets.UTF_8));
        }
    }

    private String code(String name) {
        Answer a = ilse.post_("/api/tablets/codes", named(name, "471148"));
        assertEquals(200, a.status(), a.detail());
        return a.body().get("code").asString();
    }

    private static String named(String name, String pin) {
        return "{\"name\":\"%s\",\"signature\":\"%s\"}".formatted(name, pin);
    }

    private static long account(JsonNode here, String name) {
        for (JsonNode p : here.get("people")) {
            if (p.get("name").asString().equals(name)) {
                return p.get("account").asLong();
            }
        }
        throw new AssertionError(name);
    }

    @Test
    void aCodeEnrolsOneTabletAndOnItPeopleGoOnByPin() throws Exception {
        Device device = new Device();
        assertEquals(0, device.read("/api/tablets/this").get("people").size());
        assertEquals(403, device.pin(2, "335027"), "a PIN alone opens nothing elsewhere");
        String name = "Wash-up " + UUID.randomUUID().toString().substring(0, 8);
        String code = code(name);
        assertEquals(200, device.enrol(code.substring(0, 3) + " " + code.substring(3)));
        assertTrue(device.cookie.isHttpOnly());
        assertEquals(401, new Device().enrol(code), "it enrols one");
        JsonNode here = device.read("/api/tablets/this");
        assertEquals(name, here.get("name").asString());
        assertFalse(here.toString().contains("Anselm"), "auditors do nothing at a machine");
        long maren = account(here, "Maren Oyelaran");
        assertEquals(401, device.pin(maren, "0000"));
        assertEquals(401, device.pin(999, "335027"));
        assertEquals(200, device.pin(maren, "335027"));
        assertEquals("Maren Oyelaran", device.read("/api/session").get("name").asString());
        assertEquals(200, device.pin(account(here, "Ruvi Hast"), "902754"));
        assertEquals("QA", device.read("/api/session").get("role").asString());

        JsonNode tablets = ilse.read("/api/tablets").body();
        int id = -1;
        for (JsonNode t : tablets) {
            id = t.get("name").asString().equals(name) ? t.get("id").asInt() : id;
        }
        assertEquals(401, ilse.delete_("/api/tablets/" + id, named("", "0000")).status());
        assertEquals(204, ilse.delete_("/api/tablets/" + id, named("", "471148")).status());
        assertEquals(403, device.pin(maren, "335027"), "withdrawn, it is no tablet of the site");
        assertEquals(404, ilse.delete_("/api/tablets/" + id, named("", "471148")).status());
    }

    @Test
    void whatIsEnteredThereSaysWhichTabletItWas() throws Exception {
        Device device = new Device();
        device.enrol(code("Saw room"));
        long maren = account(device.read("/api/tablets/this"), "Maren Oyelaran");
        device.pin(maren, "335027");
        String started =
                device.send(post("/api/rounds"), "{\"procedure\":\"qk-sl1-oiling\"}")
                        .getContentAsString();
        JsonNode round = Client.json(started);
        String id = round.at("/state/id").asString();
        String entry =
                """
                {"id":"%s","packHash":"%s","step":"%s","kind":"trouble","device":"a lie","tabletTime":%d,
                 "figures":[{"name":"trouble","text":"INTERRUPTED"},{"name":"text","text":"called away"}]}"""
                        .formatted(
                                UUID.randomUUID(),
                                round.at("/state/packHash").asString(),
                                round.at("/pack/steps/0/id").asString(),
                                now.millis());
        assertEquals(200, device.send(post("/api/rounds/" + id + "/entries"), entry).getStatus());
        JsonNode log = ilse.read("/api/logbook/" + id + "/entries").body();
        JsonNode last = log.get(log.size() - 1);
        assertEquals("Saw room", last.at("/envelope/device").asString());
        assertEquals("Maren Oyelaran", last.get("who").asString());
        assertFalse(last.get("envelope").toString().contains("Maren"), "the log names accounts");
    }

    @Test
    void aCodeIsNotGuessedAndDoesNotLast() throws Exception {
        String late = code("Late");
        now.set(now.millis() + Tablets.CODE_HOLDS.toMillis() + 1);
        assertEquals(401, new Device().enrol(late));
        String guessed = code("Guessed");
        Device device = new Device();
        for (int i = 0; i < Tablets.GUESSES; i++) {
            assertEquals(401, device.enrol(guessed.equals("000000") ? "000001" : "000000"));
        }
        assertEquals(401, device.enrol(guessed));
    }

    @Test
    void onlyASupervisorEnrolsAndSignsForIt() throws IOException {
        Client maren = Client.maren(mvc);
        assertEquals(403, maren.post_("/api/tablets/codes", named("Mine", "335027")).status());
        assertEquals(403, maren.read("/api/tablets").status());
        assertEquals(401, ilse.post_("/api/tablets/codes", named("Mine", "0000")).status());
        Answer nameless = ilse.post_("/api/tablets/codes", named(" ", "471148"));
        assertEquals(422, nameless.status());
        assertTrue(nameless.detail().contains("1 to 40"), nameless.detail());
        assertNotNull(code("Twice"));
        assertNotNull(code("Twice"), "a new code for the same name voids the first");
    }
}
