package orthopur.server.platform;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is in the way is one plain line, and nothing is made. */
class StartCheckTest {
    @TempDir Path dir;

    private String refused(String... args) {
        return assertThrows(StartCheck.CannotStart.class, () -> StartCheck.check(args))
                .getMessage();
    }

    private static String free() throws Exception {
        try (ServerSocket s = new ServerSocket(0)) {
            return Integer.toString(s.getLocalPort());
        }
    }

    @Test
    void portAndFolderAreRead() throws Exception {
        StartCheck.Settings s =
                StartCheck.check(
                        new String[] {"--demo", "--data", dir.toString(), "--port", free()});
        assertTrue(s.demo());
        assertEquals(dir, s.data());
    }

    @Test
    void aBusyPortABadPortAFolderThatIsAFile() throws Exception {
        try (ServerSocket busy = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            assertTrue(
                    refused(
                                    "--data",
                                    dir.toString(),
                                    "--port",
                                    Integer.toString(busy.getLocalPort()))
                            .contains("in use"));
        }
        assertTrue(refused("--port", "99999").contains("1 to 65535"));
        assertTrue(refused("--port").contains("needs a value"));
        Path file = Files.writeString(dir.resolve("file"), "x");
        assertTrue(
                refused("--data", file.toString(), "--port", free()).contains("cannot be written"));
        assertTrue(
                refused("--data", dir.toString(), "--port", free(), "--fresh")
                        .contains("only with the demo"));
    }

    @Test
    void aNewerDatabaseAndSomethingThatIsNone() throws Exception {
        Path db = dir.resolve("orthopur.db");
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + db);
                Statement s = c.createStatement()) {
            s.execute("CREATE TABLE flyway_schema_history (version TEXT)");
            s.execute("INSERT INTO flyway_schema_history VALUES ('9999')");
        }
        assertTrue(refused("--data", dir.toString(), "--port", free()).contains("newer version"));
        Files.writeString(
                db, "This is a shopping list, and long enough to be looked at: bread, milk, eggs.");
        assertTrue(refused("--data", dir.toString(), "--port", free()).contains("not a database"));
        StartCheck.check(
                new String[] {"--demo", "--fresh", "--data", dir.toString(), "--port", free()});
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + db);
                Statement s = c.createStatement();
                ResultSet people = s.executeQuery("SELECT count(*) FROM account")) {
            assertTrue(people.getInt(1) > 0, "emptied, and the demo put in its place");
        }
    }

    /** Works in a folder until it is ended. */
    public static final class Other {
        public static void main(String[] args) throws Exception {
            StartCheck.check(new String[] {"--demo", "--data", args[0], "--port", free()});
            System.out.println("works");
            System.in.read();
        }
    }

    @Test
    void oneServerAFolderAndNobodyEmptiesAnothers() throws Exception {
        Process other =
                new ProcessBuilder(
                                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                                "-cp",
                                System.getProperty("java.class.path"),
                                Other.class.getName(),
                                dir.toString())
                        .start();
        try {
            assertEquals("works", other.inputReader().readLine());
            Path db = dir.resolve("orthopur.db");
            if (!Files.exists(db)) {
                Files.write(db, new byte[] {1});
            }
            for (String fresh : new String[] {"--demo", "--fresh"}) {
                assertTrue(
                        refused("--demo", fresh, "--data", dir.toString(), "--port", free())
                                .contains("another Orthopur server works in"));
            }
            assertTrue(Files.exists(db), "nothing of the other's is gone");
        } finally {
            other.destroyForcibly().waitFor();
        }
        Files.deleteIfExists(dir.resolve("orthopur.db"));
        StartCheck.check(new String[] {"--data", dir.toString(), "--port", free()});
    }
}
