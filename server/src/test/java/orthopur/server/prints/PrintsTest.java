package orthopur.server.prints;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import orthopur.server.Client;
import orthopur.server.ServerTest;
import orthopur.server.office.OfficeFile;

/** What stands on the paper, in which size and in which font. */
@ServerTest
class PrintsTest {
    private static final String SLICER = "/api/prints/procedures/qk-sl1-end-of-shift/1/";
    @Autowired MockMvc mvc;

    private PDDocument print(String path) throws Exception {
        return Loader.loadPDF(Client.ilse(mvc).bytes(path));
    }

    private static String text(PDDocument d) throws IOException {
        return new PDFTextStripper().getText(d).replaceAll("\\s+", " ");
    }

    @Test
    void theLockoutSheetSaysWhereEachEnergyIsCutAndHowItIsProved() throws Exception {
        try (PDDocument d = print("/api/prints/machines/QK-FL1/lockout.pdf")) {
            String t = text(d);
            assertTrue(t.contains("disconnect D4 at the back"), t);
            assertTrue(t.contains("Press run and jog: nothing turns."), t);
            assertTrue(t.contains("bleed knob under the table"), t);
            assertTrue(t.contains("manual of the machine stand above"), t);
        }
    }

    @Test
    void theWordDocumentHasARowForEachStepAndSaysThatItIsACopy() throws Exception {
        byte[] file = Client.ilse(mvc).bytes(SLICER + "procedure.docx");
        try (XWPFDocument d = new XWPFDocument(new ByteArrayInputStream(file))) {
            String all = OfficeFile.text(file);
            assertTrue(all.contains("the version in the program is the valid one"), all);
            assertTrue(all.contains("Caution: "), all);
            long steps =
                    d.getTables().getFirst().getRows().stream()
                            .filter(r -> r.getCell(0).getText().matches("\\d+"))
                            .count();
            assertEquals(38, steps);
        }
    }

    /**
     * For a crew that reads Spanish: verdict and steps as well; that it is a translation is said.
     */
    @Test
    void theWholeProcedureIsReadInSpanishOnPaperAndInWord() throws Exception {
        try (PDDocument d = print(SLICER + "whole.pdf?in=es")) {
            String t = text(d);
            assertTrue(t.contains("El texto aprobado es el que está en inglés."), t);
            assertTrue(t.contains("Veredicto") && t.contains("Aprobado por Ilse Varga"), t);
            assertTrue(t.contains("cuchilla") && !t.contains("Take the blade"), t);
            assertTrue(t.contains("carro, a carro de piezas"), "what is stated, in words: " + t);
            assertTrue(!t.contains("->") && !t.contains("[blade"), "no line notation: " + t);
        }
        try (PDDocument d = print("/api/prints/procedures/qk-sl1-draft/1/whole.pdf?in=es")) {
            String t = text(d);
            assertTrue(t.contains("Sin aprobar.") && t.contains("STOP El paso "), t);
        }
        String word = OfficeFile.text(Client.ilse(mvc).bytes(SLICER + "procedure.docx?in=es"));
        assertTrue(word.contains("la versión del programa es la válida"), word);
        assertTrue(word.contains("Cuidado: ") && !word.contains("Caution: "), word);
    }

    @Test
    void aCardForEachStepWithItsWordsLarge() throws Exception {
        try (PDDocument d = print(SLICER + "cards.pdf")) {
            assertEquals(38, d.getNumberOfPages(), "one step a card");
            assertTrue(text(d).contains("1 Prepare"), text(d).substring(0, 200));
            assertFalse(text(d).contains("`"), "a part goes by its name on paper");
            PDPage first = d.getPage(0);
            assertTrue(first.getMediaBox().getWidth() > first.getMediaBox().getHeight());
        }
    }

    @Test
    void theWholeProcedureHasItsVerdictAndItsApproval() throws Exception {
        try (PDDocument d = print(SLICER + "whole.pdf?paper=letter")) {
            String t = text(d);
            assertTrue(t.contains("Approved by Ilse Varga"), t);
            assertTrue(t.contains("0 STOP, 0 FIX"), t);
            assertEquals(
                    612, Math.round(d.getPage(0).getMediaBox().getWidth()), "letter is 612 pt");
            assertEquals(List.of(), strangers(d));
        }
        try (PDDocument d = print("/api/prints/procedures/qk-sl1-draft/1/whole.pdf")) {
            String t = text(d);
            assertTrue(t.contains("Not approved.") && t.contains("STOP"), t);
            assertEquals(595, Math.round(d.getPage(0).getMediaBox().getWidth()), "A4 is 595 pt");
        }
    }

