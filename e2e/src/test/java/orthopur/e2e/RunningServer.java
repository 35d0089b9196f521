package orthopur.e2e;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;

/** The built jar as a process of its own, with the demo site in a fresh folder. */
final class RunningServer implements AutoCloseable {
    private static final Path JAR = Path.of("..", "server", "target", "orthopur-server.jar");
    private static final Path UNPACKED = Path.of("target", "app");
    private static final String JAVA =
            Path.of(System.getProperty("java.home"), "bin", "java").toString();
    private static final Duration PATIENCE = Duration.ofSeconds(180);

    private final Path data;
    private final int port;
    private final List<String> demo;
    private final StringBuffer log = new StringBuffer();

    /** Milliseconds by which its clock is ahead of the machine's. */
    private final long ahead;

    private Process process;

    private static RunningServer shared;

    /** One server for all journeys that leave the demo as they found it; stopped with the JVM. */
    static synchronized RunningServer shared() {
        if (shared == null) {
            shared = new RunningServer();
            Runtime.getRuntime().addShutdownHook(new Thread(shared::close));
        }
        return shared;
    }

    /** Unpacked, the program starts in half the time; journeys start it several times. */
    private static synchronized Path unpacked() throws IOException {
        Path jar = UNPACKED.resolve(JAR.getFileName());
        boolean old =
                !Files.exists(jar)
                        || Files.getLastModifiedTime(jar).compareTo(Files.getLastModifiedTime(JAR))
                                < 0;
        if (old) {
            Process unpack =
                    new ProcessBuilder(
                                    JAVA,
                                    "-Djarmode=tools",
                                    "-jar",
                                    JAR.toString(),
                                    "extract",
                                    "--force",
                                    "--destination",
                                    UNPACKED.toString())
                            .redirectErrorStream(true)
                            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                            .start();
            try {
                if (unpack.waitFor() != 0) {
                    throw new IOException("The built server cannot be unpacked: " + JAR);
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
        return jar;
    }

    RunningServer() {
        this(List.of("--demo", "--empty"));
    }

    /**
     * @param demo otherwise a site of one's own, in which there is nobody yet
     */
    RunningServer(boolean demo) {
        this(demo ? List.of("--demo", "--empty") : List.of());
    }

    /**
     * The demo as people start it: with ninety nights behind it, on the evening before the next.
     */
    static RunningServer withItsPast() {
        return new RunningServer(List.of("--demo"));
    }

    private RunningServer(List<String> demo) {
        this.demo = demo;
        // The demo with its past finds its evening by itself; a new site goes by the machine.
        this.ahead = demo.contains("--empty") ? untilEvening() : 0;
        try {
            data = Files.createTempDirectory("orthopur-e2e").resolve("site");
            Files.createDirectory(data);
            try (ServerSocket s = new ServerSocket(0)) {
                port = s.getLocalPort();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        start();
    }

    /**
     * A night that is nearly over has little to plan: what a journey finds must not depend on the
     * hour at which it runs.
     */
    private static long untilEvening() {
        ZonedDateTime now = ZonedDateTime.now(ZoneId.of("Europe/London"));
        ZonedDateTime evening = now.with(LocalTime.of(20, 35));
        return Duration.between(now, evening.isBefore(now) ? evening.plusDays(1) : evening)
                .toMillis();
    }

    String url(String path) {
        return "http://localhost:" + port + path;
    }

    /** What it has printed that begins so, last. */
    String said(String beginning) {
        return log.toString()
                .lines()
                .filter(l -> l.startsWith(beginning))
                .reduce((a, b) -> b)
                .orElseThrow(() -> new IllegalStateException(log.toString()));
    }

    /** kill -9, then the same folder and port again. */
    void killAndStartAgain() {
        killAfter(0);
        start();
    }

    /** kill -9 once so many milliseconds have passed. */
    void killAfter(long millis) {
        try {
            process.waitFor(millis, TimeUnit.MILLISECONDS);
            process.destroyForcibly();
            process.waitFor();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** The same folder and port again. */
    void startAgain() {
        start();
    }

    private void start() {
        CountDownLatch ready = new CountDownLatch(1);
        try {
            List<String> command =
                    new ArrayList<>(
                            List.of(
                                    JAVA,
                                    "-XX:+UseSerialGC",
                                    // No server of a test lives long enough for more.
                                    "-XX:TieredStopAtLevel=1",
                                    // As the launcher does it: the demo as the build wired it.
                                    "-Dspring.aot.enabled=" + !demo.isEmpty(),
                                    "-jar",
                                    unpacked().toString(),
                                    "--data",
                                    data.toString(),
                                    "--port",
                                    Integer.toString(port)));
            command.addAll(
                    demo.isEmpty()
                            ? List.of("--key", data.resolveSibling("site.key").toString())
                            : demo);
            if (ahead != 0) {
                command.add(1, "-Dorthopur.clock-ahead=" + ahead);
            }
            process = new ProcessBuilder(command).redirectErrorStream(true).start();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        Process started = process;
        Thread.startVirtualThread(() -> listen(started, ready));
        try {
            if (!ready.await(PATIENCE.toSeconds(), TimeUnit.SECONDS) || !process.isAlive()) {
                throw new IllegalStateException("The server did not start: " + log);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /**
     * Keeps what it says; it says when it is ready, or falls silent when it dies. Each process has
     * a latch of its own: the end of a killed one must not pass for the next one's being ready.
     */
    private void listen(Process started, CountDownLatch ready) {
        try (BufferedReader said = started.inputReader()) {
            for (String line = said.readLine(); line != null; line = said.readLine()) {
                log.append(line).append('\n');
                if (line.contains("is ready")) {
                    ready.countDown();
                }
            }
        } catch (IOException e) {
            log.append(e);
        }
        ready.countDown();
    }

    @Override
    public void close() {
        process.destroy();
    }
}
