package orthopur.server.prints;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigInteger;
import java.util.List;
import org.apache.poi.xwpf.usermodel.TableWidthType;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFParagraph;
import org.apache.poi.xwpf.usermodel.XWPFRun;
import org.apache.poi.xwpf.usermodel.XWPFTable;
import org.apache.poi.xwpf.usermodel.XWPFTableCell;
import org.apache.poi.xwpf.usermodel.XWPFTableRow;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTPageMar;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Procedure;
import orthopur.server.languages.Tongue;

/**
 * A procedure as a Word document: one row a step, for whoever has to hand it in, mark it up or
 * write in it by hand. It says of itself that the version in the program is the valid one.
 */
final class ProcedureInWord {
    static final String TYPE =
            "application/vnd.openxmlformats-officedocument.wordprocessingml.document";

    private static final int[] WIDTHS = {7, 50, 30, 13};

    /** Twentieths of a point: 18 mm. */
    private static final BigInteger MARGIN = BigInteger.valueOf(1020);

    private static final int SMALL = 9;
    private static final int TITLE = 18;

    private final XWPFDocument document = new XWPFDocument();
    private final String site;
    private final MachineSheet sheet;
    private final Procedure procedure;
    private final String state;
    private final Tongue t;

    ProcedureInWord(String site, MachineSheet sheet, Procedure procedure, String state, Tongue t) {
        this.t = t;
        this.site = site;
        this.sheet = sheet;
        this.procedure = procedure;
        this.state = state;
    }

    byte[] write(List<PrintController.PrintedStep> steps) {
        CTPageMar margins = document.getDocument().getBody().addNewSectPr().addNewPgMar();
        margins.setLeft(MARGIN);
        margins.setRight(MARGIN);
        margins.setTop(MARGIN);
        margins.setBottom(MARGIN);
        XWPFRun title = document.createParagraph().createRun();
        title.setBold(true);
        title.setFontSize(TITLE);
        title.setText(t.told(procedure.title()));
        line(
                "%s · %s %s · %s · %s"
                        .formatted(
                                site,
                                sheet.code(),
                                t.told(sheet.name()),
                                t.told(procedure.kind().shown()),
                                state));
        line(
                t.say(
                        "print.word.people",
                        "People: {0}. Wear: {1}.",
                        procedure.people(),
                        procedure.ppe().isEmpty()
                                ? t.say("print.word.not-stated", "not stated")
                                : t.told(procedure.ppe())));
        line(
                t.say(
                        "print.word.a-copy",
                        "An editable copy. What is changed here is not judged and not approved: the version in the program is the valid one. Local codes, chemical labels and machine manuals stand above both."));
        if (!t.code().equals("en")) {
            line(
                    t.say(
                            "print.whole.translated",
                            "This is a translation. The text that was approved is the English one."));
        }
        List<String> columns =
                List.of(
                        t.say("print.word.number", "No."),
                        t.say("print.word.step", "Step"),
                        t.say("print.word.figures", "Figures"),
                        t.say("print.word.done-by", "Done by"));
        XWPFTable table = document.createTable(1, columns.size());
        table.setWidthType(TableWidthType.PCT);
        table.setWidth("100%");
        XWPFTableRow head = table.getRow(0);
        head.setRepeatHeader(true);
        for (int i = 0; i < columns.size(); i++) {
            cell(head, i, columns.get(i), true);
        }
        for (PrintController.PrintedStep s : steps) {
            if (s.first()) {
                XWPFTableRow phase = table.createRow();
                cell(phase, 1, told(s.phase()), true);
            }
            step(table.createRow(), s);
        }
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            document.write(out);
            document.close();
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void step(XWPFTableRow row, PrintController.PrintedStep s) {
        row.setCantSplitRow(true);
        cell(row, 0, Integer.toString(s.number()), false);
        XWPFTableCell words = cell(row, 1, told(s.words()), false);
        if (s.caution() != null) {
            more(words, t.say("print.word.caution", "Caution: {0}", t.told(s.caution())), true);
        }
        if (s.because() != null) {
            more(words, told(s.because()), false);
        }
        if (s.option() != null) {
            more(words, t.say("print.only-with", "only with {0}", t.piece(s.option())), false);
        }
        XWPFTableCell figures = cell(row, 2, "", false);
        run(figures.getParagraphs().getFirst(), s.figures(), false).setFontSize(SMALL);
    }

    private String told(String english) {
        return String.valueOf(t.told(english));
    }

    private void line(String text) {
        document.createParagraph().createRun().setText(text);
    }

    private static XWPFTableCell cell(XWPFTableRow row, int at, String text, boolean bold) {
        XWPFTableCell cell = row.getCell(at);
        cell.setWidth(WIDTHS[at] + "%");
        run(cell.getParagraphs().getFirst(), text, bold);
        return cell;
    }

    private static void more(XWPFTableCell cell, String text, boolean bold) {
        run(cell.addParagraph(), text, bold).setFontSize(SMALL);
    }

    private static XWPFRun run(XWPFParagraph in, String text, boolean bold) {
        in.setSpacingAfter(0);
        XWPFRun run = in.createRun();
        run.setBold(bold);
        run.setText(text);
        return run;
    }
}
