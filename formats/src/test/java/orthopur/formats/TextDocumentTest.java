package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import orthopur.roundpack.RoundPack.Timer;
import orthopur.text.Text;
import orthopur.verdict.Verifier;
import tools.jackson.databind.JsonNode;

/** A sentence as other programs read it: English at once, other languages by id and arguments. */
class TextDocumentTest {
    private static JsonNode json(Text text) {
        return Json.tree(Json.write(TextDocument.of(text)));
    }

    @Test
    void hasItsIdItsEnglishAndItsArguments() {
        JsonNode said = json(Text.of("a.locks", "Step {0} puts on {1} of {2} locks.", 6, 1, 2));
        assertEquals("a.locks", said.get("id").asString());
        assertEquals("Step 6 puts on 1 of 2 locks.", said.get("english").asString());
        assertEquals(6, said.at("/args/0").asInt());
        assertEquals(3, said.get("args").size());
    }

    @Test
    void piecesAndListsKeepTheirIds() {
        Text warm = Text.of("a.warm", "at least {0}", "24 °C");
        JsonNode said = json(Text.of("a.weak", "{0}; {1}.", List.of(warm, "pH 8"), warm));
        assertEquals("a.warm", said.at("/args/0/0/id").asString());
        assertEquals("pH 8", said.at("/args/0/1").asString());
        assertEquals("24 °C", said.at("/args/1/args/0").asString());
        assertEquals("at least 24 °C and pH 8; at least 24 °C.", said.get("english").asString());
    }

    /** Packs and states hold sentences; those of earlier versions hold their English alone. */
    @Test
    void whatIsWrittenIsReadAgainAndSoIsTheEnglishOfOldFiles() {
        Text soak =
                Text.of(
                        "pack.soaking-there",
                        "{0} soaking, {1}",
                        Text.of("names.all", "{0}", List.of("blade", "guard")),
                        "sink 1");
        Timer timer = new Timer(soak, 600, false);
        Timer again = Json.shared().readValue(Json.write(timer), Timer.class);
        assertEquals("blade and guard soaking, sink 1", again.name().toString());
        assertEquals(Json.write(timer), Json.write(again));
        Timer old =
                Json.shared()
                        .readValue(
                                "{\"name\":\"blade soaking\",\"seconds\":600,\"contact\":false}",
                                Timer.class);
        assertEquals(Text.plain("blade soaking"), old.name());
        assertTrue(Json.write(old).contains("blade soaking"));
    }

    /** A finding says the same in its message and by its id; so do its reason and its remedies. */
    @Test
    void aFindingSaysTheSameTwice() {
        var p = DemoSite.procedure("qk-ov1-draft");
        var v = Verifier.verify(p, DemoSite.sheet(p.sheet()), DemoSite.CONTEXT);
        assertFalse(v.findings().isEmpty());
        for (JsonNode f : Json.tree(Json.write(VerdictDocument.of(v, p))).get("findings")) {
            String english = f.at("/said/english").asString();
            assertTrue(english.equalsIgnoreCase(f.get("message").asString()), english);
            assertTrue(f.at("/said/id").asString().contains("."), english);
            assertTrue(f.at("/why/id").asString().contains("."), english);
            f.get("remedies").forEach(r -> assertFalse(r.at("/does/id").asString().isEmpty()));
        }
    }
}
