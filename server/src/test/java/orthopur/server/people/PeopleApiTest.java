package orthopur.server.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** Accounts are made, changed and closed by a supervisor who signs for it. */
@ServerTest
class PeopleApiTest {
    @Autowired MockMvc mvc;
    @Autowired Accounts accounts;
    private Client ilse;

    @BeforeEach
    void signIn() {
        ilse = Client.ilse(mvc);
    }

    private Answer make(String name, String password, String adultFrom) {
        return ilse.post_(
                "/api/people",
                """
                {"name":"%s","role":"CREW","password":"%s","adultFrom":%s,"signature":"471148"}"""
                        .formatted(name, password, adultFrom));
    }

    private JsonNode person(String name) {
        for (JsonNode p : ilse.read("/api/people").body()) {
            if (p.get("name").asString().equals(name)) {
                return p;
            }
        }
        throw new IllegalStateException(name);
    }

    private Answer change(String name, String fields) {
        return ilse.put_(
                "/api/people/" + person(name).get("id").asLong(),
                "",
                "{" + fields + ",\"signature\":\"471148\"}");
    }

    @Test
    void somebodyNewSignsInAndIsOutAtOnceWhenTheyLeft() {
        assertEquals(201, make("Oda Brill", "tarn-ferry-9", "null").status());
        Client oda = new Client(mvc, "Oda Brill", "tarn-ferry-9");
        assertEquals(200, oda.read("/api/procedures").status());
        assertEquals(403, oda.read("/api/people").status());
        assertEquals(200, change("Oda Brill", "\"role\":\"CREW\",\"left\":true").status());
        assertEquals(401, oda.read("/api/procedures").status());
        assertThrows(
                IllegalStateException.class, () -> new Client(mvc, "Oda Brill", "tarn-ferry-9"));
        assertTrue(person("Oda Brill").get("left").asBoolean());
    }

    /** Nobody keeps a power, or a session, from before they were changed. */
    @Test
    void anotherRolePasswordOrPinEndsTheSessionsAndNothingElseDoes() {
        make("Tove Lindqvist", "tarn-ferry-5", "null");
        for (String changed :
                List.of(
                        "\"role\":\"SUPERVISOR\",\"left\":false",
                        "\"role\":\"CREW\",\"left\":false",
                        "\"role\":\"CREW\",\"left\":false,\"newPin\":true",
                        "\"role\":\"CREW\",\"left\":false,\"password\":\"tarn-ferry-5\"")) {
            Client tove = new Client(mvc, "Tove Lindqvist", "tarn-ferry-5");
            assertEquals(200, tove.read("/api/procedures").status());
            assertEquals(200, change("Tove Lindqvist", changed).status());
            assertEquals(401, tove.read("/api/procedures").status(), changed);
            assertFalse(tove.read("/api/session").body().hasNonNull("name"));
        }
        Client tove = new Client(mvc, "Tove Lindqvist", "tarn-ferry-5");
        change("Tove Lindqvist", "\"role\":\"CREW\",\"left\":false,\"trainedOn\":[\"QK-SL1\"]");
        assertEquals(200, tove.read("/api/procedures").status());
    }

    /** The log names accounts, so a name that is taken back is gone from the records. */
    @Test
    void anotherNameStandsInTheRecordsAndTheChainStaysWhole() {
        make("Ansa Koll", "tarn-ferry-3", "null");
        JsonNode round = ilse.post_("/api/rounds", "{\"procedure\":\"qk-ov1-daily\"}").body();
        String id = round.at("/state/id").asString();
        String entry =
                """
                {"id":"ansa-1","packHash":"%s","step":"%s","kind":"trouble","tabletTime":1,"figures":[
                 {"name":"trouble","text":"INTERRUPTED"},{"name":"text","text":"called away"}]}"""
                        .formatted(
                                round.at("/state/packHash").asString(),
                                round.at("/pack/steps/0/id").asString());
        Client ansa = new Client(mvc, "Ansa Koll", "tarn-ferry-3");
        assertEquals(200, ansa.post_("/api/rounds/" + id + "/entries", entry).status());
        assertEquals(
                200,
                change("Ansa Koll", "\"name\":\"Former 7\",\"role\":\"CREW\",\"left\":true")
                        .status());
        String record = ilse.read("/api/logbook/" + id).body().toString();
        assertTrue(record.contains("Former 7") && !record.contains("Ansa"), record);
        assertFalse(ilse.read("/api/rounds/" + id).body().toString().contains("Ansa"));
        assertFalse(
                ilse.read("/api/logbook/" + id + "/entries").body().toString().contains("Ansa"));
        assertTrue(ilse.read("/api/logbook/integrity").body().get("whole").asBoolean());
        assertEquals(
                409,
                change("Former 7", "\"name\":\"Ilse Varga\",\"role\":\"CREW\",\"left\":true")
                        .status());
        assertEquals(
                422, change("Former 7", "\"name\":\" \",\"role\":\"CREW\",\"left\":true").status());
    }

    @Test
    void aNewPasswordAndPinReplaceTheOldOnesAndAreNotInTheLog() {
        make("Lio Fenn", "tarn-ferry-1", "null");
        assertEquals(
                200,
                change(
                                "Lio Fenn",
                                "\"role\":\"QA\",\"left\":false,\"password\":\"tarn-ferry-2\",\"newPin\":true")
                        .status());
        assertThrows(
                IllegalStateException.class, () -> new Client(mvc, "Lio Fenn", "tarn-ferry-1"));
        Client lio = new Client(mvc, "Lio Fenn", "tarn-ferry-2");
        assertEquals("QA", lio.read("/api/session").body().get("role").asString());
        JsonNode log = ilse.read("/api/supplies/changes").body();
        assertEquals("person Lio Fenn", log.at("/0/what").asString());
        assertFalse(log.toString().contains("tarn-ferry"));
    }

