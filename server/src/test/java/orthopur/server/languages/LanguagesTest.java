package orthopur.server.languages;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.formats.Json;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import tools.jackson.databind.JsonNode;

/** A language is a file: what ships, what a site adds, and what cannot be read. */
@ServerTest
class LanguagesTest {
    @Autowired MockMvc mvc;

    @Value("${orthopur.data}")
    String data;

    @Test
    void aSiteAddsALanguageAndMendsOneWithoutAStart() throws IOException {
        Client maren = Client.maren(mvc);
        JsonNode spanish = maren.read("/api/languages/es").body();
        assertEquals("Español", spanish.get("name").asString());
        assertEquals(404, maren.read("/api/languages/xx").status());
        Path folder = Files.createDirectories(Path.of(data, "languages"));
        Files.writeString(
                folder.resolve("xx.json"),
                "{\"code\":\"xx\",\"name\":\"Own\",\"texts\":{\"Wash\":\"Wasch\"}}");
        Files.writeString(
                folder.resolve("es.json"),
                "{\"code\":\"es\",\"name\":\"Español\",\"texts\":{\"Wash\":\"Fregar\"}}");
        Files.writeString(folder.resolve("broken.json"), "{\"code\":");
        Files.writeString(folder.resolve("empty.json"), "{\"code\":\"yy\"}");
        Files.writeString(folder.resolve("notes.txt"), "no language");
        assertEquals("Wasch", maren.read("/api/languages/xx").body().at("/texts/Wash").asString());
        JsonNode mended = maren.read("/api/languages/es").body();
        assertEquals("Fregar", mended.at("/texts/Wash").asString());
        assertEquals(spanish.get("texts").size(), mended.get("texts").size());
        assertEquals(2, maren.read("/api/languages").body().size());
        assertTrue(maren.read("/api/languages").body().toString().contains("\"xx\""));
    }

    /** Files written before sentences had ids still say what they say. */
    @Test
    void aFileThatNamesSentencesByTheirEnglishIsRead() throws IOException {
        Client maren = Client.maren(mvc);
        Path folder = Files.createDirectories(Path.of(data, "languages"));
        Files.writeString(
                folder.resolve("zz.json"),
                "{\"code\":\"zz\",\"name\":\"Old\",\"texts\":{\"Sign out\":\"Hinaus\",\"Hold\":\"Halt\"}}");
        JsonNode texts = maren.read("/api/languages/zz").body().get("texts");
        assertEquals("Hinaus", texts.get("app.shell.sign-out").asString());
        Files.delete(folder.resolve("zz.json"));
    }

    /**
     * What a site says of its documents goes by their ids, and never beyond the words it was put
     * from.
     */
    @Test
    void aDocumentIsPutIntoALanguage() throws IOException {
        Client ilse = Client.ilse(mvc);
        Client maren = Client.maren(mvc);
        String here = "/api/languages/es/documents/qk-sl1-end-of-shift";
        JsonNode rows = maren.read(here).body().get("rows");
        JsonNode row = null;
        for (JsonNode r : rows) {
            assertTrue(r.has("said"), "lacks Spanish: " + r.get("english"));
            row = r.get("field").asString().equals("words") && row == null ? r : row;
        }
        String english = row.get("english").asString();
        String path = row.get("path").asString();
        String mine = texts(Map.of(path, "Como lo decimos aquí."));
        assertEquals(403, maren.put_(here, mine).status());
        assertEquals(200, ilse.put_(here, mine).status());
        JsonNode texts = maren.read("/api/languages/es").body().get("texts");
        assertEquals("Como lo decimos aquí.", texts.get(english).asString());
        JsonNode wrong =
                ilse.put_(here, texts(Map.of("steps.nowhere.words", "x", path, "y"))).body();
        assertEquals("/texts/steps.nowhere.words", wrong.at("/errors/0/pointer").asString());
        assertEquals(
                "Como lo decimos aquí.",
                maren.read("/api/languages/es").body().get("texts").get(english).asString());
        JsonNode first = rows.get(1);
        assertEquals("ppe.0", first.get("path").asString());
        assertEquals("ppe", first.get("field").asString());
        assertEquals(404, maren.read("/api/languages/es/documents/no-such").status());
        assertEquals(404, maren.read("/api/languages/qq/documents/QK-SL1").status());
        assertEquals(200, ilse.put_(here, "{\"texts\":{\"%s\":\"\"}}".formatted(path)).status());
        assertEquals(
                row.get("said"), maren.read("/api/languages/es").body().get("texts").get(english));
    }

