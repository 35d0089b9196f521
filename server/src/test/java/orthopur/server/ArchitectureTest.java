package orthopur.server;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.modulith.core.ApplicationModules;
import orthopur.server.platform.StartCheck;

class ArchitectureTest {
    /** Features reach each other only through public types, and never in a circle. */
    @Test
    void theFeaturesKeepTheirArrows() {
        ApplicationModules.of(OrthopurServer.class).verify();
    }

    /** The start check refuses databases of newer programs; it has to know what the newest is. */
    @Test
    void theStartCheckKnowsTheNewestMigration() throws IOException {
        try (Stream<Path> files = Files.list(Path.of("src/main/resources/db/migration"))) {
            int newest =
                    files.map(f -> f.getFileName().toString())
                            .mapToInt(n -> Integer.parseInt(n.substring(1, n.indexOf("__"))))
                            .max()
                            .orElseThrow();
            assertEquals(newest, StartCheck.NEWEST_MIGRATION);
        }
    }
}
