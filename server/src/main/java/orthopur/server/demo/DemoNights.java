package orthopur.server.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import orthopur.machine.DataPlate;
import orthopur.machine.Interval;
import orthopur.machine.Kit;
import orthopur.machine.MachineSheet;
import orthopur.machine.Upkeep;
import orthopur.procedure.Step;
import orthopur.round.Actor;
import orthopur.round.Cleaner;
import orthopur.round.Entry;
import orthopur.round.ReleaseSite;
import orthopur.round.Role;
import orthopur.round.State;
import orthopur.roundpack.RoundPack;
import orthopur.server.floor.PlayedRounds;
import orthopur.server.floor.Replay;
import orthopur.server.floor.SiteEntries;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Accounts;
import orthopur.server.people.Person;
import orthopur.server.platform.Said;
import orthopur.server.platform.SiteClock;
import orthopur.server.procedures.Procedures;
import orthopur.server.release.Board;
import orthopur.server.start.DemoClock;
import orthopur.sitestream.SiteEntry;
import orthopur.text.Objection;

/**
 * Ninety nights behind the demo, played through the same doors as a tablet's: what is written here
 * is only who did what when, and what went wrong. The same seed gives the same nights.
 */
@Component
@ConditionalOnProperty("orthopur.demo-past")
class DemoNights {
    /** How many nights lie behind the first evening. */
    static final int NIGHTS = 90;

    /** The last of them are there in full; before them the machines with a story. */
    private static final int IN_FULL = 7;

    private static final long SEED = 20_261_130;
    private static final LocalTime BEGIN = LocalTime.of(21, 0);
    private static final long SECOND = 1000;
    private static final long MINUTE = 60_000;

    /** One nozzle of the filler does not come clean each so many nights. */
    private static final int NOZZLE_EVERY = 5;

    /** Swabs in the light units of the site's meter. */
    private static final double CLEAN = 12;

    private final PlayedRounds rounds;
    private final SiteEntries site;
    private final Accounts accounts;
    private final Procedures procedures;
    private final Board board;
    private final Sheets sheets;
    private final SiteClock clock;
    private final TransactionTemplate transaction;
    private final Random random = new Random(SEED);
    private final Map<String, double[]> lastReading = new HashMap<>();
    private final Set<String> failed = new HashSet<>();

    DemoNights(
            PlayedRounds rounds,
            SiteEntries site,
            Accounts accounts,
            Procedures procedures,
            Board board,
            Sheets sheets,
            SiteClock clock,
            TransactionTemplate transaction) {
        this.rounds = rounds;
        this.site = site;
        this.accounts = accounts;
        this.procedures = procedures;
        this.board = board;
        this.sheets = sheets;
        this.clock = clock;
        this.transaction = transaction;
    }

    /** Lets the clock stand so many days before the first evening, in the afternoon. */
    void standBefore(int days) {
        clock.standAt(at(days, LocalTime.of(15, 0)));
    }

    private static Instant at(int daysBefore, LocalTime time) {
        LocalDate day = DemoClock.EVENING.minusDays(daysBefore);
        return day.atTime(time).atZone(DemoClock.ZONE).toInstant();
    }

    private Person person(String name) {
        return accounts.names().entrySet().stream()
                .filter(e -> e.getValue().equals(name))
                .map(e -> new Person(e.getKey(), name, role(name), 0))
                .findFirst()
                .orElseThrow();
    }

    private static Role role(String name) {
        return name.startsWith("Ilse")
                ? Role.SUPERVISOR
                : name.startsWith("Ruvi") ? Role.QA : Role.CREW;
    }

    /** What somebody does at how many nights before the first evening. */
    interface Afternoon {
        void of(int daysBefore) throws IOException;
    }

