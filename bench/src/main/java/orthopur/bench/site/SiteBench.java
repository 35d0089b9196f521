package orthopur.bench.site;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Stream;
import orthopur.ledger.Backup;
import orthopur.ledger.Database;
import orthopur.ledger.SiteKey;
import orthopur.ledger.Walk;
import orthopur.simulation.floor.FloorClient;
import tools.jackson.databind.JsonNode;

/**
 * {@code ./orthopur bench site [ENTRIES…]}: how long everything takes on a site of so many entries,
 * and how it grows.
 */
public final class SiteBench {
    private static final int TIMES = 7;
    private static final int READERS = 100;
    private static final int WRITTEN = 200;
    private static final int WARM_UP = 100;

    private final Map<String, List<Long>> table = new LinkedHashMap<>();

    private SiteBench() {}

    public static void main(String[] args) throws Exception {
        long[] sizes =
                args.length == 0
                        ? new long[] {100_000, 1_000_000}
                        : Arrays.stream(args).mapToLong(Long::parseLong).toArray();
        SiteBench bench = new SiteBench();
        for (long size : sizes) {
            Path folder = Files.createTempDirectory("orthopur-site");
            try {
                bench.measure(folder, size);
            } finally {
                try (Stream<Path> all = Files.walk(folder)) {
                    for (Path p : all.sorted(Comparator.reverseOrder()).toList()) {
                        Files.deleteIfExists(p);
                    }
                }
            }
        }
        bench.print(sizes);
    }

    private void note(String what, long value) {
        table.computeIfAbsent(what, k -> new ArrayList<>()).add(value);
    }

    private void measure(Path folder, long size)
            throws IOException, SQLException, Backup.Failed, InterruptedException {
        Path data = folder.resolve("data");
        List<String> rounds = new ArrayList<>();
        try (Served first = new Served(data)) {
            FloorClient ilse = new FloorClient(first.url(), "Ilse Varga", "quillmere-ilse");
            for (JsonNode row : ilse.get("/api/floor")) {
                String start = "{\"procedure\":\"" + row.get("procedure").asString() + "\"}";
                rounds.add(ilse.post("/api/rounds", start).at("/state/id").asString());
            }
        }
        long began = System.nanoTime();
        long entries = Years.fill(data.resolve(Database.FILE), size);
        System.err.printf(
                "%,d entries made up in %d s%n",
                entries, (System.nanoTime() - began) / 1_000_000_000);
        note("entries", entries);
        note("database, MB", Files.size(data.resolve(Database.FILE)) >> 20);
        try (Served s = new Served(data)) {
            note("start, ms", s.startMillis());
            served(s);
        }
        outside(folder, data);
    }

    private void served(Served s) throws IOException, InterruptedException {
        FloorClient ilse = new FloorClient(s.url(), "Ilse Varga", "quillmere-ilse");
        note("board, first, ms", millis(() -> ilse.get("/api/board")));
        note("board, ms", median(() -> ilse.get("/api/board")));
        note("logbook, ms", median(() -> ilse.get("/api/logbook")));
        String old = "/api/logbook?machine=QK-SL1&from=2000-01-01&to=2026-01-31";
        note("logbook, an old month, ms", median(() -> ilse.get(old)));
        String round = ilse.get("/api/logbook").get(0).get("round").asString();
        note("record, first, ms", millis(() -> ilse.get("/api/logbook/" + round)));
        note("record, ms", median(() -> ilse.get("/api/logbook/" + round)));
        note("record on paper, ms", median(() -> ilse.bytes("/api/logbook/" + round + "/pdf")));
        note("release, ms", median(() -> ilse.get("/api/releases/" + round)));
        whileOthersRead(s, ilse, round);
        note("memory after, MB", s.megabytes());
    }

