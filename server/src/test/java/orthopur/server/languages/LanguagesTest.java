package orthopur.server.languages;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
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
}
