package orthopur.roundpack;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthopur.Nullable;
import orthopur.mixing.Interval;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.quantity.Temperature;
import orthopur.roundpack.RoundPack.CheckPlan;
import orthopur.roundpack.RoundPack.Instrument;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.roundpack.RoundPack.Piece;
import orthopur.roundpack.RoundPack.Tally;

/**
 * How far a round is: the fold of its entries. An entry that does not fit is refused with a plain
 * sentence and changes nothing. Times are epoch seconds and come with the entry; there is no clock.
 */
public final class Progress {
    private final RoundPack pack;
    private final Map<String, Long> done = new LinkedHashMap<>();
    private final Set<String> off = new LinkedHashSet<>();
    private final Map<String, Long> timers = new LinkedHashMap<>();
    private final Map<String, ReadingState> readings = new HashMap<>();
    private final Map<String, Map<String, Boolean>> checks = new HashMap<>();
    private final Set<String> deviated = new HashSet<>();
    private boolean closed;

    public Progress(RoundPack pack) {
        this.pack = pack;
    }

    /**
     * The last reading of a step.
     *
     * @param corrected whether something was done since a reading that was not in
     */
    public record ReadingState(
            double strength,
            double temperature,
            ReadingJudge.Outcome outcome,
            String advice,
            boolean corrected) {}

    /** An entry that was not accepted, and why. */
    public static final class Refused extends IllegalArgumentException {
        private static final long serialVersionUID = 1L;

        Refused(String message) {
            super(message);
        }
    }

    /**
     * Takes an entry in.
     *
     * @param at epoch seconds
     * @throws Refused when it does not fit; nothing has changed then
     * @throws OutOfRange for a figure outside its domain
     */
    public void accept(Entry entry, long at) {
        if (closed) {
            throw new Refused("This round is closed; nothing more can be entered.");
        }
        PackStep step = step(entry.step());
        PackStep current = current();
        boolean closing = entry instanceof Entry.RoundClosed;
        if (!closing && current != null && !current.id().equals(step.id())) {
            throw new Refused(
                    done.containsKey(step.id())
                            ? "Step " + step.number() + " is already done."
                            : "Step " + current.number() + " comes first.");
        }
        switch (entry) {
            case Entry.PieceMoved e -> piece(step, e);
            case Entry.TimerStarted e -> {
                if (step.timer() == null) {
                    throw new Refused("Step " + step.number() + " has no timer.");
                }
                // Starting twice (a double tap, a resend) must not shorten or lengthen the time.
                timers.putIfAbsent(step.id(), at);
            }
            case Entry.ReadingTaken e -> reading(step, e);
            case Entry.CorrectiveAction e -> corrective(step, e);
            case Entry.CheckMade e -> check(step, e);
            case Entry.Deviation e -> {
                if (e.reason().isBlank()) {
                    throw new Refused("A deviation needs its reason.");
                }
                deviated.add(step.id());
            }
            case Entry.StepDone e -> finish(step, at);
            case Entry.RoundClosed e -> close();
        }
    }

    private void piece(PackStep step, Entry.PieceMoved e) {
        List<Piece> movable = new ArrayList<>(step.off());
        movable.addAll(step.on());
        if (movable.stream().noneMatch(p -> p.key().equals(e.piece()))) {
            throw new Refused(noSuchPiece(step, e.piece()));
        }
        if (e.off()) {
            off.add(e.piece());
        } else {
            off.remove(e.piece());
        }
    }

    private String noSuchPiece(PackStep step, String key) {
        String part = key.contains("#") ? key.substring(0, key.indexOf('#')) : key;
        for (Tally t : pack.parts()) {
            if (t.part().equals(part)) {
                return "Step %d has no piece %s: there %s %d of %s in all."
                        .formatted(
                                step.number(),
                                key,
                                t.count() == 1 ? "is" : "are",
                                t.count(),
                                t.name());
            }
        }
        return "There is no piece " + key + " in this round.";
    }

