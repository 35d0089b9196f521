package orthopur.server.platform;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.RecordComponent;
import java.time.Clock;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import orthopur.Nullable;

@Configuration
class PlatformConfig implements WebMvcConfigurer {
    @Bean
    Clock clock() {
        return Clock.systemUTC();
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

    /** Deep links of the web client all open its one page, which says so where nothing is there. */
    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        for (String path :
                List.of(
                        "/",
                        "/{place:[^.]*}",
                        "/procedures/**",
                        "/machines/**",
                        "/floor/**",
                        "/release/**",
                        "/logbook/**")) {
            registry.addViewController(path).setViewName("forward:/index.html");
        }
    }
}
