package orthopur.server.backup;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import orthopur.ledger.Backup;
import orthopur.ledger.SiteKey;
import orthopur.server.ServerTest;
import orthopur.server.custody.Custody;

/** A nightly copy that is walked, the oldest ones let go, and a word when the last is too old. */
@ServerTest
class BackupsTest {
    private static final int KEPT = 2;

    @Autowired Custody custody;

    @Value("${orthopur.data}")
    Path data;

    @TempDir Path folder;

    private final Clock clock = mock(Clock.class);
    private Instant now = Instant.now();

    @BeforeEach
    void theClock() {
        when(clock.instant()).thenAnswer(i -> now);
    }

    private Backups backups(String to) {
        return new Backups(custody, clock, data, to, KEPT);
    }

    private List<Path> kept() throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.sorted().toList();
        }
    }

    /** A night later; a file is as old as the night in which it was made. */
    private void night(Backups b) throws IOException {
        now = now.plus(Duration.ofDays(1));
        b.nightly();
        Files.setLastModifiedTime(kept().getLast(), FileTime.from(now));
    }

    @Test
    void theNewestAreKeptAndEachIsWhole() throws Exception {
        Backups b = backups(folder.toString());
        Files.writeString(folder.resolve("a note of the quality manager.txt"), "not ours");
        night(b);
        Path first = kept().getLast();
        night(b);
        night(b);
        List<Path> left = kept();
        assertEquals(KEPT + 1, left.size(), "two copies, and the note that is not ours: " + left);
        assertFalse(Files.exists(first), "the oldest");
        assertTrue(Backup.look(left.getLast(), List.of(SiteKey.DEMO)).whole());
        assertNull(b.warning());
    }

    @Test
    void aCopyThatIsTooOldOrIsMissingIsSaid() throws Exception {
        Backups b = backups(folder.resolve("copies").toString());
        assertNull(b.warning(), "the first night is still to come");
        now = now.plus(Duration.ofHours(27));
        assertEquals(
                "There is no backup in " + folder.resolve("copies") + " yet.",
                String.valueOf(b.warning()));
        b = backups(folder.toString());
        night(b);
        now = now.plus(Duration.ofHours(25));
        assertNull(b.warning());
        now = now.plus(Duration.ofHours(4));
        assertEquals("The last good backup is 29 hours old.", String.valueOf(b.warning()));
    }

    @Test
    void aCopyThatFailsIsSaidUntilOneSucceeds() throws Exception {
        Path file = Files.writeString(folder.resolve("taken"), "a file where a folder should be");
        Backups b = backups(file.toString());
        b.nightly();
        assertTrue(
                String.valueOf(b.warning()).startsWith("The last backup failed. "),
                b.warning() + "");
        Files.delete(file);
        b.nightly();
        assertNull(b.warning());
        assertNull(backups("").warning(), "a site that keeps no copies here is told nothing");
    }
}
