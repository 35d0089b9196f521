package orthopur.server.office;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.poi.ooxml.POIXMLException;
import org.apache.poi.openxml4j.exceptions.OpenXML4JRuntimeException;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.apache.poi.xwpf.usermodel.IBodyElement;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFParagraph;
import org.apache.poi.xwpf.usermodel.XWPFTable;
import org.apache.poi.xwpf.usermodel.XWPFTableCell;
import org.apache.poi.xwpf.usermodel.XWPFTableRow;
import org.springframework.http.HttpStatus;
import orthopur.server.platform.Said;
import orthopur.text.Text;

/**
 * The lines of an office file, in the order in which they are read: a paragraph, a list item or a
 * row of a table is one line, the cells of a row parted by bars. The kind of file is told by what
 * is in it, since names lie.
 */
public final class OfficeFile {
    /** As much text as the reader of old procedures takes, and more than a binder has. */
    static final int MOST_LETTERS = 1_000_000;

    private static final String CELL = " | ";
    private static final byte[] PDF = {'%', 'P', 'D', 'F'};
    private static final byte[] ZIP = {'P', 'K', 3, 4};

    /** What Word and Excel wrote before 2007. */
    private static final byte[] OLD_OFFICE = {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0};

    private OfficeFile() {}

    /**
     * The text of a file.
     *
     * @throws Said 422 for a file that has none or cannot be opened; it says why and what helps
     */
    public static String text(byte[] file) {
        String text;
        try {
            text = starts(file, PDF) ? pdf(file) : starts(file, ZIP) ? zipped(file) : plain(file);
        } catch (InvalidPasswordException e) {
            throw refused(
                    Text.of(
                            "office-file.is-locked",
                            "The file is locked with a password; save it without one."));
        } catch (IOException
                | POIXMLException
                | OpenXML4JRuntimeException
                | IllegalArgumentException
                | IllegalStateException e) {
            throw refused(
                    Text.of(
                            "office-file.is-damaged",
                            "The file cannot be opened; it is damaged or not whole."));
        }
        if (text.chars().noneMatch(Character::isLetter)) {
            throw refused(
                    Text.of(
                            "office-file.has-no-text",
                            "The file has no text. A scan is a picture of a page: have its text recognized first, or type it."));
        }
        if (text.length() > MOST_LETTERS) {
            throw refused(
                    Text.of(
                            "office-file.has-too-much-text",
                            "The file has {0} letters; at most {1} are read at once.",
                            text.length(),
                            MOST_LETTERS));
        }
        return text;
    }

    private static Said refused(Text why) {
        return new Said(HttpStatus.UNPROCESSABLE_ENTITY, why);
    }

    private static boolean starts(byte[] file, byte[] with) {
        return file.length >= with.length && Arrays.equals(Arrays.copyOf(file, with.length), with);
    }

    private static String pdf(byte[] file) throws IOException {
        try (PDDocument d = Loader.loadPDF(file)) {
            PDFTextStripper lines = new PDFTextStripper();
            // In the order on the page, not in that in which a program wrote it.
            lines.setSortByPosition(true);
            return lines.getText(d);
        }
    }

    private static String zipped(byte[] file) throws IOException {
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file))) {
            for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
                switch (e.getName()) {
                    case "word/document.xml" -> {
                        return word(file);
                    }
                    case "xl/workbook.xml" -> {
                        return workbook(file);
                    }
                    case "content.xml" -> {
                        return OpenDocument.text(zip);
                    }
                    default -> {}
                }
            }
        }
        throw refused(
                Text.of(
                        "office-file.is-not-a-text",
                        "The file is none of .docx, .odt, .pdf, .xlsx, .csv and .txt."));
    }

    private static String word(byte[] file) throws IOException {
        try (InputStream in = new ByteArrayInputStream(file);
                XWPFDocument d = new XWPFDocument(in)) {
            List<String> lines = new ArrayList<>();
            word(d.getBodyElements(), lines);
            return String.join("\n", lines);
        }
    }

    private static void word(List<IBodyElement> elements, List<String> lines) {
        for (IBodyElement e : elements) {
            if (e instanceof XWPFParagraph p) {
                lines.add(p.getText());
            } else if (e instanceof XWPFTable t) {
                for (XWPFTableRow row : t.getRows()) {
                    lines.add(row(row.getTableCells().stream().map(OfficeFile::cell).toList()));
                }
            }
        }
    }

    /** By paragraph: the words of two of them are not one sentence. */
    private static String cell(XWPFTableCell cell) {
        return String.join(
                "\n", cell.getParagraphs().stream().map(XWPFParagraph::getText).toList());
    }

    private static String workbook(byte[] file) throws IOException {
        try (InputStream in = new ByteArrayInputStream(file);
                XSSFWorkbook w = new XSSFWorkbook(in)) {
            DataFormatter shown = new DataFormatter();
            List<String> lines = new ArrayList<>();
            for (Sheet sheet : w) {
                for (Row row : sheet) {
                    List<String> cells = new ArrayList<>();
                    for (Cell cell : row) {
                        cells.add(shown.formatCellValue(cell));
                    }
                    lines.add(row(cells));
                }
            }
            return String.join("\n", lines);
        }
    }

    /** A row as one line; what stands on several lines of a cell is one clause after the other. */
    static String row(List<String> cells) {
        return String.join(
                CELL,
                cells.stream()
                        .map(c -> c.strip().replaceAll("\\s*\\R\\s*", "; "))
                        .filter(c -> !c.isEmpty())
                        .toList());
    }

    private static String plain(byte[] file) throws IOException {
        if (starts(file, OLD_OFFICE)) {
            throw refused(
                    Text.of(
                            "office-file.is-of-an-old-word",
                            "The file is of an old Word or Excel; save it as .docx or .xlsx."));
        }
        String text = decoded(file);
        if (text.indexOf('\0') >= 0) {
            throw refused(
                    Text.of(
                            "office-file.is-not-a-text",
                            "The file is none of .docx, .odt, .pdf, .xlsx, .csv and .txt."));
        }
        char comma = separator(text);
        return comma == 0 ? text : separated(text, comma);
    }

    /** A file without a mark is UTF-8 where it can be, else what Windows writes. */
    private static String decoded(byte[] file) {
        String text;
        try {
            text = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(file)).toString();
        } catch (CharacterCodingException e) {
            text = new String(file, Charset.forName("windows-1252"));
        }
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }

    /** What parts the cells: on every line as often; 0 where it is no table. */
    private static char separator(String text) {
        List<String> lines = text.lines().filter(l -> !l.isBlank()).limit(20).toList();
        for (char c : new char[] {';', '\t', ','}) {
            long most = lines.stream().filter(l -> l.indexOf(c) >= 0).count();
            boolean quoted =
                    lines.stream().anyMatch(l -> l.startsWith("\"") || l.contains(c + "\""));
            boolean alike =
                    lines.stream()
                                    .mapToLong(l -> l.chars().filter(x -> x == c).count())
                                    .distinct()
                                    .count()
                            == 1;
            if (lines.size() > 1 && most == lines.size() && (alike || quoted)) {
                return c;
            }
        }
        return 0;
    }

    private static String separated(String text, char comma) throws IOException {
        CSVFormat format =
                CSVFormat.DEFAULT.builder().setDelimiter(comma).setIgnoreEmptyLines(true).get();
        try (CSVParser rows = CSVParser.parse(new StringReader(text), format)) {
            return String.join("\n", rows.stream().map(r -> row(r.toList())).toList());
        }
    }
}