    /**
     * Plays all of them, in one transaction.
     *
     * @param instruments what is to be done each two weeks: the instruments are held to standards
     */
    void play(Afternoon instruments) {
        transaction.executeWithoutResult(
                t -> {
                    for (int days = NIGHTS; days >= 1; days--) {
                        standBefore(days);
                        if (days % 14 == 6) {
                            held(instruments, days);
                        }
                        afternoon(days);
                        night(days);
                    }
                });
        // The washers are looked at after each meal of the last day.
        List<String> meals = List.of("qk-ww1-meal", "qk-ww2-meal");
        for (LocalTime meal : List.of(LocalTime.of(8, 5), LocalTime.of(13, 5))) {
            clock.standAt(at(0, meal));
            carryOut(List.of(new Turn("Pell Okonjo", meals)), at(0, meal).toEpochMilli(), 0);
        }
        // The last afternoon: three machines run, one of them soon too long.
        Person maren = person("Maren Oyelaran");
        clock.standAt(at(0, LocalTime.of(16, 50)));
        board.use("QK-SL1", "in-use", "evening orders", maren);
        clock.standAt(at(0, LocalTime.of(18, 40)));
        board.use("QK-FL1", "in-use", "evening orders", maren);
        clock.standAt(at(0, DemoClock.OPENS));
    }

