package orthopur.server.machines;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.formats.FormatError;
import orthopur.formats.SheetFormat;
import orthopur.server.Client;
import orthopur.server.Client.Answer;
import orthopur.server.ServerTest;
import orthopur.server.people.Accounts;
import orthopur.server.people.Signature;
import orthopur.server.platform.Said;

/** Sheets in their versions, on real SQLite, and what a newer one does to drafts and rounds. */
@ServerTest(own = true)
class SheetsTest {
    @Autowired Sheets sheets;
    @Autowired Premises premises;
    @Autowired MockMvc mvc;
    @Autowired Accounts accounts;

    private Signature signed() {
        return accounts.sign(accounts.signIn("Ilse Varga", "quillmere-ilse"), "471148");
    }

    private static String text() throws Exception {
        return Files.readString(Path.of("..", "demo", "machines", "QK-SL1.json"));
    }

    @Test
    void aVersionNeverChangesAndTheNewestIsTheHighest() throws Exception {
        assertThrows(Said.class, () -> sheets.add(SheetFormat.read(text()), signed()));
        String other = text().replace("\"code\" : \"QK-SL1\"", "\"code\" : \"QK-SL9\"");
        sheets.add(
                SheetFormat.read(other.replace("\"version\" : 7", "\"version\" : 10")), signed());
        sheets.add(SheetFormat.read(other.replace("\"version\" : 7", "\"version\" : 9")), signed());
        assertEquals(10, sheets.newest("QK-SL9").version());
        assertEquals(9, sheets.version("QK-SL9", 9).version());
        assertEquals(17, sheets.all().size());
        assertThrows(Said.class, () -> sheets.newest("QK-NO"));
        assertThrows(Said.class, () -> sheets.version("QK-SL9", 11));
    }

    @Test
    void theSiteIsCheckedBeforeItReplacesTheOldOne() {
        String before = premises.now().site().name();
        assertThrows(
                FormatError.class,
                () -> premises.site("{\"name\":\"x\"}", "{\"chemicals\":[]}", signed()));
        assertEquals(before, premises.now().site().name());
        assertEquals(310, premises.now().site().mains().hardness().mgPerL());
        assertEquals(13, premises.now().chemicalIds().size());
    }

    @Test
    void aNewerSheetIsJudgedForDraftsAndNotForWhatWasApproved() throws Exception {
        Client ilse = Client.ilse(mvc);
        ilse.post_("/api/procedures/qk-sl1-end-of-shift/versions", "{\"from\":1}");
        assertEquals(
                201,
                ilse.sheet(text().replace("\"version\" : 7", "\"version\" : 8"), "471148")
                        .status());
        Answer approve =
                ilse.post_(
                        "/api/procedures/qk-sl1-end-of-shift/versions/2/approval",
                        "{\"revision\":1,\"pin\":\"471148\"}");
        assertEquals(409, approve.status());
        assertTrue(
                approve.detail().contains("version 7 of the sheet, which is at 8"),
                approve.detail());
        String draft =
                ilse.read("/api/procedures/qk-sl1-end-of-shift/versions/2")
                        .body()
                        .get("document")
                        .toString();
        String now = draft.replace("\"sheetVersion\":7", "\"sheetVersion\":8");
        assertEquals(
                422,
                ilse.post_(
                                "/api/verify",
                                draft.replace("\"sheetVersion\":7", "\"sheetVersion\":99"))
                        .status());
        assertEquals(
                200,
                ilse.put_("/api/procedures/qk-sl1-end-of-shift/versions/2", "\"1\"", now).status());
        Answer round =
                Client.maren(mvc).post_("/api/rounds", "{\"procedure\":\"qk-sl1-end-of-shift\"}");
        assertEquals(
                7, round.body().at("/pack/sheetVersion").asInt(), "carried out as it was approved");
        assertEquals(
                200,
                ilse.post_(
                                "/api/procedures/qk-sl1-end-of-shift/versions/2/approval",
                                "{\"revision\":2,\"pin\":\"471148\"}")
                        .status());
    }

    @Test
    void aSheetThatNothingOfThisSiteMayCleanIsRefusedWithEveryReason() throws Exception {
        String golden =
                text().replace("\"QK-SL1\"", "\"QK-AU1\"")
                        .replace(
                                "\"id\" : \"collar-face\"",
                                "\"banned\" : [\"halvern-h12\", \"palimar-q10\", \"ozelle-p5\","
                                        + " \"ambrivo-i175\"], \"id\" : \"collar-face\"");
        Client.Answer a = Client.ilse(mvc).sheet(golden, "471148");
        assertEquals(422, a.status(), a.body().toString());
        assertTrue(
                a.body().toString().contains("owns nothing that sanitizes"), a.body().toString());
        assertThrows(Said.class, () -> sheets.newest("QK-AU1"));
    }
}