    private static String texts(Map<String, String> said) {
        return Json.write(Map.of("texts", said));
    }

    /** "Left" is never read where the English says "right" by now. */
    @Test
    void whatWasSaidOfOtherWordsIsNotShown() throws IOException {
        Client maren = Client.maren(mvc);
        Path own = Files.createDirectories(Path.of(data, "languages", "es"));
        Path file = own.resolve("QK-SL1.json");
        Files.writeString(
                file,
                """
                {"document": "QK-SL1", "language": "es", "texts": {
                  "name": {"of": "Disc, slicer!", "text": "Nuestra rebanadora"},
                  "room": {"of": "Another room", "text": "Otra sala"}}}""");
        JsonNode texts = maren.read("/api/languages/es").body().get("texts");
        assertEquals("Nuestra rebanadora", texts.get("Disc slicer").asString());
        assertTrue(texts.toString().contains("Nuestra rebanadora"));
        assertTrue(!texts.toString().contains("Otra sala"));
        Files.delete(file);
    }

    /** One English in two documents: each is read in the words of its own. */
    @Test
    void twoDocumentsSayOneEnglishInTwoWays() {
        Client ilse = Client.ilse(mvc);
        String here = "/api/languages/es/documents/QK-GR1";
        String path = null;
        for (JsonNode r : ilse.read(here).body().get("rows")) {
            boolean steel = r.get("english").asString().equals("stainless steel");
            path = steel && path == null ? r.get("path").asString() : path;
        }
        Answer put = ilse.put_(here, texts(Map.of(path, "acero de aquí")));
        assertEquals(200, put.status(), put.body().toString());
        JsonNode es = ilse.read("/api/languages/es").body();
        assertEquals("acero inoxidable", es.at("/texts/stainless steel").asString());
        assertEquals("acero de aquí", es.at("/own/QK-GR1/stainless steel").asString());
        assertEquals(200, ilse.put_(here, "{\"texts\":{\"%s\":\"\"}}".formatted(path)).status());
        assertTrue(
                ilse.read("/api/languages/es")
                        .body()
                        .at("/own/QK-GR1/stainless steel")
                        .isMissingNode());
    }

    /** The same words in two places of a document are one text: what was said last is read. */
    @Test
    void theSameWordsTwiceAreOneText() {
        Client ilse = Client.ilse(mvc);
        String here = "/api/languages/es/documents/QK-GR1";
        List<String> steel = new ArrayList<>();
        for (JsonNode r : ilse.read(here).body().get("rows")) {
            if (r.get("english").asString().equals("stainless steel")) {
                steel.add(r.get("path").asString());
            }
        }
        assertTrue(steel.size() > 1, steel.toString());
        for (String[] said :
                new String[][] {
                    {steel.getLast(), "acero uno"},
                    {steel.getFirst(), "acero dos"},
                    {steel.get(1), "acero tres"}
                }) {
            assertEquals(200, ilse.put_(here, texts(Map.of(said[0], said[1]))).status());
            for (JsonNode r : ilse.read(here).body().get("rows")) {
                if (steel.contains(r.get("path").asString())) {
                    assertEquals(said[1], r.get("said").asString(), r.get("path").asString());
                }
            }
            assertEquals(
                    said[1],
                    ilse.read("/api/languages/es")
                            .body()
                            .at("/own/QK-GR1/stainless steel")
                            .asString());
        }
        assertEquals(
                200,
                ilse.put_(here, "{\"texts\":{\"%s\":\"\"}}".formatted(steel.getLast())).status());
        assertTrue(
                ilse.read("/api/languages/es")
                        .body()
                        .at("/own/QK-GR1/stainless steel")
                        .isMissingNode());
    }
}
