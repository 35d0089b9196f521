package orthopur.server;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Content;
import io.swagger.v3.oas.models.media.MediaType;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.parameters.RequestBody;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OperationCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
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
                Schema resolved = chain.next().resolve(type, context, chain);
                JavaType java = Json.mapper().constructType(type.getType());
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
}