    @Test
    void badInputNamesTheRangeAndMakesNobody() {
        int before = ilse.read("/api/people").body().size();
        String today = "\"" + accounts.today() + "\"";
        Answer all = make(" ", "short", today);
        assertEquals(422, all.status());
        for (String part : new String[] {"1 to 60", "8 letters at least", "after today"}) {
            assertTrue(all.detail().contains(part), all.detail());
        }
        Answer cut = make("Oda Brill", "ä".repeat(37), "null");
        assertTrue(cut.detail().contains("72 at most"), cut.detail());
        LocalDate far = accounts.today().plusYears(7);
        assertEquals(422, make("Oda Brill", "tarn-ferry-9", "\"" + far + "\"").status());
        assertEquals(409, make("ilse varga", "tarn-ferry-9", "null").status());
        assertEquals(before, ilse.read("/api/people").body().size());
        assertEquals(422, ilse.post_("/api/people", "{\"name\":\"X\"}").status());
        String whole =
                "{\"name\":\"X\",\"role\":\"QA\",\"password\":\"tarn-ferry\",\"signature\":\"335027\"}";
        assertEquals(403, Client.maren(mvc).post_("/api/people", whole).status());
    }

    private static final String SIGNED = "{\"document\":\"[]\",\"pin\":\"%s\"}";

    private static Answer choose(Client who, String secret, boolean byPin, String pin) {
        return who.put_(
                "/api/session/pin",
                "{\"secret\":\"%s\",\"byPin\":%s,\"pin\":\"%s\"}".formatted(secret, byPin, pin));
    }

    /** A PIN is its owner's: a supervisor makes one void, and never knows one. */
    @Test
    void aPinIsChosenByItsOwnerAndSignsOnlyThen() {
        make("Nils Harkaway", "tarn-ferry-6", "null");
        change("Nils Harkaway", "\"role\":\"SUPERVISOR\",\"left\":false");
        Client nils = new Client(mvc, "Nils Harkaway", "tarn-ferry-6");
        assertTrue(nils.read("/api/session").body().get("choosePin").asBoolean());
        Answer none = nils.put_("/api/vessels", "", SIGNED.formatted("602817"));
        assertEquals(428, none.status(), none.detail());
        for (String bad : new String[] {"1234", "12345x", "111111", "123456", "987654", ""}) {
            assertEquals(422, choose(nils, "tarn-ferry-6", false, bad).status(), bad);
        }
        assertEquals(401, choose(nils, "a guess", false, "602817").status());
        Client other = new Client(mvc, "Nils Harkaway", "tarn-ferry-6");
        assertEquals(200, choose(nils, "tarn-ferry-6", false, "602817").status());
        assertFalse(nils.read("/api/session").body().get("choosePin").asBoolean());
        assertEquals(401, other.read("/api/procedures").status(), "signed in as they were");
        assertEquals(422, choose(nils, "602817", true, "602817").status(), "the same again");
        assertEquals(200, choose(nils, "602817", true, "602818").status());
        change("Nils Harkaway", "\"role\":\"SUPERVISOR\",\"left\":false,\"newPin\":true");
        Client again = new Client(mvc, "Nils Harkaway", "tarn-ferry-6");
        assertEquals(428, again.put_("/api/vessels", "", SIGNED.formatted("602818")).status());
        String password = "{\"old\":\"tarn-ferry-6\",\"password\":\"%s\"}";
        assertEquals(
                422, again.put_("/api/session/password", password.formatted("short")).status());
        assertEquals(
                200,
                again.put_("/api/session/password", password.formatted("tarn-ferry-7")).status());
        change("Nils Harkaway", "\"role\":\"CREW\",\"left\":true");
    }

    @Test
    void aNameThatLooksLikeAnothersIsRefused() {
        for (String alike :
                new String[] {
                    "ILSE VARGA", "Ilse  Varga", "llse Varga", "1lse Varga", "Ilse V\u0430rga"
                }) {
            assertEquals(409, make(alike, "tarn-ferry-9", "null").status(), alike);
        }
        assertTrue(
                make("Ilse V\u0430rga", "tarn-ferry-9", "null")
                        .detail()
                        .contains("looks like Ilse"));
    }

    @Test
    void theLastSupervisorStays() {
        Answer a = change("Ilse Varga", "\"role\":\"CREW\",\"left\":false");
        assertEquals(422, a.status());
        assertTrue(a.detail().contains("only supervisor"), a.detail());
    }

    @Test
    void harderWaterShowsItsEffectBeforeItIsSigned() throws Exception {
        String hard =
                """
                {"mains":{"temperature":{"value":12,"unit":"°C"},
                "hardness":{"value":2000,"unit":"mg/L"},"ph":{"value":7.6,"unit":"pH"}}}""";
        String body = "{\"document\":" + Client.text(hard) + ",\"pin\":\"471148\"}";
        Answer effect = ilse.post_("/api/site/effect", body);
        assertEquals(200, effect.status(), effect.body().toString());
        Answer zone =
                ilse.put_(
                        "/api/site",
                        "",
                        "{\"document\":"
                                + Client.text("{\"zone\":\"Tarn\"}")
                                + ",\"pin\":\"471148\"}");
        assertEquals(422, zone.status());
        assertTrue(zone.body().toString().contains("/zone"));
        assertEquals(
                200,
                ilse.put_(
                                "/api/site",
                                "",
                                "{\"document\":"
                                        + Client.text("{\"town\":\"Tarn Ferry East\"}")
                                        + ",\"pin\":\"471148\"}")
                        .status());
        assertEquals("Tarn Ferry East", ilse.read("/api/site/file").body().get("town").asString());
    }
}
