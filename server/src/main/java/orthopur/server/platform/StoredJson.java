package orthopur.server.platform;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.io.InputStream;
import org.springframework.stereotype.Component;
import orthopur.formats.TextModule;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * JSON that lies in the database or in a file and outlives the program that wrote it: packs,
 * figures of entries, archives, languages. What an older file lacks is no error here; requests are
 * read by the strict mapper of the web layer.
 */
@Component
public class StoredJson {
    private final JsonMapper mapper =
            JsonMapper.builderWithJackson2Defaults()
                    .addModule(new TextModule())
                    .changeDefaultPropertyInclusion(
                            i ->
                                    i.withValueInclusion(JsonInclude.Include.NON_NULL)
                                            .withContentInclusion(JsonInclude.Include.NON_NULL))
                    .disable(
                            tools.jackson.databind.DeserializationFeature
                                    .FAIL_ON_UNKNOWN_PROPERTIES)
                    .build();

    /**
     * @throws JacksonException when the text is not JSON of that form
     */
    public <T> T read(String text, Class<T> type) {
        return mapper.readValue(text, type);
    }

    /**
     * @throws JacksonException when the text is not JSON of that form
     */
    public <T> T read(String text, TypeReference<T> type) {
        return mapper.readValue(text, type);
    }

    /**
     * @throws JacksonException when the file is not JSON of that form
     */
    public <T> T read(InputStream file, Class<T> type) {
        return mapper.readValue(file, type);
    }

    /** In one line. */
    public String write(Object value) {
        return mapper.writeValueAsString(value);
    }

    /** With a line for each entry, for a file that people compare. */
    public String writeIndented(Object value) {
        return mapper.writer().with(SerializationFeature.INDENT_OUTPUT).writeValueAsString(value);
    }
}