    @Test
    void wallSheetAndBrushChart() throws Exception {
        try (PDDocument d = print(SLICER + "wall.pdf")) {
            assertTrue(d.getNumberOfPages() <= 4, d.getNumberOfPages() + " pages");
            assertTrue(text(d).contains("Take apart"));
        }
        try (PDDocument d = print("/api/prints/machines/QK-SL1/brushes.pdf")) {
            assertTrue(text(d).contains("Blade, back"));
        }
    }

    @Test
    void whatIsNotThereIsSaid() throws Exception {
        Client ilse = Client.ilse(mvc);
        assertEquals(404, ilse.read(SLICER + "poster.pdf").status());
        assertEquals(404, ilse.read("/api/prints/machines/QK-ZZ9/lockout.pdf").status());
        assertEquals(404, ilse.read("/api/prints/procedures/none/1/wall.pdf").status());
    }

    /**
     * Fonts on the pages that are not the shipped one: such a page may look another way elsewhere.
     */
    private static List<String> strangers(PDDocument d) throws IOException {
        List<String> names = new ArrayList<>();
        for (PDPage page : d.getPages()) {
            for (COSName name : page.getResources().getFontNames()) {
                String font = page.getResources().getFont(name).getName();
                if (!font.contains("Atkinson")) {
                    names.add(font);
                }
            }
        }
        return names;
    }

    /** Read back as a camera would: from the pixels of the page. */
    @Test
    void theLabelLeadsATabletToTheMachine() throws Exception {
        try (PDDocument d = print("/api/prints/machines/QK-SL1/label.pdf")) {
            BufferedImage page = new PDFRenderer(d).renderImageWithDPI(0, 100);
            int[] pixels =
                    page.getRGB(0, 0, page.getWidth(), page.getHeight(), null, 0, page.getWidth());
            BinaryBitmap seen =
                    new BinaryBitmap(
                            new HybridBinarizer(
                                    new RGBLuminanceSource(
                                            page.getWidth(), page.getHeight(), pixels)));
            assertEquals(
                    "http://localhost/floor/at/QK-SL1", new QRCodeReader().decode(seen).getText());
            assertTrue(text(d).contains("leads to this computer only"), text(d));
        }
    }

    @Test
    void aCardSaysItInTheCrewsLanguageAsWell() throws Exception {
        try (PDDocument d = print(SLICER + "cards.pdf?with=es")) {
            assertEquals(38, d.getNumberOfPages(), "still one step a card");
            String t = text(d);
            assertTrue(t.contains("Raise the machine with its lever."), t);
            assertTrue(t.contains("Levante la m\u00e1quina"), t);
            assertFalse(t.contains("not in the language file"), "all of the demo is translated");
        }
        assertEquals(404, Client.ilse(mvc).read(SLICER + "cards.pdf?with=xx").status());
    }

    /** What the crew works by at the machine is whole in its language. */
    @Test
    void whatHangsAtTheMachineIsInTheLanguageOfTheCrew() throws Exception {
        for (String page :
                List.of(
                        "/api/prints/machines/QK-SL1/lockout.pdf?in=es",
                        "/api/prints/machines/QK-SL1/brushes.pdf?in=es",
                        "/api/prints/machines/QK-SL1/label.pdf?in=es",
                        SLICER + "wall.pdf?in=es",
                        SLICER + "round.pdf?in=es",
                        "/api/tonight/sheets.pdf?in=es")) {
            try (PDDocument d = print(page)) {
                String t = text(d);
                assertFalse(ENGLISH.matcher(t).find(), page + ": " + t);
            }
        }
        try (PDDocument d = print("/api/prints/machines/QK-SL1/lockout.pdf?in=es")) {
            String t = text(d);
            assertTrue(t.contains("Nadie quita el candado de otro."), t);
            assertTrue(t.contains("Oprima arranque: nada se mueve."), t);
            assertTrue(t.contains("manual de la máquina están por encima"), t);
        }
        assertEquals(
                404,
                Client.ilse(mvc).read("/api/prints/machines/QK-SL1/lockout.pdf?in=xx").status());
    }

    private static final Pattern ENGLISH =
            Pattern.compile(
                    "\\b(the|and|with|from|blade|wash|hands|lock|printed|version \\d|not stated)\\b",
                    Pattern.CASE_INSENSITIVE);
}
