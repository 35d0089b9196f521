package orthopur.server.platform;

import io.micrometer.prometheusmetrics.PrometheusMeterRegistry;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.jooq.DSLContext;
import org.jooq.exception.DataAccessException;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.round.Role;
import orthopur.text.Text;

/** For whoever watches the server: whether it lives, and whether it can do its work. */
@RestController
@MayUse(anybody = true)
@RequestMapping("/health")
class HealthController {
    /** With less, a night's entries and photos may not fit any more. */
    private static final long LEAST_FREE = 200L * 1024 * 1024;

    private final DSLContext db;
    private final PrometheusMeterRegistry meters;
    private final Path data;

    HealthController(
            DSLContext db, PrometheusMeterRegistry meters, @Value("${orthopur.data}") String data) {
        this.db = db;
        this.meters = meters;
        this.data = Path.of(data);
    }

    /**
     * @param status "up" or "down"
     * @param why in plain words; null while it is up
     */
    record Health(String status, @Nullable String why) {}

    /** It answers. */
    @GetMapping("/live")
    Health live() {
        return new Health("up", null);
    }

    /** It reads its database and has room to write. */
    @GetMapping({"", "/ready"})
    ResponseEntity<Health> ready() {
        String why = why();
        return ResponseEntity.status(why == null ? HttpStatus.OK : HttpStatus.SERVICE_UNAVAILABLE)
                .body(new Health(why == null ? "up" : "down", why));
    }

    /**
     * For Prometheus: to this machine, or to a supervisor or an auditor who is signed in.
     *
     * @throws Said to anybody else
     */
    @GetMapping(value = "/metrics", produces = MediaType.TEXT_PLAIN_VALUE)
    String metrics(HttpServletRequest request) throws UnknownHostException {
        boolean here = InetAddress.getByName(request.getRemoteAddr()).isLoopbackAddress();
        boolean reads =
                request.isUserInRole(Role.SUPERVISOR.name())
                        || request.isUserInRole(Role.AUDITOR.name());
        if (!here && !reads) {
            throw Said.forbidden(
                    Text.of(
                            "health-controller.metrics-are-for-this-machine",
                            "Metrics are for this machine, a supervisor or an auditor."));
        }
        return meters.scrape();
    }

    private @Nullable String why() {
        try {
            db.selectOne().fetch();
            long free = Files.getFileStore(data).getUsableSpace();
            return free >= LEAST_FREE
                    ? null
                    : "The disk of the data folder has %d MB left; %d are needed."
                            .formatted(free >> 20, LEAST_FREE >> 20);
        } catch (DataAccessException e) {
            return "The database cannot be read.";
        } catch (IOException e) {
            return "The data folder cannot be read.";
        }
    }
}
