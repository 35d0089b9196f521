package orthopur.server;

import java.util.Map;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import org.springframework.context.aot.AbstractAotProcessor;
import org.springframework.scheduling.annotation.EnableScheduling;
import orthopur.server.start.CannotStart;
import orthopur.server.start.StartCheck;

/** The server. Looks before it starts, so that a wrong folder or port is one plain line. */
@EnableScheduling
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
public class OrthopurServer {
    /** While the build writes down how the program is wired, for the demo to start faster. */
    private static final Map<String, Object> NO_SITE =
            Map.of("orthopur.data", "none", "orthopur.port", 0, "orthopur.demo", true);

    public static void main(String[] args) {
        Map<String, Object> settings;
        try {
            settings =
                    Boolean.getBoolean(AbstractAotProcessor.AOT_PROCESSING)
                            ? NO_SITE
                            : StartCheck.check(args).asProperties();
        } catch (CannotStart e) {
            System.err.println("Orthopur cannot start: " + e.getMessage());
            System.exit(1);
            return;
        }
        SpringApplication app = new SpringApplication(OrthopurServer.class);
        app.setDefaultProperties(settings);
        app.run();
    }
}
