package orthopur.server.office;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/** The lines of an OpenDocument text or spreadsheet: its content.xml, read once from the top. */
final class OpenDocument {
    private final List<String> lines = new ArrayList<>();
    private final List<String> cells = new ArrayList<>();
    private final StringBuilder line = new StringBuilder();
    private int tables;

    /** Within what somebody has struck out and the file still keeps. */
    private boolean struckOut;

    private int letters;

    private OpenDocument() {}

    static String text(InputStream content) throws IOException {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        try {
            XMLStreamReader xml = factory.createXMLStreamReader(content);
            OpenDocument text = new OpenDocument();
            // A file that unpacks to more than anybody has written is no procedure.
            while (xml.hasNext() && text.letters <= OfficeFile.MOST_LETTERS) {
                text.take(xml.next(), xml);
            }
            return String.join("\n", text.lines);
        } catch (XMLStreamException e) {
            throw new IOException(e);
        }
    }

    private void take(int event, XMLStreamReader xml) {
        switch (event) {
            case XMLStreamConstants.CHARACTERS -> {
                if (!struckOut) {
                    line.append(xml.getText());
                }
                letters += xml.getTextLength();
            }
            case XMLStreamConstants.START_ELEMENT -> {
                switch (xml.getLocalName()) {
                    case "p", "h" -> line.setLength(0);
                    case "tab", "s" -> line.append(' ');
                    case "line-break" -> line.append('\n');
                    case "table" -> tables++;
                    case "tracked-changes" -> struckOut = true;
                    default -> {}
                }
            }
            case XMLStreamConstants.END_ELEMENT -> {
                switch (xml.getLocalName()) {
                    case "p", "h" -> (tables > 0 ? cells : lines).add(line.toString());
                    case "table" -> tables--;
                    case "tracked-changes" -> struckOut = false;
                    case "table-row" -> {
                        lines.add(OfficeFile.row(cells));
                        cells.clear();
                    }
                    default -> {}
                }
            }
            default -> {}
        }
    }
}
