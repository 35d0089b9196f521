package orthopur.formats;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.util.DefaultIndenter;
import com.fasterxml.jackson.core.util.DefaultPrettyPrinter;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;

/** The one JSON mapper of the open formats, and the hash over its output. */
public final class Json {
    private static final ObjectMapper MAPPER = mapper();

    private Json() {}

    private static ObjectMapper mapper() {
        JsonMapper m =
                JsonMapper.builder()
                        .addModule(new QuantityModule())
                        .enable(DeserializationFeature.FAIL_ON_READING_DUP_TREE_KEY)
                        .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
                        .serializationInclusion(JsonInclude.Include.NON_EMPTY)
                        .build();
        for (Class<?> type : List.of(List.class, Set.class)) {
            m.configOverride(type).setSetterInfo(JsonSetter.Value.forValueNulls(Nulls.AS_EMPTY));
        }
        return m;
    }

    static ObjectMapper shared() {
        return MAPPER;
    }

    /**
     * Reads text into a tree.
     *
     * @throws FormatError when it is not JSON, with line and column
     */
    static JsonNode tree(String text) {
        try {
            JsonNode node = MAPPER.readTree(text);
            if (node == null || node.isMissingNode()) {
                throw new FormatError("", "The file is empty.");
            }
            return node;
        } catch (JsonProcessingException e) {
            String at =
                    e.getLocation() == null
                            ? ""
                            : " at line "
                                    + e.getLocation().getLineNr()
                                    + ", column "
                                    + e.getLocation().getColumnNr();
            throw new FormatError(
                    "", "This is not complete JSON: it breaks off or is malformed" + at + ".");
        }
    }

    /** Indented, keys in the order of the format, a line end at the end. */
    public static String write(Object document) {
        DefaultPrettyPrinter printer = new DefaultPrettyPrinter();
        printer.indentArraysWith(DefaultIndenter.SYSTEM_LINEFEED_INSTANCE);
        try {
            return MAPPER.writer(printer).writeValueAsString(document) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** SHA-256 over the compact form, in hexadecimal. */
    public static String hash(Object document) {
        try {
            return sha256(MAPPER.writeValueAsString(document));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** SHA-256 of text in UTF-8, in hexadecimal. */
    public static String sha256(String text) {
        try {
            MessageDigest d = MessageDigest.getInstance("SHA-256");
            return HexFormat.of().formatHex(d.digest(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