    /** One entry after the other, while a hundred read whatever there is. */
    private void whileOthersRead(Served s, FloorClient ilse, String round)
            throws IOException, InterruptedException {
        JsonNode floor = ilse.get("/api/floor");
        JsonNode view =
                ilse.post(
                        "/api/rounds",
                        "{\"procedure\":\"" + floor.get(0).get("procedure").asString() + "\"}");
        String id = view.at("/state/id").asString();
        AtomicBoolean on = new AtomicBoolean(true);
        AtomicLong read = new AtomicLong();
        List<Thread> readers = new ArrayList<>();
        List<String> what =
                List.of("/api/board", "/api/logbook", "/api/logbook/" + round, "/api/procedures");
        for (int i = 0; i < READERS; i++) {
            String path = what.get(i % what.size());
            readers.add(
                    Thread.startVirtualThread(
                            () -> {
                                while (on.get()) {
                                    try {
                                        ilse.bytes(path);
                                        read.incrementAndGet();
                                        Thread.sleep(1_000);
                                    } catch (IOException e) {
                                        // Counted by being missing.
                                    } catch (InterruptedException e) {
                                        return;
                                    }
                                }
                            }));
        }
        FloorClient tobiah = new FloorClient(s.url(), "Tobiah Renn", "quillmere-tobiah");
        long[] took = new long[WRITTEN];
        // The first ones warm the program up, as a night's first entries do.
        for (int i = -WARM_UP; i < WRITTEN; i++) {
            String entry =
                    """
                    {"id":"%s","packHash":"%s","step":"%s","kind":"trouble","tabletTime":1,"figures":[
                     {"name":"trouble","text":"INTERRUPTED"},{"name":"text","text":"called away"}]}"""
                            .formatted(
                                    UUID.randomUUID(),
                                    view.at("/state/packHash").asString(),
                                    view.at("/pack/steps/0/id").asString());
            long millis = millis(() -> tobiah.post("/api/rounds/" + id + "/entries", entry));
            if (i >= 0) {
                took[i] = millis;
            }
        }
        on.set(false);
        for (Thread t : readers) {
            t.join();
        }
        Arrays.sort(took);
        note("an entry while 100 read: median, ms", took[WRITTEN / 2]);
        note("an entry while 100 read: p95, ms", took[WRITTEN * 95 / 100]);
        note("reads meanwhile", read.get());
    }

    private void outside(Path folder, Path data) throws SQLException, IOException, Backup.Failed {
        Path db = data.resolve(Database.FILE);
        note(
                "verify-log, ms",
                millis(
                        () -> {
                            try (Connection c = Database.reading(db)) {
                                Walk.Found f = Walk.all(c, List.of(SiteKey.DEMO), List.of());
                                if (!f.whole()) {
                                    throw new IOException(f.wrong().getFirst());
                                }
                                return f;
                            } catch (SQLException e) {
                                throw new IOException(e);
                            }
                        }));
        Path backup = folder.resolve("backup.db");
        long began = System.nanoTime();
        Backup.make(data, backup, List.of(SiteKey.DEMO));
        note("backup, walked, ms", (System.nanoTime() - began) / 1_000_000);
        began = System.nanoTime();
        Backup.restore(backup, folder.resolve("back"), List.of(SiteKey.DEMO));
        note("restore, walked, ms", (System.nanoTime() - began) / 1_000_000);
    }

    /** Something that is timed. */
    private interface Work {
        Object done() throws IOException;
    }

    private static long millis(Work work) throws IOException {
        long began = System.nanoTime();
        work.done();
        return (System.nanoTime() - began) / 1_000_000;
    }

    private static long median(Work work) throws IOException {
        long[] all = new long[TIMES];
        for (int i = 0; i < TIMES; i++) {
            all[i] = millis(work);
        }
        Arrays.sort(all);
        return all[TIMES / 2];
    }

    private void print(long[] sizes) {
        table.forEach(
                (what, values) -> {
                    StringBuilder line = new StringBuilder("%-40s".formatted(what));
                    values.forEach(v -> line.append("%,14d".formatted(v)));
                    if (sizes.length > 1 && values.getFirst() > 0) {
                        line.append(
                                "   ×%.1f"
                                        .formatted((double) values.getLast() / values.getFirst()));
                    }
                    System.out.println(line);
                });
    }
}
