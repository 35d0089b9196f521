package orthopur.server.office;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFTable;
import org.junit.jupiter.api.Test;
import orthopur.server.platform.Said;

/** The same three lines, in each kind of file in which somebody has them. */
class OfficeFileTest {
    private interface Writes {
        void to(ByteArrayOutputStream out) throws IOException;
    }

    private static byte[] file(Writes writes) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        writes.to(out);
        return out.toByteArray();
    }

    private static String why(byte[] file) {
        return assertThrows(Said.class, () -> OfficeFile.text(file)).getMessage();
    }

    private static byte[] pdf(String line, boolean locked) throws IOException {
        return file(
                out -> {
                    try (PDDocument d = new PDDocument()) {
                        PDPage page = new PDPage();
                        d.addPage(page);
                        try (PDPageContentStream on = new PDPageContentStream(d, page)) {
                            on.beginText();
                            on.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 12);
                            on.newLineAtOffset(50, 700);
                            on.showText(line);
                            on.endText();
                        }
                        if (locked) {
                            d.protect(
                                    new StandardProtectionPolicy("o", "u", new AccessPermission()));
                        }
                        d.save(out);
                    }
                });
    }

    private static byte[] zip(String name, String content) throws IOException {
        return file(
                out -> {
                    try (ZipOutputStream z = new ZipOutputStream(out)) {
                        z.putNextEntry(new ZipEntry(name));
                        z.write(content.getBytes(StandardCharsets.UTF_8));
                    }
                });
    }

    @Test
    void aWordDocumentByParagraphAndByRow() throws IOException {
        byte[] file =
                file(
                        out -> {
                            try (XWPFDocument d = new XWPFDocument()) {
                                d.createParagraph().createRun().setText("Unplug slicer");
                                XWPFTable t = d.createTable(1, 3);
                                t.getRow(0).getCell(0).setText("2");
                                t.getRow(0).getCell(1).setText("Remove the pusher");
                                t.getRow(0).getCell(1).addParagraph().createRun().setText("Mind");
                                d.createParagraph().createRun().setText("Wash pusher");
                                d.write(out);
                            }
                        });
        assertEquals(
                "Unplug slicer\n2 | Remove the pusher; Mind\nWash pusher", OfficeFile.text(file));
    }

    @Test
    void aWorkbookByRowAsItIsShown() throws IOException {
        byte[] file =
                file(
                        out -> {
                            try (XSSFWorkbook w = new XSSFWorkbook()) {
                                Row row = w.createSheet("daily").createRow(3);
                                row.createCell(0).setCellValue(1);
                                row.createCell(2).setCellValue("Unplug slicer\nRemove pusher");
                                w.write(out);
                            }
                        });
        assertEquals("1 | Unplug slicer; Remove pusher", OfficeFile.text(file));
    }

    @Test
    void anOpenDocumentWithoutWhatWasStruckOut() throws IOException {
        String content =
                """
                <?xml version="1.0"?><office:document-content xmlns:office="o" xmlns:text="t" xmlns:table="b">
                <text:tracked-changes><text:p>Never mind</text:p></text:tracked-changes>
                <text:list><text:list-item><text:p>Unplug<text:s/>slicer</text:p></text:list-item></text:list>
                <table:table><table:table-row><table:table-cell><text:p>2</text:p></table:table-cell>
                <table:table-cell><text:p>Wash pusher</text:p></table:table-cell></table:table-row></table:table>
                </office:document-content>""";
        String text = OfficeFile.text(zip("content.xml", content));
        assertTrue(text.contains("Unplug slicer\n2 | Wash pusher"), text);
        assertTrue(!text.contains("Never mind"), text);
    }

    @Test
    void aPdfWithTextAndNoneWithout() throws IOException {
        assertTrue(OfficeFile.text(pdf("1. Unplug slicer", false)).contains("1. Unplug slicer"));
        assertTrue(why(pdf("", false)).contains("scan"));
        assertTrue(why(pdf("1. Unplug slicer", true)).contains("password"));
    }

    @Test
    void plainTextAndSeparatedValuesInEitherAlphabet() {
        assertEquals(
                "1 | Wash, then rinse\n2 | Dry",
                OfficeFile.text(
                        "\uFEFF1;Wash, then rinse\r\n2;Dry".getBytes(StandardCharsets.UTF_8)));
        assertEquals(
                "1. Séchez, rincez\n2. Lavez",
                OfficeFile.text(
                        "1. Séchez, rincez\n2. Lavez".getBytes(Charset.forName("windows-1252"))));
    }

    @Test
    void whatCannotBeReadSaysWhyAndWhatHelps() throws IOException {
        assertTrue(
                why(new byte[] {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0, 1}).contains(".docx"));
        assertTrue(why(zip("picture.png", "x")).contains(".odt"));
        assertTrue(why(zip("word/document.xml", "<broken")).contains("damaged"));
        assertTrue(why(zip("content.xml", "<broken")).contains("damaged"));
        assertTrue(why(Arrays.copyOf(pdf("Unplug", false), 300)).contains("damaged"));
        assertTrue(why(new byte[] {0, 1, 2, 65}).contains(".txt"));
        assertTrue(why(new byte[0]).contains("no text"));
    }
}
