package orthopur.server.backup;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import orthopur.ledger.Backup;
import orthopur.ledger.Head;
import orthopur.ledger.SiteKey;
import orthopur.server.custody.Custody;
import orthopur.text.Text;

/** Makes the nightly backup and knows how old the last good one is. */
@Service
public class Backups {
    private static final Logger LOG = LoggerFactory.getLogger(Backups.class);
    private static final Duration LATE = Duration.ofHours(26);

    private final Custody custody;
    private final Clock clock;
    private final Path data;
    private final @Nullable Path to;
    private final int keep;
    private final Instant started;
    private volatile @Nullable String failed;

    Backups(
            Custody custody,
            Clock clock,
            @Value("${orthopur.data}") Path data,
            @Value("${orthopur.backups:}") String to,
            @Value("${orthopur.keep:14}") int keep) {
        this.custody = custody;
        this.clock = clock;
        this.data = data;
        this.to = to.isEmpty() ? null : Path.of(to);
        this.keep = keep;
        this.started = clock.instant();
    }

    /** Copies the site beside the work and lets go of the oldest. */
    @Scheduled(cron = "${orthopur.backup-at:0 0 3 * * *}")
    void nightly() {
        Path folder = to;
        if (folder == null) {
            return;
        }
        Head head = custody.signNow();
        try {
            Files.createDirectories(folder);
            Path file = folder.resolve(Backup.name(clock.instant(), head));
            Backup.make(data, file, List.of(SiteKey.DEMO));
            failed = null;
            List<Path> all = all(folder);
            for (Path old : all.subList(0, Math.max(0, all.size() - keep))) {
                Files.delete(old);
            }
        } catch (Backup.Failed | IOException e) {
            failed = e.getMessage();
            LOG.error("The nightly backup failed: {}", e.getMessage());
        }
    }

    private static List<Path> all(Path folder) throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(f -> f.getFileName().toString().matches("orthopur-.*\\.db"))
                    .sorted(Comparator.comparing(Path::getFileName))
                    .toList();
        }
    }

    /** What a supervisor has to know of backups; null while there is nothing to say. */
    public @Nullable Text warning() {
        Path folder = to;
        if (folder == null) {
            return null;
        }
        String why = failed;
        if (why != null) {
            return Text.of("backups.failed", "The last backup failed. {0}", why);
        }
        try {
            List<Path> all = all(folder);
            Instant last =
                    all.isEmpty() ? started : Files.getLastModifiedTime(all.getLast()).toInstant();
            Duration age = Duration.between(last, clock.instant());
            if (age.compareTo(LATE) < 0) {
                return null;
            }
            return all.isEmpty()
                    ? Text.of("backups.none", "There is no backup in {0} yet.", folder.toString())
                    : Text.of(
                            "backups.old", "The last good backup is {0} hours old.", age.toHours());
        } catch (IOException e) {
            return Text.of(
                    "backups.unreadable", "The backups in {0} cannot be read.", folder.toString());
        }
    }
}
