package orthopur.server.start;

import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;

/**
 * The site's own mail server, for alarms: a file of {@code key=value}, apart from the command line.
 */
final class MailFile {
    private static final List<String> NEEDED = List.of("host", "from", "to");
    private static final Set<String> KNOWN =
            Set.of("host", "port", "from", "to", "user", "password", "starttls");
    private static final String TIMEOUT = "10000";

    private MailFile() {}

    /**
     * @return settings; empty without such a file
     */
    static Map<String, Object> check(Options o) throws CannotStart {
        String given = o.value("--mail");
        if (given == null) {
            return Map.of();
        }
        Properties p = new Properties();
        try (Reader in = Files.newBufferedReader(Path.of(given))) {
            p.load(in);
        } catch (IOException | IllegalArgumentException e) {
            throw new CannotStart("--mail: " + given + " cannot be read.");
        }
        Set<String> unknown = new TreeSet<>(p.stringPropertyNames());
        unknown.removeAll(KNOWN);
        List<String> missing = NEEDED.stream().filter(k -> p.getProperty(k, "").isBlank()).toList();
        if (!unknown.isEmpty() || !missing.isEmpty()) {
            throw new CannotStart(
                    "--mail: %s has to say host, from and to; port, user, password and starttls if needed. %s"
                            .formatted(
                                    given,
                                    missing.isEmpty()
                                            ? "It does not know " + String.join(", ", unknown) + "."
                                            : "It lacks " + String.join(", ", missing) + "."));
        }
        Map<String, Object> all = new HashMap<>();
        all.put("spring.mail.host", p.getProperty("host"));
        all.put("spring.mail.port", p.getProperty("port", "25"));
        if (p.containsKey("user")) {
            all.put("spring.mail.username", p.getProperty("user"));
            all.put("spring.mail.password", p.getProperty("password", ""));
            all.put("spring.mail.properties[mail.smtp.auth]", "true");
        }
        boolean starttls = Boolean.parseBoolean(p.getProperty("starttls", "false"));
        all.put("spring.mail.properties[mail.smtp.starttls.enable]", starttls);
        all.put("spring.mail.properties[mail.smtp.starttls.required]", starttls);
        all.put("spring.mail.properties[mail.smtp.connectiontimeout]", TIMEOUT);
        all.put("spring.mail.properties[mail.smtp.timeout]", TIMEOUT);
        all.put("orthopur.mail.from", p.getProperty("from"));
        all.put("orthopur.mail.to", p.getProperty("to"));
        return all;
    }
}
