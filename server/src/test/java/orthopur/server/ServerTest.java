package orthopur.server;

import static org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers.springSecurity;

import jakarta.servlet.Filter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.TestInstancePostProcessor;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.setup.DefaultMockMvcBuilder;
import org.springframework.test.web.servlet.setup.MockMvcBuilders;
import org.springframework.web.context.WebApplicationContext;
import orthopur.server.platform.DemoDatabase;

/**
 * The whole server on a real SQLite file, filled with the demo site; its beans and a {@link
 * MockMvc} are wired into the test. Spring's own extension needs JUnit 6.
 */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@ExtendWith(ServerTest.Running.class)
public @interface ServerTest {
    /** A server that no other class sees, for tests that count what lies there. */
    boolean own() default false;

    /** A server of one's own whose clock stands until the test moves it. */
    boolean clock() default false;

    /** Settings of a server of one's own, as {@code key=value}. */
    String[] properties() default {};

    /** What an intruder does to the database before the start, past every trigger. */
    String[] intruder() default {};

    /** A site that an older program left behind, from the resources' {@code sites/}. */
    String site() default "";

    /** Starts a server once for all who share it, or once for a class. */
    final class Running implements BeforeAllCallback, AfterAllCallback, TestInstancePostProcessor {
        private static ConfigurableApplicationContext shared;
        private ConfigurableApplicationContext own;

        @Override
        public void beforeAll(ExtensionContext test) {
            ServerTest how = test.getRequiredTestClass().getAnnotation(ServerTest.class);
            if (how.own() || how.clock() || !how.site().isEmpty() || how.intruder().length > 0) {
                Path data = folder(how.site());
                intrude(data, how.intruder());
                own = start(how.clock(), data, how.properties());
            } else if (shared == null) {
                shared = start(false, folder(""));
                Runtime.getRuntime().addShutdownHook(new Thread(shared::close));
            }
        }

        @Override
        public void postProcessTestInstance(Object test, ExtensionContext context) {
            (own == null ? shared : own).getAutowireCapableBeanFactory().autowireBean(test);
        }

        @Override
        public void afterAll(ExtensionContext test) {
            if (own != null) {
                own.close();
            }
        }

        private static ConfigurableApplicationContext start(
                boolean clock, Path data, String... properties) {
            SpringApplication app = new SpringApplication(OrthopurServer.class);
            app.setRegisterShutdownHook(false);
            if (clock) {
                app.addInitializers(c -> replaceClock((GenericApplicationContext) c));
            }
            String[] args = new String[properties.length + 3];
            for (int i = 0; i < properties.length; i++) {
                args[i] = "--" + properties[i];
            }
            args[properties.length] = "--orthopur.data=" + data;
            args[properties.length + 1] = "--orthopur.demo=true";
            args[properties.length + 2] = "--server.port=0";
            ConfigurableApplicationContext context = app.run(args);
            DefaultMockMvcBuilder mvc =
                    MockMvcBuilders.webAppContextSetup((WebApplicationContext) context);
            context.getBeanProvider(Filter.class)
                    .orderedStream()
                    .filter(f -> f.getClass().getName().startsWith("orthopur."))
                    .forEach(f -> mvc.addFilters(f));
            context.getBeanFactory()
                    .registerSingleton("mockMvc", mvc.apply(springSecurity()).build());
            return context;
        }

        private static void intrude(Path data, String... statements) {
            if (statements.length == 0) {
                return;
            }
            try (Connection db =
                            DriverManager.getConnection(
                                    "jdbc:sqlite:" + data.resolve("orthopur.db"));
                    Statement s = db.createStatement()) {
                List<String> triggers = new ArrayList<>();
                try (ResultSet r =
                        s.executeQuery("SELECT name FROM sqlite_master WHERE type = 'trigger'")) {
                    while (r.next()) {
                        triggers.add(r.getString(1));
                    }
                }
                for (String t : triggers) {
                    s.executeUpdate("DROP TRIGGER " + t);
                }
                for (String text : statements) {
                    if (s.executeUpdate(text) == 0) {
                        throw new IllegalArgumentException(text + " changes nothing");
                    }
                }
            } catch (SQLException e) {
                throw new IllegalStateException(e);
            }
        }

        private static void replaceClock(GenericApplicationContext context) {
            context.registerBean(
                    "testClock", TestClock.class, TestClock::new, b -> b.setPrimary(true));
        }

        /** A file of a site that an older program left behind. */
        public static byte[] left(String site, String file) throws IOException {
            try (ZipInputStream zip =
                    new ZipInputStream(
                            Objects.requireNonNull(
                                    ServerTest.class.getResourceAsStream(
                                            "/sites/" + site + ".zip")))) {
                for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
                    if (e.getName().equals(file)) {
                        return zip.readAllBytes();
                    }
                }
            }
            throw new IOException(site + " has no " + file);
        }

        private static Path folder(String site) {
            try {
                Path data = Files.createTempDirectory("orthopur-test");
                Path database = data.resolve("orthopur.db");
                if (site.isEmpty()) {
                    DemoDatabase.copyTo(database);
                } else {
                    Files.write(database, left(site, "orthopur.db"));
                }
                return data;
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }
}
