package orthopur.server;

import org.junit.jupiter.api.Test;
import org.springframework.modulith.core.ApplicationModules;

class ArchitectureTest {
    /** Features reach each other only through public types, and never in a circle. */
    @Test
    void theFeaturesKeepTheirArrows() {
        ApplicationModules.of(OrthopurServer.class).verify();
    }
}
