package orthopur.bench.site;

import java.io.BufferedReader;
import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;

/** The built server as a process of its own. */
final class Served implements AutoCloseable {
    private static final Path JAR = Path.of("server", "target", "app", "orthopur-server.jar");
    private static final int PATIENCE_MINUTES = 5;

    private final Process process;
    private final long startMillis;
    private final int port;

    Served(Path data) throws IOException {
        try (ServerSocket s = new ServerSocket(0)) {
            port = s.getLocalPort();
        }
        long began = System.nanoTime();
        process =
                new ProcessBuilder(
                                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                                "-XX:+UseSerialGC",
                                "-Xlog:aot=off",
                                "-Xlog:cds=off",
                                "-XX:AOTCache=server/target/app.aot",
                                "-jar",
                                JAR.toString(),
                                "--demo",
                                "--data",
                                data.toString(),
                                "--port",
                                Integer.toString(port))
                        .redirectErrorStream(true)
                        .start();
        CountDownLatch ready = new CountDownLatch(1);
        Thread.startVirtualThread(() -> listen(ready));
        try {
            if (!ready.await(PATIENCE_MINUTES, TimeUnit.MINUTES) || !process.isAlive()) {
                throw new IOException("The server did not start in " + data);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        startMillis = (System.nanoTime() - began) / 1_000_000;
    }

    private void listen(CountDownLatch ready) {
        try (BufferedReader said = process.inputReader()) {
            for (String line = said.readLine(); line != null; line = said.readLine()) {
                if (line.contains("is ready")) {
                    ready.countDown();
                }
            }
        } catch (IOException e) {
            // It was ended.
        }
        ready.countDown();
    }

    String url() {
        return "http://localhost:" + port;
    }

    /** From the command to being ready. */
    long startMillis() {
        return startMillis;
    }

    /** Memory that the system has given it, in MB. */
    long megabytes() throws IOException {
        return Files.readAllLines(Path.of("/proc", Long.toString(process.pid()), "status")).stream()
                .filter(l -> l.startsWith("VmRSS"))
                .mapToLong(l -> Long.parseLong(l.replaceAll("\\D", "")) / 1024)
                .findFirst()
                .orElse(0);
    }

    @Override
    public void close() {
        process.destroy();
        try {
            process.waitFor();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
