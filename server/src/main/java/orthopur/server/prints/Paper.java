package orthopur.server.prints;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;
import org.thymeleaf.templatemode.TemplateMode;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;
import orthopur.server.languages.Tongue;

/** Fills a page from what is to stand on it, and sets it with the shipped font. */
@Component
public class Paper {
    private static final String FONT = "/prints/fonts/AtkinsonHyperlegibleNext-%d.ttf";
    private final TemplateEngine engine = new TemplateEngine();

    /** The sizes that printers have. */
    public enum Size {
        A4("A4"),
        LETTER("letter"),
        A6("105mm 148mm"),
        /** A roll of labels, 62 mm wide. */
        ROLL("62mm 110mm");

        private final String css;

        Size(String css) {
            this.css = css;
        }

        /** A4 where the name is not known. */
        public static Size named(String name) {
            return switch (name.toLowerCase(Locale.ROOT)) {
                case "letter" -> LETTER;
                case "a6" -> A6;
                case "roll" -> ROLL;
                default -> A4;
            };
        }
    }

    Paper() {
        ClassLoaderTemplateResolver resolver = new ClassLoaderTemplateResolver();
        resolver.setPrefix("prints/");
        resolver.setSuffix(".html");
        resolver.setTemplateMode(TemplateMode.HTML);
        resolver.setCharacterEncoding("UTF-8");
        engine.setTemplateResolver(resolver);
    }

    /**
     * @param page name of the page's template
     * @param values that stand on it
     * @return a PDF
     */
    public byte[] print(String page, Size size, boolean landscape, Map<String, Object> values) {
        return print(page, size, landscape, values, Tongue.english());
    }

    /** The same in another language, for pages that are made for the crew. */
    public byte[] print(
            String page, Size size, boolean landscape, Map<String, Object> values, Tongue tongue) {
        Context context = new Context(Locale.ENGLISH, values);
        context.setVariable("t", tongue);
        context.setVariable("size", size.css + (landscape ? " landscape" : ""));
        String html = engine.process(page, context);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PdfRendererBuilder b = new PdfRendererBuilder();
        b.useFastMode();
        b.useSVGDrawer(new BatikSVGDrawer());
        for (int weight : new int[] {400, 700}) {
            b.useFont(
                    () -> font(FONT.formatted(weight)), "Orthopur", weight, FontStyle.NORMAL, true);
        }
        b.withHtmlContent(html, null);
        b.withProducer("Orthopur");
        b.toStream(out);
        try {
            b.run();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static InputStream font(String name) {
        InputStream in = Paper.class.getResourceAsStream(name);
        if (in == null) {
            throw new IllegalStateException("The font " + name + " does not ship.");
        }
        return in;
    }
}
