package orthopur.rulebook;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import orthopur.text.Text;

class CitationTest {
    private static List<String> ids(Text text) {
        List<String> ids = new ArrayList<>();
        if (!text.id().isEmpty()) {
            ids.add(text.id());
        }
        for (Object arg : text.args()) {
            if (arg instanceof Text t) {
                ids.addAll(ids(t));
            }
        }
        return ids;
    }

    /** In English it reads as it stands in the book; what is no paragraph has an id. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "29 CFR 1910.147(c)(6)|''",
                "21 CFR 117.35(d) and 117.135(c)(2)|source.and-paragraph",
                "machine manual|source.manual",
                "label of Halvern H12|source.label-of",
                "good practice after Food Code 2022, 4-603.16|source.good-practice-after",
                "default of this program; the maker's interval comes first|"
                        + "source.and source.default source.maker-first",
                "CPSC 5098: burns within five seconds|source.burns",
                "food chemistry: protein sets near 60 °C|source.protein-sets",
            })
    void aSourceIsAParagraphOrASentence(String source, String ids) {
        Text said = Citation.said(source);
        assertEquals(source, said.toString());
        assertEquals(ids, String.join(" ", ids(said)));
    }
}
