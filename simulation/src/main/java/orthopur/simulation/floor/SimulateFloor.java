package orthopur.simulation.floor;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.CountDownLatch;
import tools.jackson.databind.JsonNode;

/**
 * {@code simulate floor --tablets N --minutes M [--faults] [--url URL]}: a night through the real
 * API.
 */
public final class SimulateFloor {
    private static final Duration BETWEEN = Duration.ofSeconds(3);
    private static final String[][] CREW = {
        {"Maren Oyelaran", "quillmere-maren"},
        {"Tobiah Renn", "quillmere-tobiah"},
        {"Ilse Varga", "quillmere-ilse"}
    };

    private final PrintStream out;
    private final List<Long> millis = Collections.synchronizedList(new ArrayList<>());
    private final List<Long> burst = Collections.synchronizedList(new ArrayList<>());

    public SimulateFloor(PrintStream out) {
        this.out = out;
    }

    /**
     * @return 0 when none was lost and none doubled, else 1
     * @throws IOException when the server cannot be reached
     */
    public int run(String url, int tablets, double minutes, boolean faults) throws IOException {
        List<FloorClient> crew = new ArrayList<>();
        for (String[] person : CREW) {
            crew.add(new FloorClient(url, person[0], person[1]));
        }
        List<SimulatedTablet> all = new ArrayList<>();
        Set<String> led = new TreeSet<>();
        List<String> procedures = new ArrayList<>();
        Set<String> machines = new TreeSet<>();
        for (JsonNode row : crew.getFirst().get("/api/floor")) {
            if (machines.add(row.get("machine").asString())) {
                procedures.add(row.get("procedure").asString());
            }
        }
        Random dice = new Random(1);
        for (int i = 0; i < tablets; i++) {
            String procedure = procedures.get(i % procedures.size());
            long ahead = faults && i % 5 == 1 ? 3 * 3_600_000L : 0;
            all.add(
                    new SimulatedTablet(
                            crew.get(i % crew.size()), procedure, led.add(procedure), ahead, i));
        }
        out.printf(
                "%d tablets at %d machines, one entry each %d s, %.1f min%n",
                tablets, procedures.size(), BETWEEN.toSeconds(), minutes);
        long end = System.nanoTime() + (long) (minutes * 60e9);
        // All lose their signal for a while and come back at one moment.
        long dark = System.nanoTime() + (long) (minutes * 30e9);
        long light = dark + Duration.ofSeconds(faults ? 30 : 0).toNanos();
        CountDownLatch done = new CountDownLatch(all.size());
        for (SimulatedTablet t : all) {
            long seed = dice.nextLong();
            Thread.startVirtualThread(
                    () -> {
                        night(t, new Random(seed), end, dark, light, faults);
                        done.countDown();
                    });
        }
        try {
            done.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return report(crew.getFirst(), all);
    }

    private void night(
            SimulatedTablet t, Random dice, long end, long dark, long light, boolean faults) {
        pause(dice.nextInt((int) BETWEEN.toMillis()));
        boolean was = false;
        while (System.nanoTime() < end) {
            t.enter();
            long now = System.nanoTime();
            boolean noSignal = now > dark && now < light || faults && dice.nextInt(10) == 0;
            if (!noSignal) {
                boolean back = was && now >= light;
                was = false;
                long start = System.nanoTime();
                try {
                    t.send(faults && dice.nextInt(8) == 0);
                    (back ? burst : millis).add((System.nanoTime() - start) / 1_000_000);
                } catch (IOException e) {
                    out.println("not sent: " + e.getMessage());
                }
            } else {
                was |= now > dark && now < light;
            }
            pause(BETWEEN.toMillis());
        }
        for (int i = 0; i < 5 && t.waiting() > 0; i++) {
            try {
                t.send(false);
            } catch (IOException e) {
                pause(500);
            }
        }
    }

    private static void pause(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private int report(FloorClient c, List<SimulatedTablet> all) throws IOException {
        Map<String, Integer> stored = new HashMap<>();
        Set<String> rounds = new TreeSet<>();
        all.forEach(t -> rounds.add(t.round()));
        for (String r : rounds) {
            c.get("/api/logbook/" + r + "/entries")
                    .forEach(e -> stored.merge(e.at("/envelope/id").asString(), 1, Integer::sum));
        }
        long acknowledged = all.stream().mapToLong(t -> t.acknowledged().size()).sum();
        long lost =
                all.stream()
                        .flatMap(t -> t.acknowledged().stream())
                        .filter(id -> !stored.containsKey(id))
                        .count();
        long doubled = stored.values().stream().filter(n -> n > 1).count();
        JsonNode chain = c.get("/api/logbook/integrity?anew=true");
        out.printf(
                "acknowledged %d, lost %d, doubled %d, chain whole: %s%n",
                acknowledged, lost, doubled, chain.get("whole"));
        out.printf("answer: %s%n", shown(millis));
        out.printf("reconnect burst: %s%n", shown(burst));
        out.printf("this disk's fsync: %s%n", shown(fsync()));
        return lost == 0 && doubled == 0 && chain.get("whole").asBoolean() ? 0 : 1;
    }

    private static String shown(List<Long> values) {
        if (values.isEmpty()) {
            return "none";
        }
        List<Long> sorted = new ArrayList<>(values);
        Collections.sort(sorted);
        return "n %d, median %d ms, p95 %d ms, most %d ms"
                .formatted(
                        sorted.size(),
                        sorted.get(sorted.size() / 2),
                        sorted.get((int) (sorted.size() * 0.95)),
                        sorted.getLast());
    }

    /** What one write that is really on disk takes here. */
    private static List<Long> fsync() throws IOException {
        List<Long> took = new ArrayList<>();
        Path file = Files.createTempFile("orthopur-fsync", ".bin");
        try (FileChannel f = FileChannel.open(file, StandardOpenOption.WRITE)) {
            for (int i = 0; i < 100; i++) {
                long start = System.nanoTime();
                f.write(ByteBuffer.wrap(new byte[4096]));
                f.force(true);
                took.add((System.nanoTime() - start) / 1_000_000);
            }
        } finally {
            Files.delete(file);
        }
        return took;
    }
}
