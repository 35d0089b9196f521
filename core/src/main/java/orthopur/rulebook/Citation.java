package orthopur.rulebook;

import java.util.Arrays;
import java.util.List;
import orthopur.text.Text;

/**
 * What a rule or a figure rests on, as a sentence that has a language: paragraphs of a code stay as
 * they are cited, what stands beside them is said in the reader's words.
 */
public final class Citation {
    private static final String LABEL_OF = "label of ";
    private static final String PRACTICE = "good practice after ";
    private static final String DEFAULT = "default after ";

    private Citation() {}

    /**
     * @param source as a rule or a figure has it: one or several, parted by semicolons
     */
    public static Text said(String source) {
        List<Text> pieces = Arrays.stream(source.split("; ")).map(Citation::piece).toList();
        Text said = pieces.getFirst();
        for (Text next : pieces.subList(1, pieces.size())) {
            said = Text.of("source.and", "{0}; {1}", said, next);
        }
        return said;
    }

    private static Text piece(String source) {
        if (source.startsWith(LABEL_OF)) {
            return Text.of("source.label-of", "label of {0}", source.substring(LABEL_OF.length()));
        }
        if (source.startsWith(PRACTICE)) {
            Text code = piece(source.substring(PRACTICE.length()));
            return Text.of("source.good-practice-after", "good practice after {0}", code);
        }
        if (source.startsWith(DEFAULT)) {
            Text code = piece(source.substring(DEFAULT.length()));
            return Text.of("source.default-after", "default after {0}", code);
        }
        return switch (source) {
            case "label" -> Text.of("source.label", "label");
            case "machine manual" -> Text.of("source.manual", "machine manual");
            case "the machine's sheet" -> Text.of("source.sheet", "the machine's sheet");
            case "the machine's sheet and manual" ->
                    Text.of("source.sheet-and-manual", "the machine's sheet and manual");
            case "safety data sheet" -> Text.of("source.safety-data-sheet", "safety data sheet");
            case "material table" -> Text.of("source.material-table", "material table");
            case "good practice" -> Text.of("source.good-practice", "good practice");
            case "default 4 h" -> Text.of("source.default-4-h", "default 4 h");
            case "trade practice for cleaning in place" ->
                    Text.of("source.trade-practice", "trade practice for cleaning in place");
            case "29 CFR 1910.147 / machine manual" ->
                    Text.of(
                            "source.lockout-or-manual",
                            "{0} or the machine manual",
                            "29 CFR 1910.147");
            case "21 CFR 117.80(c), allergen cross-contact" ->
                    Text.of("source.allergens", "{0}, allergen cross-contact", "21 CFR 117.80(c)");
            case "food chemistry: protein sets near 60 °C, starch gelatinises" ->
                    Text.of(
                            "source.food-chemistry",
                            "food chemistry: protein sets near 60 °C, starch gelatinizes");
            case "NIOSH lifting equation, DHHS 94-110" ->
                    Text.of("source.lifting", "lifting equation of NIOSH, {0}", "DHHS 94-110");
            case "default of this program" -> Text.of("source.default", "default of this program");
            case "default of this program, each quarter" ->
                    Text.of("source.default-quarter", "default of this program, each quarter");
            case "default of this program, for wet areas" ->
                    Text.of("source.default-wet", "default of this program, for wet areas");
            case "a paper reads to half a step" ->
                    Text.of("source.half-a-step", "a paper reads to half a step");
            case "a sheet may say more" ->
                    Text.of("source.sheet-may-say-more", "a sheet may say more");
            case "the maker's interval comes first" ->
                    Text.of("source.maker-first", "the maker's interval comes first");
            case "the supplier's figure comes first" ->
                    Text.of("source.supplier-first", "the supplier's figure comes first");
            case "fluid mechanics of pipes" -> Text.of("source.pipes", "fluid mechanics of pipes");
            case "food chemistry: protein begins to set" ->
                    Text.of("source.protein-begins", "food chemistry: protein begins to set");
            case "food chemistry: protein sets near 60 °C" ->
                    Text.of(
                            "source.protein-sets",
                            "food chemistry: protein sets near {0}",
                            "60 °C");
            case "light units differ from meter to meter" ->
                    Text.of("source.light-units", "light units differ from meter to meter");
            case "lockout is gone through yearly, 29 CFR 1910.147(c)(6)" ->
                    Text.of(
                            "source.lockout-yearly",
                            "lockout is gone through yearly, {0}",
                            "29 CFR 1910.147(c)(6)");
            case "CPSC 5098: burns within five seconds" ->
                    Text.of("source.burns", "{0}: burns within five seconds", "CPSC 5098");
            default -> code(source);
        };
    }

    /** Paragraphs of a code. */
    private static Text code(String source) {
        int and = source.indexOf(" and ");
        return and < 0
                ? Text.plain(source)
                : Text.of(
                        "source.and-paragraph",
                        "{0} and {1}",
                        source.substring(0, and),
                        source.substring(and + " and ".length()));
    }
}
