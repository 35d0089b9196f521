package orthopur.server.start;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
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
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import orthopur.ledger.Database;
import orthopur.ledger.Heads;
import orthopur.ledger.SiteKey;
import orthopur.server.platform.DemoDatabase;

/** What is in the way is one plain line, and nothing is made. */
class StartCheckTest {
    @TempDir Path outer;
    private Path dir;

    @BeforeEach
    void folder() throws Exception {
        dir = Files.createDirectory(outer.resolve("data"));
    }

    private String refused(String... args) {
        List<String> all = new ArrayList<>(List.of(args));
        if (!all.contains("--demo")) {
            all.addAll(List.of("--key", outer.resolve("site.key").toString()));
        }
        return assertThrows(CannotStart.class, () -> StartCheck.check(all.toArray(String[]::new)))
                .getMessage();
    }

    private StartCheck.Settings start(String... more) throws Exception {
        List<String> args = new ArrayList<>(List.of("--data", dir.toString(), "--port", free()));
        args.addAll(List.of(more));
        if (!args.contains("--demo") && !args.contains("--key")) {
            args.addAll(List.of("--key", outer.resolve("site.key").toString()));
        }
        return StartCheck.check(args.toArray(String[]::new));
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
        assertTrue(refused("--demo", "--port").contains("needs a value"));
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

    /** Tests have no demo with its past; then the demo goes by the machine's clock. */
    @Test
    void theDemoWithoutItsPastGoesByTheMachine() throws Exception {
        assertTrue(
                refused("--data", dir.toString(), "--port", free(), "--empty")
                        .contains("goes only with it"));
        StartCheck.Settings empty =
                StartCheck.check(
                        new String[] {
                            "--demo", "--empty", "--data", dir.toString(), "--port", free()
                        });
        assertFalse(empty.asProperties().containsKey("orthopur.clock-ahead"));
        assertFalse(Files.exists(dir.resolve("demo-clock")));
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
        start();
    }

    /** As the server leaves it: migrated, and one head signed with this key. */
    private void signedWith(SiteKey key) throws Exception {
        Path db = dir.resolve("orthopur.db");
        Files.deleteIfExists(db);
        DemoDatabase.copyTo(db);
        try (Connection c = Database.writing(db);
                Statement s = c.createStatement()) {
            s.executeUpdate("DROP TRIGGER log_head_no_delete");
            s.executeUpdate("DELETE FROM log_head");
            Heads.sign(c, key, 1, null);
        }
    }

    @Test
    void theKeyIsMadeOnceAndMissedWhenItIsGoneOrAnother() throws Exception {
        Path file = outer.resolve("site.key");
        assertEquals(file.toString(), start().asProperties().get("orthopur.key"));
        SiteKey key = SiteKey.read(file);
        signedWith(key);
        start();
        Files.move(file, outer.resolve("away"));
        assertTrue(refused("--data", dir.toString(), "--port", free()).contains("--new-key"));
        SiteKey.create(file);
        assertTrue(refused("--data", dir.toString(), "--port", free()).contains(key.id()));
        Object epoch = start("--new-key").asProperties().get("orthopur.epoch");
        assertEquals("a new key; before it " + key.id(), epoch);
        Path inside = dir.resolve("site.key");
        assertTrue(
                assertThrows(CannotStart.class, () -> start("--key", inside.toString()))
                        .getMessage()
                        .contains("in every backup"));
    }

    /** The demo's key is worth nothing, and its folder is no site; nor is a site a demo. */
    @Test
    void theDemoIsNoSiteAndASiteIsNoDemo() throws Exception {
        signedWith(SiteKey.DEMO);
        assertTrue(refused("--data", dir.toString(), "--port", free()).contains("is a demo"));
        SiteKey own = SiteKey.create(outer.resolve("own.key"));
        signedWith(own);
        for (String fresh : new String[] {"--demo", "--fresh"}) {
            assertTrue(
                    refused("--demo", fresh, "--data", dir.toString(), "--port", free())
                            .contains("not of the demo"));
        }
        assertTrue(Files.exists(dir.resolve("orthopur.db")));
    }

    @Test
    void overTheNetworkOnlyUnderTls() throws Exception {
        assertTrue(
                refused("--data", dir.toString(), "--port", free(), "--listen", "0.0.0.0")
                        .contains("readable over the network"));
        assertTrue(
                refused("--data", dir.toString(), "--port", free(), "--listen", "not an address")
                        .contains("--listen"));
        assertTrue(refused("--what").contains("no option --what"));
        StartCheck.Settings behind = start("--behind-proxy", "--listen", "0.0.0.0");
        assertEquals("true", behind.asProperties().get("server.servlet.session.cookie.secure"));
        StartCheck.Settings tls = start("--tls");
        assertEquals("0.0.0.0", tls.asProperties().get("orthopur.address"));
        Object made = tls.asProperties().get("orthopur.tls.fingerprint");
        assertEquals(made, start("--tls").asProperties().get("orthopur.tls.fingerprint"), "once");
    }

    @Test
    void theMailServerIsSaidWhole() throws Exception {
        Path mail = Files.writeString(outer.resolve("mail"), "host=mail.example\nfrom=a@b.example");
        assertTrue(
                assertThrows(CannotStart.class, () -> start("--mail", mail.toString()))
                        .getMessage()
                        .contains("It lacks to"));
        Files.writeString(mail, "host=h\nfrom=a@b.example\nto=c@d.example\nssl=yes");
        assertTrue(
                assertThrows(CannotStart.class, () -> start("--mail", mail.toString()))
                        .getMessage()
                        .contains("does not know ssl"));
        Files.writeString(mail, "host=h\nfrom=a@b.example\nto=c@d.example");
        assertEquals("h", start("--mail", mail.toString()).asProperties().get("spring.mail.host"));
    }

    @Test
    void aCertificateIsLookedAtBeforeItIsUsed() throws Exception {
        Path none = Files.writeString(outer.resolve("none.pem"), "none");
        assertTrue(
                refused("--data", dir.toString(), "--port", free(), "--certificate", "x.pem")
                        .contains("go together"));
        assertTrue(
                refused(
                                "--data",
                                dir.toString(),
                                "--port",
                                free(),
                                "--certificate",
                                none.toString(),
                                "--certificate-key",
                                none.toString())
                        .contains("no certificate in PEM form"));
        Path old = outer.resolve("data.p12");
        Process keytool =
                new ProcessBuilder(
                                Path.of(System.getProperty("java.home"), "bin", "keytool")
                                        .toString(),
                                "-genkeypair",
                                "-alias",
                                "orthopur",
                                "-keyalg",
                                "EC",
                                "-startdate",
                                "-3d",
                                "-validity",
                                "1",
                                "-dname",
                                "CN=old",
                                "-storetype",
                                "PKCS12",
                                "-storepass",
                                "orthopur",
                                "-keystore",
                                old.toString())
                        .start();
        assertEquals(0, keytool.waitFor());
        assertTrue(
                refused("--data", dir.toString(), "--port", free(), "--tls").contains("ran out"));
    }
}
