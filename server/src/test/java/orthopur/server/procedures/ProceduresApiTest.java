package orthopur.server.procedures;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.jooq.DSLContext;
import org.jooq.exception.DataAccessException;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Saving, approving, refusing: over HTTP, on real SQLite. */
@ServerTest
class ProceduresApiTest {
    private static int made;

    @Autowired MockMvc mvc;
    @Autowired DSLContext db;
    private Client ilse;

    @BeforeEach
    void signIn() {
        ilse = Client.ilse(mvc);
    }

    private static String file(String name) throws Exception {
        return Files.readString(Path.of("..", "demo", "procedures", name + ".json"));
    }

    /** Brings in a demo procedure under an id of its own. */
    private String bring(String name) throws Exception {
        String id = "p" + ++made;
        Answer a =
                ilse.post_(
                        "/api/files",
                        file(name).replace("\"id\" : \"" + name + "\"", "\"id\" : \"" + id + "\""));
        assertEquals(201, a.status(), a.body().toString());
        return id;
    }

    private JsonNode document(String id) {
        return ilse.read("/api/procedures/" + id + "/versions/1").body().get("document");
    }

    private static String approval(int revision, String pin, String reason) {
        return "{\"revision\":%d,\"pin\":\"%s\",\"reason\":\"%s\"}"
                .formatted(revision, pin, reason);
    }

    @Test
    void aStopIsNeverApprovedAndAFixOnlyWithAReason() throws Exception {
        String stop = bring("qk-sl1-draft");
        String path = "/api/procedures/" + stop + "/versions/1/approval";
        String refused = ilse.post_(path, approval(1, "471148", "because I say so")).detail();
        assertTrue(refused.contains("6 STOPs"), refused);

        String fix = bring("qk-sl1-end-of-shift");
        ObjectNode d = (ObjectNode) document(fix);
        for (JsonNode s : d.get("steps")) {
            if (s.get("id").asString().equals("sanitize")) {
                ((ArrayNode) s.get("readings")).removeAll().add("strength");
            }
        }
        assertEquals(
                200,
                ilse.put_("/api/procedures/" + fix + "/versions/1", "\"1\"", d.toString())
                        .status());
        String fixPath = "/api/procedures/" + fix + "/versions/1/approval";
        assertTrue(ilse.post_(fixPath, approval(2, "471148", "")).detail().contains("1 FIX"));
        Answer approved =
                ilse.post_(fixPath, approval(2, "471148", "thermometer is on order until Friday"));
        assertEquals("APPROVED", approved.body().at("/row/state").asString());
        assertEquals("Ilse Varga", approved.body().at("/row/approvedBy").asString());
    }

    @Test
    void whatIsApprovedIsFrozenEvenAgainstTheDatabase() throws Exception {
        String id = bring("qk-sl1-end-of-shift");
        String path = "/api/procedures/" + id + "/versions/1";
        assertEquals(200, ilse.post_(path + "/approval", approval(1, "471148", "")).status());
        assertEquals(409, ilse.put_(path, "\"1\"", document(id).toString()).status());
        Assertions.assertThrows(
                DataAccessException.class,
                () ->
                        db.execute(
                                "UPDATE procedure_version SET document = '{}' WHERE procedure_id = ?",
                                id));
        Answer draft = ilse.post_("/api/procedures/" + id + "/versions", "{\"from\":1}");
        assertEquals(2, draft.body().get("version").asInt());
        assertEquals(
                409, ilse.post_("/api/procedures/" + id + "/versions", "{\"from\":1}").status());
    }

    @Test
    void savingOverSomebodysNewerStateIsRefused() throws Exception {
        String id = bring("qk-sl1-draft");
        String path = "/api/procedures/" + id + "/versions/1";
        String text = document(id).toString();
        assertEquals(200, ilse.put_(path, "\"1\"", text).status());
        Answer second = ilse.put_(path, "\"1\"", text);
        assertEquals(412, second.status());
        assertTrue(second.detail().contains("Ilse Varga saved a newer state"), second.detail());
        assertEquals(400, ilse.put_(path, "soon", text).status());
    }

    @Test
    void ofTwoApprovalsAtOnceOneWins() throws Exception {
        String id = bring("qk-sl1-end-of-shift");
        Callable<Integer> approve =
                () ->
                        ilse.post_(
                                        "/api/procedures/" + id + "/versions/1/approval",
                                        approval(1, "471148", ""))
                                .status();
        try (ExecutorService two = Executors.newFixedThreadPool(2)) {
            List<Integer> got = new ArrayList<>();
            for (Future<Integer> f : two.invokeAll(List.of(approve, approve))) {
                got.add(f.get());
            }
            got.sort(null);
            assertEquals(List.of(200, 409), got);
        }
    }

