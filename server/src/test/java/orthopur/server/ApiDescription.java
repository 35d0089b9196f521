package orthopur.server;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.ArraySchema;
import io.swagger.v3.oas.models.media.BooleanSchema;
import io.swagger.v3.oas.models.media.Content;
import io.swagger.v3.oas.models.media.IntegerSchema;
import io.swagger.v3.oas.models.media.MediaType;
import io.swagger.v3.oas.models.media.NumberSchema;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import io.swagger.v3.oas.models.parameters.RequestBody;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.customizers.OperationCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import orthopur.formats.ActionTable;
import orthopur.formats.StatedField;
import orthopur.formats.StepDocument;
import orthopur.server.platform.ReadsAs;
import tools.jackson.databind.JsonNode;

/** How the API is described; the description is made in tests only and committed as a file. */
@Configuration
class ApiDescription {
    static {
        // A document in an open format: what it holds is said by its own schema.
        SpringDocUtils.getConfig().replaceWithSchema(JsonNode.class, new Schema<>());
    }

    @Bean
    OpenAPI openApi() {
        return new OpenAPI()
                .info(
                        new Info()
                                .title("Orthopur")
                                .version("1")
                                .description(
                                        "Local codes, chemical labels, machine manuals and licensed trades stand"
                                                + " above what this program says."));
    }

    /** Every component of a record is always there unless it is marked {@link Nullable}. */
    @Bean
    ModelConverter requiredComponents() {
        return new ModelConverter() {
            @Override
            @SuppressWarnings("rawtypes")
            public Schema resolve(
                    AnnotatedType type,
                    ModelConverterContext context,
                    Iterator<ModelConverter> chain) {
                if (!chain.hasNext()) {
                    return null;
                }
                JavaType java = Json.mapper().constructType(type.getType());
                if (java != null && java.getRawClass() == StepDocument.class) {
                    return new Schema<>().$ref("#/components/schemas/StepDocument");
                }
                Schema resolved = chain.next().resolve(type, context, chain);
                if (java != null && java.getRawClass().isRecord()) {
                    Schema<?> model =
                            context.getDefinedModels().get(java.getRawClass().getSimpleName());
                    if (model != null) {
                        model.setRequired(required(java.getRawClass()));
                    }
                }
                return resolved;
            }
        };
    }

    private static List<String> required(Class<?> record) {
        return Arrays.stream(record.getRecordComponents())
                .filter(c -> !c.getAnnotatedType().isAnnotationPresent(Nullable.class))
                .map(RecordComponent::getName)
                .toList();
    }

    @Bean
    OperationCustomizer bodiesReadAsText() {
        return (operation, method) -> {
            for (var p : method.getMethodParameters()) {
                ReadsAs as = p.getParameterAnnotation(ReadsAs.class);
                if (as != null) {
                    Schema<?> schema =
                            new Schema<>()
                                    .$ref("#/components/schemas/" + as.value().getSimpleName());
                    operation.setRequestBody(
                            new RequestBody()
                                    .required(true)
                                    .content(
                                            new Content()
                                                    .addMediaType(
                                                            "application/json",
                                                            new MediaType().schema(schema))));
                }
            }
            return operation;
        };
    }

    /** A step is one flat object; what it can state stands in the table of actions. */
    @Bean
    OpenApiCustomizer steps() {
        return api -> {
            Schema<?> step = new ObjectSchema();
            step.setRequired(List.of("id", "action"));
            for (String text : List.of("id", "action", "when", "words", "because", "caution")) {
                step.addProperty(text, new StringSchema());
            }
            step.addProperty("minutes", new NumberSchema().format("double"));
            step.addProperty("people", new IntegerSchema().format("int32"));
            for (ActionTable.ActionInfo a : ActionTable.all()) {
                a.fields().forEach(f -> step.addProperty(f.name(), field(f)));
            }
            Schema<?> quantity = new ObjectSchema();
            quantity.setRequired(List.of("value", "unit"));
            quantity.addProperty("value", new NumberSchema().format("double"));
            quantity.addProperty("unit", new StringSchema());
            api.getComponents().addSchemas("Quantity", quantity).addSchemas("StepDocument", step);
        };
    }

    private static Schema<?> field(StatedField f) {
        return switch (f.kind()) {
            case TEXT, CHEMICAL, CHOICE -> new StringSchema();
            case TEXTS, NAMES, CHOICES -> new ArraySchema().items(new StringSchema());
            case COUNT -> new IntegerSchema().format("int32");
            case NUMBER -> new NumberSchema().format("double");
            case FLAG -> new BooleanSchema();
            case QUANTITY -> new Schema<>().$ref("#/components/schemas/Quantity");
        };
    }
}
