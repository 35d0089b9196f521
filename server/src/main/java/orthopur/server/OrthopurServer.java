package orthopur.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import org.springframework.scheduling.annotation.EnableScheduling;
import orthopur.server.start.CannotStart;
import orthopur.server.start.StartCheck;

/** The server. Looks before it starts, so that a wrong folder or port is one plain line. */
@EnableScheduling
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
public class OrthopurServer {
    public static void main(String[] args) {
        StartCheck.Settings settings;
        try {
            settings = StartCheck.check(args);
        } catch (CannotStart e) {
            System.err.println("Orthopur cannot start: " + e.getMessage());
            System.exit(1);
            return;
        }
        SpringApplication app = new SpringApplication(OrthopurServer.class);
        app.setDefaultProperties(settings.asProperties());
        app.run();
    }
}