    private void reading(PackStep step, Entry.ReadingTaken e) {
        if (step.reading() == null) {
            throw new Refused("Step " + step.number() + " takes no reading.");
        }
        Instrument instrument =
                pack.instruments().stream()
                        .filter(i -> i.id().equals(e.instrument()))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        new Refused(
                                                "There is no instrument " + e.instrument() + "."));
        double celsius = Temperature.ofCelsius(e.temperature()).celsius();
        if (celsius < -10 || celsius > 110) {
            throw new OutOfRange(
                    "temperature", Show.number(celsius) + " °C", "-10 to 110 °C for a solution");
        }
        Interval strength = ReadingJudge.strength(instrument, e.strength());
        double t = instrument.temperatureTolerance();
        Interval temperature = new Interval(celsius - t, celsius + t);
        ReadingJudge.Outcome outcome =
                ReadingJudge.judge(step.reading().bands(), strength, temperature);
        ReadingState before = readings.get(step.id());
        if (before != null && before.outcome() != ReadingJudge.Outcome.IN && !before.corrected()) {
            throw new Refused(
                    "The last reading was not in. Say first what was done about it, then read again.");
        }
        readings.put(
                step.id(),
                new ReadingState(
                        e.strength(),
                        celsius,
                        outcome,
                        ReadingAdvice.of(step.reading(), outcome, strength, temperature),
                        false));
        // Contact with a solution that was not in does not count.
        timers.remove(step.id());
    }

    private void corrective(PackStep step, Entry.CorrectiveAction e) {
        ReadingState last = readings.get(step.id());
        if (last == null || last.outcome() == ReadingJudge.Outcome.IN) {
            throw new Refused("There is no reading at step " + step.number() + " to correct.");
        }
        if (e.text().isBlank()) {
            throw new Refused("A corrective action says what was done.");
        }
        readings.put(
                step.id(),
                new ReadingState(
                        last.strength(), last.temperature(), last.outcome(), last.advice(), true));
    }

    private void check(PackStep step, Entry.CheckMade e) {
        CheckPlan plan =
                step.checks().stream()
                        .filter(c -> c.id().equals(e.check()))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        new Refused(
                                                "Step "
                                                        + step.number()
                                                        + " has no check "
                                                        + e.check()
                                                        + "."));
        Double value = e.value();
        if (plan.ranged() && (value == null || !Double.isFinite(value))) {
            throw new Refused(
                    "The check \"" + plan.name() + "\" needs its value in " + plan.unit() + ".");
        }
        checks.computeIfAbsent(step.id(), k -> new HashMap<>()).put(plan.id(), plan.in(value));
    }

    private void finish(PackStep step, long at) {
        List<Piece> left = new ArrayList<>();
        step.off().stream().filter(p -> !off.contains(p.key())).forEach(left::add);
        step.on().stream().filter(p -> off.contains(p.key())).forEach(left::add);
        boolean excused = deviated.contains(step.id());
        if (!left.isEmpty() && !excused) {
            throw new Refused(
                    "Not yet tapped: "
                            + String.join(", ", left.stream().map(Piece::name).toList())
                            + ".");
        }
        if (step.waitsFor() != null && !excused) {
            long rest = remaining(step.waitsFor(), at);
            if (rest > 0) {
                throw new Refused("The soak needs another " + clock(rest) + ".");
            }
        }
        if (step.reading() != null) {
            ReadingState last = readings.get(step.id());
            if (last == null) {
                throw new Refused("Read strength and temperature first.");
            }
            if (last.outcome() != ReadingJudge.Outcome.IN) {
                throw new Refused(
                        "The last reading is not in. Correct it, say what was done, and read again.");
            }
        }
        if (step.timer() != null && step.timer().contact() && !excused) {
            if (!timers.containsKey(step.id())) {
                throw new Refused("Start the wet contact when the last surface is wet.");
            }
            long rest = remaining(step.id(), at);
            if (rest > 0) {
                throw new Refused("Keep it wet for another " + clock(rest) + ".");
            }
        }
        Map<String, Boolean> made = checks.getOrDefault(step.id(), Map.of());
        for (CheckPlan c : step.checks()) {
            if (!Boolean.TRUE.equals(made.get(c.id()))) {
                throw new Refused(
                        made.containsKey(c.id())
                                ? "\""
                                        + c.name()
                                        + "\" is outside its range; set it and check again."
                                : "Not yet checked: " + c.name() + ".");
            }
        }
        if (step.timer() != null && !step.timer().contact()) {
            timers.putIfAbsent(step.id(), at);
        }
        done.put(step.id(), at);
    }

    private void close() {
        if (!off.isEmpty()) {
            throw new Refused("Still off the machine: " + String.join(", ", offNames()) + ".");
        }
        PackStep open = current();
        if (open != null) {
            throw new Refused("Step " + open.number() + " is not done yet.");
        }
        closed = true;
    }

    private List<String> offNames() {
        List<String> names = new ArrayList<>();
        for (PackStep s : pack.steps()) {
            for (Piece p : s.off()) {
                if (off.contains(p.key()) && !names.contains(p.name())) {
                    names.add(p.name());
                }
            }
        }
        return names;
    }

    private PackStep step(String id) {
        return pack.steps().stream()
                .filter(s -> s.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new Refused("This round has no step \"" + id + "\"."));
    }

    private long remaining(String stepId, long at) {
        RoundPack.Timer timer = step(stepId).timer();
        Long started = timers.get(stepId);
        if (timer == null) {
            return 0;
        }
        return started == null ? timer.seconds() : Math.max(0, started + timer.seconds() - at);
    }

    private static String clock(long seconds) {
        return "%d:%02d".formatted(seconds / 60, seconds % 60);
    }

    /** The first step that is not done, or null once all are. */
    public @Nullable PackStep current() {
        return pack.steps().stream()
                .filter(s -> !done.containsKey(s.id()))
                .findFirst()
                .orElse(null);
    }

    public boolean closed() {
        return closed;
    }

    public Set<String> done() {
        return Set.copyOf(done.keySet());
    }

    /** Keys of the pieces that are off now. */
    public List<String> off() {
        return List.copyOf(off);
    }

    /** When each timer was started, in epoch seconds, by step. */
    public Map<String, Long> timers() {
        return Map.copyOf(timers);
    }

    /** The last reading of each step. */
    public Map<String, ReadingState> readings() {
        return Map.copyOf(readings);
    }

    /** Which checks were made at a step, and whether they were in range. */
    public Map<String, Boolean> checks(String stepId) {
        return Map.copyOf(checks.getOrDefault(stepId, Map.of()));
    }
}