    private static void held(Afternoon instruments, int days) {
        try {
            instruments.of(days);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    // --- what is said beside the rounds ---------------------------------------------------------

    private void afternoon(int days) {
        Person ilse = person("Ilse Varga");
        Person maren = person("Maren Oyelaran");
        switch (days) {
            case 88 -> enter(ilse, now -> new SiteEntry.KitFitted("QK-DS1", "seals", now));
            case 33 -> enter(ilse, now -> new SiteEntry.KitFitted("QK-DS1", "blades", now));
            case 60 -> plates();
            case 9 -> warmBucket(days);
            case 1 -> {
                upkeepSoFar();
                kitsSoFar();
            }
            case 21 ->
                    enter(
                            maren,
                            now ->
                                    new SiteEntry.EventSaid(
                                            "QK-OV1", "panels taken out and put back", now));
            case 17 ->
                    enter(
                            ilse,
                            now ->
                                    new SiteEntry.TroubleCured(
                                            "QK-OV1",
                                            "uneven",
                                            "air panels 3 and 9 had changed places",
                                            "air-panel",
                                            null,
                                            now));
            default -> {}
        }
        if (days % 7 == 3) {
            double drift = days < 30 ? (30 - days) * 0.2 : 0;
            double shown = Math.round((229 - drift) * 10) / 10.0;
            enter(
                    maren,
                    now -> new SiteEntry.SettingRead("QK-OV1", "temperature", shown, "°C", now));
        }
        if (days == 3) {
            enter(
                    ilse,
                    now ->
                            new SiteEntry.SettingLetRun(
                                    "QK-OV1",
                                    "temperature",
                                    223.6,
                                    "°C",
                                    "Pell Okonjo",
                                    "a burner is weak, the fitter comes next week",
                                    now + 10 * 24 * 60 * MINUTE,
                                    now));
            // A busy Friday: nobody cleaned the slicer between one and nine.
            clock.standAt(at(days, LocalTime.of(13, 0)));
            board.use("QK-SL1", "in-use", "double orders", maren);
        }
        if (days == 2) {
            enter(ilse, now -> new SiteEntry.SparesCounted("QK-DS1", "seals", 0));
            enter(ilse, now -> new SiteEntry.SparesCounted("QK-DS1", "blades", 3));
            enter(ilse, now -> new SiteEntry.StockCounted("halvern-h12", 9, "L"));
            enter(ilse, now -> new SiteEntry.StockCounted("palimar-q10", 3, "L"));
            enter(ilse, now -> new SiteEntry.StockCounted("sudmere-n", 35, "L"));
            enter(ilse, now -> new SiteEntry.StockCounted("karstol-a", 5, "L"));
            enter(ilse, now -> new SiteEntry.StockCounted("lyebourne-c25", 18, "L"));
        }
    }

    /** Quat in a warm bucket fades: weaker each hour, and poured out when it is below its label. */
    private void warmBucket(int days) {
        Person pell = person("Pell Okonjo");
        String label = "RB-0911";
        enter(
                pell,
                now ->
                        new SiteEntry.BucketMade(
                                "red bucket",
                                "palimar-q10",
                                6,
                                250.0,
                                label,
                                38.0,
                                null,
                                now + 4 * 60 * MINUTE,
                                "label",
                                "wiping cloths"));
        double[] shown = {230, 205, 184};
        for (int i = 0; i < shown.length; i++) {
            int n = i;
            clock.standAt(at(days, LocalTime.of(16 + i, 0)));
            enter(
                    pell,
                    now ->
                            new SiteEntry.SolutionRead(
                                    label, "quat-drops", shown[n], 36.0 - n, now, null, null));
        }
        enter(pell, now -> new SiteEntry.VesselEmptied("red bucket", true));
    }

    /** The plates are compared once; of one machine somebody reads two figures the other way. */
    private void plates() {
        Person ilse = person("Ilse Varga");
        for (MachineSheet s : sheets.all()) {
            DataPlate p = s.dataPlate();
            if (p != null && p.serial() != null) {
                String serial = s.code().equals("QK-DS2") ? "5510" : p.serial();
                enter(ilse, now -> new SiteEntry.PlateRead(s.code(), p.type(), serial, now));
            }
        }
    }

    /** What stands in the old binder: upkeep within its time, but for one lockout that is over. */
    private void upkeepSoFar() {
        Person ilse = person("Ilse Varga");
        int n = 0;
        for (MachineSheet s : sheets.all()) {
            for (Upkeep u : s.upkeep()) {
                Integer every = days(u.interval());
                if (u.interval().count() != null && u.interval().counter() != null) {
                    counted(ilse, s, u, u.interval().count(), u.interval().counter());
                    continue;
                }
                if (every == null) {
                    continue;
                }
                boolean over = s.code().equals("QK-GR1") && u.id().equals("lockout-inspection");
                long ago = over ? every + 23L : Math.round(every * (0.15 + 0.13 * (n++ % 5)));
                enter(
                        ilse,
                        now ->
                                new SiteEntry.TaskDone(
                                        s.code() + "/upkeep/" + u.id(),
                                        now - ago * 24 * 60 * MINUTE));
            }
        }
    }

    private void counted(Person by, MachineSheet s, Upkeep u, int count, String counter) {
        long then = 20 * 24 * 60 * MINUTE;
        double began = 3.0 * count;
        enter(by, now -> new SiteEntry.CountRead(s.code(), counter, began, false, now - then));
        enter(by, now -> new SiteEntry.TaskDone(s.code() + "/upkeep/" + u.id(), now - then));
        enter(
                by,
                now ->
                        new SiteEntry.CountRead(
                                s.code(), counter, began + Math.rint(0.6 * count), false, now));
    }

    /** Kits that were fitted before somebody wrote it down here, and what lies on the shelf. */
    private void kitsSoFar() {
        Person ilse = person("Ilse Varga");
        int n = 0;
        for (MachineSheet s : sheets.all()) {
            for (Kit k : s.kits()) {
                Integer life = k.life() == null ? null : days(k.life());
                // The dispenser's have stories of their own.
                if (life == null || s.code().equals("QK-DS1")) {
                    continue;
                }
                long ago = Math.round(Math.min(life, 380) * (0.2 + 0.15 * (n % 5)));
                enter(
                        ilse,
                        now ->
                                new SiteEntry.KitFitted(
                                        s.code(), k.id(), now - ago * 24 * 60 * MINUTE));
                int least = k.reorderAt() == null ? 0 : k.reorderAt();
                int left = least + n++ % 3;
                enter(ilse, now -> new SiteEntry.SparesCounted(s.code(), k.id(), left));
            }
        }
    }

    private static @Nullable Integer days(Interval i) {
        if (i.days() != null || i.every() == null) {
            return i.days();
        }
        return switch (i.every()) {
            case DAILY -> 1;
            case WEEKLY -> 7;
            case MONTHLY -> 30;
            case QUARTERLY -> 91;
            case YEARLY -> 365;
            default -> null;
        };
    }

    private interface Dated {
        SiteEntry at(long now);
    }

    private void enter(Person person, Dated entry) {
        long now = clock.millis();
        try {
            site.asBefore(List.of(entry.at(now)), List.of(now), person);
        } catch (IllegalStateException e) {
            throw new IllegalStateException(
                    "A story of the demo does not fit: " + e.getMessage(), e);
        }
    }

    // --- the rounds of a night ------------------------------------------------------------------

    /** What somebody does one after the other; who waits for a machine to dry begins another. */
    private record Turn(String name, List<String> procedures) {}

    private static List<Turn> work(int days) {
        List<String> maren = new ArrayList<>();
        List<String> tobiah = new ArrayList<>();
        List<String> pell = new ArrayList<>();
        boolean full = days <= IN_FULL;
        if (full || days % 6 == 0) {
            maren.add("qk-sl1-end-of-shift");
        }
        if (full || days % 2 == 0 || days % NOZZLE_EVERY == 0) {
            maren.add("qk-fl1-daily");
        }
        if (days % 7 == 6) {
            tobiah.add("qk-ov1-weekly");
        } else if (full || days % 4 == 1 || (days >= 17 && days <= 22)) {
            tobiah.add("qk-ov1-daily");
        }
        if (full) {
            tobiah.add("qk-sw1-daily");
        }
        if (full || days % 10 == 0) {
            pell.add("qk-ds1-daily");
        }
        if (days % 14 == 5) {
            tobiah.add("qk-tl1-line-clean");
        }
        if (days == 41) {
            tobiah.add("qk-tl1-acid");
        }
        if (days % 30 == 12) {
            maren.add("qk-sl1-oiling");
        }
        List<Turn> all = new ArrayList<>();
        all.add(new Turn("Maren Oyelaran", maren));
        all.add(new Turn("Tobiah Renn", tobiah));
        all.add(new Turn("Pell Okonjo", pell));
        if (!full && days % 7 == 3) {
            pell.add("qk-ds2-weekly");
        }
        if (full) {
            maren.addAll(List.of("qk-gr1-daily", "qk-ww2-daily"));
            tobiah.addAll(List.of("qk-cv1-daily", "qk-sh1-daily"));
            all.add(
                    new Turn(
                            "Dagny Sollis",
                            List.of("qk-to1-daily", "qk-ov2-daily", "qk-ar1-daily")));
            all.add(
                    new Turn(
                            "Pell Okonjo",
                            List.of(
                                    days % 7 == 3 ? "qk-ds2-weekly" : "qk-ds2-daily",
                                    "qk-ww1-daily",
                                    "qk-rt1-daily")));
        }
        return all;
    }

    private void night(int days) {
        carryOut(work(days), at(days, BEGIN).toEpochMilli(), days);
    }

    private void carryOut(List<Turn> turns, long begin, int days) {
        List<Played> open = new ArrayList<>();
        for (Turn turn : turns) {
            if (!turn.procedures().isEmpty()) {
                open.add(
                        new Played(
                                person(turn.name()),
                                new ArrayDeque<>(turn.procedures()),
                                begin + random.nextInt(12) * MINUTE,
                                days));
            }
        }
        while (!open.isEmpty()) {
            Played next =
                    open.stream().min(Comparator.comparingLong((Played p) -> p.at)).orElseThrow();
            clock.standAt(Instant.ofEpochMilli(next.at));
            if (!next.go()) {
                open.remove(next);
            }
        }
    }

    /** Somebody at work through the night, one machine after the other. */
    private final class Played {
        private final Person person;
        private final Person quality = DemoNights.this.person("Ruvi Hast");
        private final Deque<String> left;
        private final int days;
        private final List<Waiting> waiting = new ArrayList<>();
        private long at;
        private @Nullable String round;
        private @Nullable Cleaner cleaner;
        private Map<String, Double> minutes = Map.of();
        private long stepBegan;

        Played(Person person, Deque<String> left, long at, int days) {
            this.person = person;
            this.left = left;
            this.at = at;
            this.days = days;
        }

        /** A round that was handed over, and what is still to be found. */
        private record Waiting(String round, long from) {}

        private Replay enter(Entry e) {
            return rounds.enter(
                    Objects.requireNonNull(round), e, "tablet " + person.id(), person, at);
        }

        /**
         * @return whether anything is left
         */
        boolean go() {
            if (round == null) {
                if (!waiting.isEmpty() && (left.isEmpty() || waiting.getFirst().from() <= at)) {
                    return release(waiting.removeFirst());
                }
                String next = left.poll();
                if (next == null) {
                    return false;
                }
                begin(next);
                return true;
            }
            step(Objects.requireNonNull(cleaner));
            return true;
        }

        private void begin(String procedure) {
            Replay r = rounds.start(procedure, person);
            round = r.round().getId();
            Actor actor = new Actor(person.name(), accounts.personOf(person), person.role(), true);
            cleaner = new Cleaner(r.pack(), actor, String.valueOf(10 + person.id()));
            // A step that is done at each of ten positions takes its minutes once.
            Map<String, Long> positions =
                    r.pack().steps().stream()
                            .collect(
                                    Collectors.groupingBy(
                                            s -> base(s.id()), Collectors.counting()));
            Map<String, Double> planned = new HashMap<>();
            // Some nights are quicker than others, and everybody has their own pace.
            double pace = 0.85 + 0.1 * (person.id() % 3) + random.nextDouble() * 0.25;
            for (Step s : procedures.approvedVersion(procedure).procedure().steps()) {
                planned.put(
                        s.id(),
                        s.minutes()
                                * pace
                                * (0.8 + random.nextDouble() * 0.4)
                                / positions.getOrDefault(s.id(), 1L));
            }
            minutes = planned;
            stepBegan = at;
            at += MINUTE;
        }

        private static String base(String step) {
            return step.replaceAll("@.*", "");
        }

        private void step(Cleaner who) {
            Replay r = rounds.as(Objects.requireNonNull(round));
            Cleaner.Move m = who.next(r.progress().state(), at);
            if (m == null) {
                waiting.add(new Waiting(r.round().getId(), at + (8 + random.nextInt(10)) * MINUTE));
                round = null;
                cleaner = null;
                at += 4 * MINUTE;
                return;
            }
            if (m.waits() > 0) {
                at += m.waits() + SECOND;
                return;
            }
            if (m.entry() instanceof Entry.StepDone done) {
                double planned = minutes.getOrDefault(base(done.step()), 1.0);
                long earliest = stepBegan + Math.round(planned * MINUTE);
                if (at < earliest) {
                    at = earliest;
                    return;
                }
                enter(done);
                stepBegan = at;
                at += 2 * SECOND;
                return;
            }
            enter(m.entry() instanceof Entry.ReadingTaken t ? read(r.pack(), t) : m.entry());
            at += (4 + random.nextInt(9)) * SECOND;
        }

        /**
         * As an instrument shows it: not in the middle each night; and some copy it from the last.
         */
        private Entry read(RoundPack pack, Entry.ReadingTaken t) {
            String key = pack.title() + t.step();
            double[] before = lastReading.get(key);
            boolean copied = person.name().startsWith("Pell") && days <= 12 && before != null;
            double[] now =
                    copied
                            ? Objects.requireNonNull(before)
                            : new double[] {
                                Math.round(t.strength() * (0.97 + random.nextDouble() * 0.06)),
                                Math.round(t.temperature() * 10 + random.nextInt(12)) / 10.0
                            };
            lastReading.put(key, now);
            return new Entry.ReadingTaken(t.step(), t.instrument(), now[0], now[1]);
        }

        // --- release ----------------------------------------------------------------------------

        private boolean release(Waiting w) {
            at = Math.max(at, w.from());
            clock.standAt(Instant.ofEpochMilli(at));
            Replay r = rounds.as(w.round());
            if (r.progress().state().status() == State.Status.RELEASED) {
                // What is done for a meal is released by whoever did it.
                return true;
            }
            String last = r.pack().steps().getLast().id();
            List<ReleaseSite> plan = r.progress().state().plan();
            boolean fails =
                    r.round().getProcedureId().equals("qk-fl1-daily") && days % NOZZLE_EVERY == 0;
            ReleaseSite swab =
                    plan == null
                            ? null
                            : plan.stream()
                                    .filter(s -> s.kind() == ReleaseSite.Kind.SWAB)
                                    .reduce((a, b) -> b)
                                    .orElse(null);
            if (fails && swab != null && failed.add(w.round()) && sentBack(w, last, swab)) {
                return true;
            }
            for (ReleaseSite s : plan == null ? List.<ReleaseSite>of() : plan) {
                prove(w.round(), last, s, value(s));
            }
            released(w.round(), last);
            if (days == 9 && r.round().getProcedureId().equals("qk-fl1-daily")) {
                correct(w.round(), last);
            }
            return true;
        }

        /** The nozzle that does not come clean: swabbed, sent back, cleaned and looked at again. */
        private boolean sentBack(Waiting w, String last, ReleaseSite swab) {
            double limit = swab.failAbove() == null ? 100 : swab.failAbove();
            prove(w.round(), last, swab, Math.round(limit * (1.3 + random.nextDouble())));
            String item = partWith(swab.id(), w);
            try {
                rounds.enter(
                        w.round(),
                        new Entry.SentBack(last, item, "swab of nozzle 7 above the limit"),
                        "desk",
                        quality,
                        at);
            } catch (Objection | Said e) {
                return false;
            }
            at += 3 * MINUTE;
            round = w.round();
            cleaner =
                    new Cleaner(
                            rounds.as(w.round()).pack(),
                            new Actor(
                                    person.name(), accounts.personOf(person), person.role(), true),
                            String.valueOf(10 + person.id()));
            stepBegan = at;
            return true;
        }

        private String partWith(String surface, Waiting w) {
            String procedure = rounds.as(w.round()).round().getProcedureId();
            return procedures.approvedVersion(procedure).sheet().parts().stream()
                    .filter(p -> p.surfaces().stream().anyMatch(f -> f.id().equals(surface)))
                    .map(p -> p.id())
                    .findFirst()
                    .orElse(surface);
        }

        private double value(ReleaseSite s) {
            if (s.kind() == ReleaseSite.Kind.SWAB) {
                double limit = s.most() == null ? 3 * CLEAN : s.most();
                return Math.round(Math.min(limit * 0.8, CLEAN * (0.5 + random.nextDouble())));
            }
            double low = s.least() == null ? 0 : s.least();
            double high = s.most() == null ? low : s.most();
            return Math.round((low + high) * 5) / 10.0;
        }

        private void prove(String id, String last, ReleaseSite s, double value) {
            boolean look = s.kind() == ReleaseSite.Kind.LOOK;
            boolean good = look || s.judge(value) == ReleaseSite.Found.PASSED;
            at += (20 + random.nextInt(50)) * SECOND;
            clock.standAt(Instant.ofEpochMilli(at));
            rounds.enter(
                    id,
                    new Entry.Proof(
                            last, s.id(), look ? null : Double.valueOf(value), s.unit(), good),
                    "desk",
                    quality,
                    at);
        }

        private void released(String id, String last) {
            at += MINUTE;
            clock.standAt(Instant.ofEpochMilli(at));
            rounds.enter(id, new Entry.Released(last, null, null), "desk", quality, at);
        }

        private void correct(String id, String last) {
            at += 5 * MINUTE;
            clock.standAt(Instant.ofEpochMilli(at));
            String entry = rounds.anEntryOf(id);
            rounds.enter(
                    id,
                    new Entry.Correction(
                            last,
                            entry,
                            "The reading was of the second bucket; the first was thrown away."),
                    "desk",
                    DemoNights.this.person("Ilse Varga"),
                    at);
        }
    }
}
