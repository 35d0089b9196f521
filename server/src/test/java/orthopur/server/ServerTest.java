package orthopur.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import java.nio.file.Files;
import org.springframework.boot.test.autoconfigure.web.servlet.AutoConfigureMockMvc;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.util.TestPropertyValues;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.test.context.ContextConfiguration;

/** The whole server on a real SQLite file of its own, filled with the demo site. */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@SpringBootTest(properties = "orthopur.demo=true")
@AutoConfigureMockMvc
@ContextConfiguration(initializers = ServerTest.OwnFolder.class)
public @interface ServerTest {
    /** A fresh data folder for each context. */
    class OwnFolder implements ApplicationContextInitializer<ConfigurableApplicationContext> {
        @Override
        public void initialize(ConfigurableApplicationContext context) {
            try {
                TestPropertyValues.of("orthopur.data=" + Files.createTempDirectory("orthopur-test"))
                        .applyTo(context);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }
}
