package orthopur.formats;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import orthopur.machine.Energy;
import orthopur.machine.Part;
import orthopur.text.Text;
import tools.jackson.core.JacksonException;
import tools.jackson.core.util.DefaultIndenter;
import tools.jackson.core.util.DefaultPrettyPrinter;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The one JSON mapper of the open formats, and the hash over its output. */
public final class Json {
    private static final JsonMapper MAPPER = mapper();

    private Json() {}

    /**
     * Lists that a sheet has to state, even where nothing is in them: a part without a surface is
     * written as it was said, or it could not be read again.
     */
    private abstract static class SaidNone {
        @JsonInclude(JsonInclude.Include.ALWAYS)
        abstract List<?> surfaces();

        @JsonInclude(JsonInclude.Include.ALWAYS)
        abstract List<?> zone();
    }

    private static JsonMapper mapper() {
        // Documents and hashes are older than the library: a field that an old file lacks is no
        // error, keys keep the order of the format, and a number is written as it always was.
        JsonMapper.Builder m =
                JsonMapper.builderWithJackson2Defaults()
                        .addModule(new QuantityModule())
                        .addModule(new TextModule())
                        .addMixIn(Part.class, SaidNone.class)
                        .addMixIn(Energy.class, SaidNone.class)
                        .enable(DeserializationFeature.FAIL_ON_READING_DUP_TREE_KEY)
                        .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
                        .changeDefaultPropertyInclusion(
                                i ->
                                        i.withValueInclusion(JsonInclude.Include.NON_EMPTY)
                                                .withContentInclusion(
                                                        JsonInclude.Include.NON_EMPTY));
        for (Class<?> type : List.of(List.class, Set.class)) {
            m.withConfigOverride(
                    type, o -> o.setNullHandling(JsonSetter.Value.forValueNulls(Nulls.AS_EMPTY)));
        }
        return m.build();
    }

    static JsonMapper shared() {
        return MAPPER;
    }

    /**
     * Reads text into a tree.
     *
     * @throws FormatError when it is not JSON, with line and column
     */
    public static JsonNode tree(String text) {
        try {
            JsonNode node = MAPPER.readTree(text);
            if (node == null || node.isMissingNode()) {
                throw new FormatError("", Text.of("json.the-file-is-empty", "The file is empty."));
            }
            return node;
        } catch (JacksonException e) {
            throw new FormatError(
                    "",
                    e.getLocation() == null
                            ? Text.of(
                                    "json.broken",
                                    "This is not complete JSON: it breaks off or is malformed.")
                            : Text.of(
                                    "json.broken-at",
                                    "This is not complete JSON: it breaks off or is malformed at line {0}, column {1}.",
                                    e.getLocation().getLineNr(),
                                    e.getLocation().getColumnNr()));
        }
    }

    /** Reads text into a record; what it lacks is null, what it has beside is an error. */
    public static <T> T read(String text, Class<T> type) {
        return MAPPER.readValue(text, type);
    }

    /** Indented, keys in the order of the format, a line end at the end. */
    public static String write(Object document) {
        DefaultPrettyPrinter printer = new DefaultPrettyPrinter();
        printer.indentArraysWith(DefaultIndenter.SYSTEM_LINEFEED_INSTANCE);
        return MAPPER.writer().with(printer).writeValueAsString(document) + "\n";
    }

    /** SHA-256 over the compact form, in hexadecimal. */
    public static String hash(Object document) {
        return sha256(MAPPER.writeValueAsBytes(document));
    }

    /** SHA-256 of text in UTF-8, in hexadecimal. */
    public static String sha256(String text) {
        return sha256(text.getBytes(StandardCharsets.UTF_8));
    }

    private static String sha256(byte[] bytes) {
        try {
            MessageDigest d = MessageDigest.getInstance("SHA-256");
            return HexFormat.of().formatHex(d.digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
