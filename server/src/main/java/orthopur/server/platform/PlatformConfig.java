package orthopur.server.platform;

import java.time.Duration;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import orthopur.formats.TextModule;

@Configuration
class PlatformConfig implements WebMvcConfigurer {
    /**
     * @param ahead milliseconds by which the demo's is ahead of the machine's
     */
    @Bean
    SiteClock clock(@Value("${orthopur.clock-ahead:0}") long ahead) {
        return new SiteClock(Duration.ofMillis(ahead));
    }

    /** Sentences of the core, where an answer has some. */
    @Bean
    TextModule sentences() {
        return new TextModule();
    }

    /**
     * Deep links of the web client all open its one page, which says so where nothing is there.
     * What the API is stands in a file, written by a test from the API as it is.
     */
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
                        "/logbook/**",
                        "/languages/**")) {
            registry.addViewController(path).setViewName("forward:/index.html");
        }
        registry.addViewController("/api/openapi").setViewName("forward:/openapi.json");
    }
}