    @Test
    void badFiguresAreToldByPointerAndNothingIsKept() throws Exception {
        String id = bring("qk-sl1-draft");
        ObjectNode d = (ObjectNode) document(id);
        ObjectNode sanitize = null;
        int place = 0;
        for (int i = 0; i < d.get("steps").size(); i++) {
            if (d.get("steps").get(i).get("id").asString().equals("sanitize")) {
                sanitize = (ObjectNode) d.get("steps").get(i);
                place = i;
            }
        }
        for (String bad : List.of("-5", "1e9", "\"abc\"", "\"NaN\"")) {
            sanitize.set(
                    "strength",
                    new tools.jackson.databind.ObjectMapper()
                            .readTree("{\"value\":" + bad + ",\"unit\":\"mg/L\"}"));
            Answer a = ilse.put_("/api/procedures/" + id + "/versions/1", "\"1\"", d.toString());
            assertEquals(422, a.status(), bad);
            assertTrue(
                    a.body()
                            .at("/errors/0/pointer")
                            .asString()
                            .startsWith("/steps/" + place + "/strength"),
                    bad);
        }
        ((ObjectNode) sanitize.get("strength")).remove("unit");
        assertEquals(422, ilse.post_("/api/verify", d.toString()).status());
        assertEquals(62, document(id).at("/steps/" + place + "/strength/value").asInt());
    }

    @Test
    void everyOfferedRemedyAppliedThroughTheApiHelps() throws Exception {
        Answer verdict = ilse.post_("/api/verify", file("qk-sl1-draft"));
        assertEquals(200, verdict.status());
        int offered = 0;
        for (JsonNode f : verdict.body().get("findings")) {
            for (JsonNode r : f.get("remedies")) {
                offered++;
                assertFalse(r.get("edits").isEmpty(), r.get("label").asString());
            }
        }
        assertTrue(offered >= 7, "offered " + offered);
        assertEquals(64, verdict.body().get("appliesTo").asString().length());
    }

    @Test
    void onlyASupervisorWrites() throws Exception {
        Client maren = Client.maren(mvc);
        assertEquals(403, maren.post_("/api/files", file("qk-sl1-draft")).status());
        assertEquals(
                403,
                maren.post_("/api/procedures/qk-sl1-end-of-shift/versions", "{\"from\":1}")
                        .status());
    }

    /**
     * Every edit that is offered on every demo draft, applied as a client would, is judged better.
     */
    @Test
    void everyOfferedEditOnEveryDraftHelpsOverTheApi() throws Exception {
        int tried = 0;
        for (String name : List.of("qk-sl1", "qk-sw1", "qk-ov1", "qk-fl1", "qk-ds1", "qk-tl1")) {
            ObjectNode draft = (ObjectNode) Client.json(file(name + "-draft"));
            JsonNode before = ilse.post_("/api/verify", draft.toString()).body();
            for (JsonNode finding : before.get("findings")) {
                for (JsonNode remedy : finding.get("remedies")) {
                    ObjectNode mended = draft.deepCopy();
                    mended.set("steps", applied(draft.withArray("steps"), remedy.get("edits")));
                    JsonNode after = ilse.post_("/api/verify", mended.toString()).body();
                    int stops = after.get("stops").asInt() - before.get("stops").asInt();
                    int fixes = after.get("fixes").asInt() - before.get("fixes").asInt();
                    assertTrue(
                            stops < 0 || stops == 0 && fixes < 0,
                            name + " " + remedy.get("label") + " " + stops + " " + fixes);
                    tried++;
                }
            }
        }
        assertTrue(tried > 20, "tried " + tried);
    }

    private static ArrayNode applied(ArrayNode steps, JsonNode edits) {
        List<JsonNode> now = new ArrayList<>();
        steps.forEach(now::add);
        for (JsonNode e : edits) {
            JsonNode moved = e.get("step");
            if (!e.get("edit").asString().equals("insert-before")) {
                int at = place(now, e.get("id"));
                JsonNode old = now.remove(at);
                if (e.get("edit").asString().equals("change")) {
                    now.add(at, moved);
                }
                moved = old;
            }
            if (e.get("edit").asString().matches("insert-before|move")) {
                now.add(e.has("before") ? place(now, e.get("before")) : now.size(), moved);
            }
        }
        ArrayNode result = steps.arrayNode();
        now.forEach(result::add);
        return result;
    }

    private static int place(List<JsonNode> steps, JsonNode id) {
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).get("id").equals(id)) {
                return i;
            }
        }
        throw new AssertionError("no step " + id);
    }
}
