package orthopur.server.custody;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import org.jooq.ConnectionRunnable;
import org.jooq.DSLContext;
import org.jooq.exception.DataAccessException;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import orthopur.ledger.Backup;
import orthopur.ledger.Database;
import orthopur.ledger.Head;
import orthopur.ledger.Heads;
import orthopur.ledger.Ledger;
import orthopur.ledger.Sealed;
import orthopur.ledger.SiteKey;
import orthopur.server.platform.Said;
import orthopur.text.Text;

/**
 * Signs the heads of the log and knows what was changed from outside. What the program goes by is
 * compared with the ledger at the start; nothing is used before that is done.
 */
@Service
public class Custody {
    private static final Logger LOG = LoggerFactory.getLogger(Custody.class);

    /** So often a head is written outside of the data as well. */
    private static final Duration WRITTEN_OUTSIDE = Duration.ofMinutes(10);

    private final DSLContext db;
    private final Clock clock;
    private final SiteKey key;
    private final @Nullable Path outside;
    private final CompletableFuture<Compared> compared;
    private volatile @Nullable Head last;
    private long writtenAt;

    Custody(
            DSLContext db,
            Clock clock,
            @Value("${orthopur.data}") Path data,
            @Value("${orthopur.key:}") String keyFile,
            @Value("${orthopur.epoch:}") String epoch)
            throws IOException {
        this.db = db;
        this.clock = clock;
        this.key = keyFile.isEmpty() ? SiteKey.DEMO : SiteKey.read(Path.of(keyFile));
        this.outside = keyFile.isEmpty() ? null : headsBeside(Path.of(keyFile));
        inTransaction(c -> Ledger.begin(c, clock.millis()));
        Path file = Database.file(data);
        compared = CompletableFuture.supplyAsync(() -> compare(file));
        Path restored = data.resolve(Backup.RESTORED);
        String note = Files.exists(restored) ? Files.readString(restored).strip() : epoch;
        sign(note.isEmpty() ? null : note);
        Files.deleteIfExists(restored);
    }

    /** What was found changed, and by which names it is asked for. */
    private record Compared(List<Ledger.Changed> changed, Set<String> touched) {}

    /**
     * All of it as it stood at one moment, over a connection of its own: the program goes on
     * starting meanwhile, and whoever asks what was changed waits for the answer.
     */
    private static Compared compare(Path file) {
        List<Ledger.Changed> changed;
        try (Connection c = Database.reading(file)) {
            c.setAutoCommit(false);
            changed = List.copyOf(Ledger.changedInForce(c));
        } catch (SQLException e) {
            throw new DataAccessException("What is stored cannot be compared with the ledger", e);
        }
        changed.forEach(
                c -> LOG.error("Not as this program wrote it, and not used: {}.", c.inWords()));
        return new Compared(
                changed,
                changed.stream().map(c -> name(c.kind(), c.ref())).collect(Collectors.toSet()));
    }

    /** A program that cannot compare does not start. */
    @EventListener(ApplicationStartedEvent.class)
    void compared() {
        compared.join();
    }

    /** Where heads are written outside of the data: beside the key. */
    public static Path headsBeside(Path keyFile) {
        return keyFile.resolveSibling(keyFile.getFileName() + ".heads");
    }

    private void inTransaction(ConnectionRunnable work) {
        db.transaction(t -> t.dsl().connection(work));
    }

    /**
     * Lets nothing be used that was changed by something other than this program.
     *
     * @throws Said with what it is and what to do
     */
    public void vouchFor(Sealed kind, String ref) {
        if (!isWhole(kind, ref)) {
            throw Said.conflict(
                    Text.of(
                            "custody.was-changed-on-the-server",
                            "{0} was changed on the server by something other than this program, so it is not used. The administrator runs ./orthopur check.",
                            called(kind, ref)));
        }
    }

    /**
     * Lets nothing be started or approved while what every verdict goes by was changed from
     * outside.
     *
     * @throws Said with what it is and what to do
     */
    public void vouchForTheSite() {
        for (Ledger.Changed c : compared.join().changed()) {
            if (c.kind() == Sealed.SITE_DOCUMENT || c.kind() == Sealed.FIGURE_CHANGE) {
                vouchFor(c.kind(), c.ref());
            }
        }
    }

    /** Whether this row is as this program wrote it. */
    public boolean isWhole(Sealed kind, String ref) {
        return !compared.join().touched().contains(name(kind, ref));
    }

    /** What was found changed at the start, for a person to read. */
    public List<Text> changed() {
        return compared.join().changed().stream().map(c -> called(c.kind(), c.ref())).toList();
    }

    /** The newest signed head. */
    public @Nullable Head last() {
        return last;
    }

    private static String name(Sealed kind, String ref) {
        return kind + " " + ref;
    }

    private static Text called(Sealed kind, String ref) {
        return switch (kind) {
            case PROCEDURE_VERSION ->
                    Text.of("custody.procedure", "The approved procedure {0}", ref);
            case SHEET -> Text.of("custody.sheet", "The machine sheet {0}", ref);
            case SITE_DOCUMENT ->
                    ref.equals("chemicals")
                            ? Text.of("custody.chemicals", "The list of chemicals")
                            : Text.of("custody.site", "The description of the site");
            case FIGURE_CHANGE -> Text.of("custody.figure", "A figure of the rule book");
            case ACCOUNT -> Text.of("custody.account", "The account {0}", ref);
            case TRAINING -> Text.of("custody.training", "A training ({0})", ref);
            case TABLET -> Text.of("custody.tablet", "The tablet {0}", ref);
            case PACK -> Text.of("custody.pack", "The round pack {0}", ref);
            default -> Text.plain(kind.table() + " " + ref);
        };
    }

    /** Signs now what has come since, and says where the log ends. */
    public Head signNow() {
        sign(null);
        writeOutside();
        return Objects.requireNonNull(last);
    }

    /** Signs what has come since; little is lost of the proof if the server dies before. */
    @Scheduled(fixedDelay = 5_000, initialDelay = 5_000)
    void sign() {
        sign(null);
    }

    private synchronized void sign(@Nullable String note) {
        Head before = last;
        inTransaction(
                c -> {
                    Heads.sign(c, key, clock.millis(), note);
                    last = Heads.last(c);
                });
        Head begun = last;
        if (note != null && begun != null) {
            putAside(begun.epoch());
        }
        boolean more = !Objects.equals(before, last);
        if (more && (note != null || clock.millis() - writtenAt >= WRITTEN_OUTSIDE.toMillis())) {
            writeOutside();
        }
    }

    @PreDestroy
    synchronized void end() {
        sign(null);
        writeOutside();
    }

    /** Heads of a log that was put back would never be found again; they prove what was before. */
    private void putAside(int epoch) {
        Path file = outside;
        if (file == null || !Files.exists(file)) {
            return;
        }
        try {
            Files.move(file, file.resolveSibling(file.getFileName() + ".before-epoch-" + epoch));
        } catch (IOException e) {
            LOG.error("{} cannot be put aside: {}", file, e.getMessage());
        }
    }

    private void writeOutside() {
        Head head = last;
        Path file = outside;
        if (head == null || file == null) {
            return;
        }
        try {
            Files.writeString(
                    file, head.line() + "\n", StandardOpenOption.CREATE, StandardOpenOption.APPEND);
            writtenAt = clock.millis();
        } catch (IOException e) {
            LOG.error("The head of the log cannot be written to {}: {}", file, e.getMessage());
        }
    }
}
