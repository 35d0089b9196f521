package orthopur.formats;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.text.Text;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.module.SimpleModule;

/**
 * Sentences of the core as {@link TextDocument}s, wherever they stand. Where an older file has
 * nothing but the English, that is what is read.
 */
public final class TextModule extends SimpleModule {
    private static final long serialVersionUID = 1L;

    /** For every mapper that writes sentences or reads them. */
    public TextModule() {
        addSerializer(
                Text.class,
                new ValueSerializer<Text>() {
                    @Override
                    public void serialize(Text value, JsonGenerator g, SerializationContext p) {
                        write(TextDocument.of(value), g);
                    }
                });
        addDeserializer(
                Text.class,
                new ValueDeserializer<Text>() {
                    @Override
                    public Text deserialize(JsonParser p, DeserializationContext c) {
                        return text(c.readValue(p, Object.class));
                    }
                });
    }

    /** Whole, also where a file leaves out what is empty: words without an id are words as well. */
    private static void write(TextDocument text, JsonGenerator g) {
        g.writeStartObject();
        g.writeStringProperty("id", text.id());
        g.writeStringProperty("english", text.english());
        g.writeName("args");
        write(text.args(), g);
        g.writeEndObject();
    }

    private static void write(List<?> args, JsonGenerator g) {
        g.writeStartArray();
        for (Object arg : args) {
            switch (arg) {
                case TextDocument said -> write(said, g);
                case List<?> all -> write(all, g);
                default -> g.writePOJO(arg);
            }
        }
        g.writeEndArray();
    }

    private static Text text(Object json) {
        if (!(json instanceof Map<?, ?> document)) {
            return Text.plain(String.valueOf(json));
        }
        List<?> args = document.get("args") instanceof List<?> all ? all : List.of();
        return Text.said(
                string(document.get("id")),
                string(document.get("english")),
                args.stream().map(TextModule::argument).toList());
    }

    private static String string(@Nullable Object json) {
        return json == null ? "" : String.valueOf(json);
    }

    private static Object argument(Object json) {
        return switch (json) {
            case Map<?, ?> document -> text(document);
            case List<?> all -> all.stream().map(TextModule::argument).toList();
            default -> json;
        };
    }
}
