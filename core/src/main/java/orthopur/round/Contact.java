package orthopur.round;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import orthopur.instrument.Instrument;
import orthopur.mixing.Interval;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.quantity.Temperature;
import orthopur.round.Refused.Why;
import orthopur.round.State.ReadingState;
import orthopur.roundpack.ReadingAdvice;
import orthopur.roundpack.ReadingJudge;
import orthopur.roundpack.ReadingJudge.Outcome;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.roundpack.RoundPack.ReadingPlan;
import orthopur.text.Text;

/**
 * Solutions: what was read, and how long something has been in them. Times in epoch milliseconds.
 */
final class Contact {
    private final RoundPack pack;
    private final Course course;
    private final Map<String, Long> timers;
    private final Map<String, ReadingState> readings;
    private final Map<String, String> solutions;

    Contact(RoundPack pack, Course course, State s) {
        this.pack = pack;
        this.course = course;
        this.timers = new TreeMap<>(s.timers());
        this.readings = new TreeMap<>(s.readings());
        this.solutions = new TreeMap<>(s.solutions());
    }

    Map<String, Long> timers() {
        return new TreeMap<>(timers);
    }

    Map<String, ReadingState> readings() {
        return new TreeMap<>(readings);
    }

    Map<String, String> solutions() {
        return new TreeMap<>(solutions);
    }

    /** The bucket that is used is of the product that the step asks for, and not too old. */
    void used(PackStep step, Entry.SolutionUsed e, long at) {
        if (step.mix() == null) {
            throw new Refused(Why.NO_MIX, step.number());
        }
        if (!step.mix().product().equals(e.chemical())) {
            throw new Refused(
                    Why.OTHER_PRODUCT,
                    e.label(),
                    e.chemical(),
                    step.number(),
                    step.mix().product());
        }
        if (e.until() != null && at > e.until()) {
            throw new Refused(Why.TOO_OLD, e.label());
        }
        if (e.label().isBlank()) {
            throw new OutOfRange(
                    "label",
                    Text.of("out-of-range.nothing", "(nothing)"),
                    Text.of("out-of-range.what-stands-on-the-vessel", "what stands on the vessel"));
        }
        solutions.put(step.id(), e.label());
    }

    void start(PackStep step, long at) {
        if (step.timer() == null) {
            throw new Refused(Why.NO_TIMER, step.number());
        }
        // Starting twice (a double tap, a resend) must not shorten or lengthen the time.
        timers.putIfAbsent(step.id(), notBeforeTheReading(step, at));
    }

    /** Contact with a solution counts from its reading on, whatever a tablet's clock says. */
    private long notBeforeTheReading(PackStep step, long at) {
        ReadingState read = pack.format() >= 1 ? readings.get(step.id()) : null;
        return read == null ? at : Math.max(at, read.at());
    }

    void broken(PackStep step) {
        if (step.timer() == null || !step.timer().contact()) {
            throw new Refused(Why.NO_TIMER, step.number());
        }
        timers.remove(step.id());
    }

    void reading(PackStep step, Entry.ReadingTaken e, long at) {
        ReadingPlan plan = step.reading();
        if (plan == null) {
            throw new Refused(Why.NO_READING, step.number());
        }
        Instrument instrument =
                pack.instruments().stream()
                        .filter(i -> i.id().equals(e.instrument()) && plan.takes(i.id()))
                        .findFirst()
                        .orElseThrow(() -> new Refused(Why.NO_INSTRUMENT, e.instrument()));
        double celsius = Temperature.ofCelsius(e.temperature()).celsius();
        if (celsius < -10 || celsius > 110) {
            throw new OutOfRange(
                    "temperature",
                    Show.number(celsius) + " °C",
                    Text.of("out-of-range.to-c-for-a-solution", "-10 to 110 °C for a solution"));
        }
        if (pack.format() < 1) {
            ReadingJudge.mark(instrument, e.strength());
        }
        Interval strength = ReadingJudge.strength(instrument, e.strength());
        double t = instrument.temperatureTolerance();
        Interval temperature = new Interval(celsius - t, celsius + t);
        Outcome outcome = ReadingJudge.judge(plan.bands(), strength, temperature);
        ReadingState before = readings.get(step.id());
        if (before != null && before.outcome() != Outcome.IN && !before.corrected()) {
            throw new Refused(Why.SAY_FIRST);
        }
        Text advice = ReadingAdvice.of(plan, outcome, strength, temperature);
        readings.put(
                step.id(), new ReadingState(e.strength(), celsius, outcome, advice, false, at));
        // Contact with a solution that was not in does not count.
        timers.remove(step.id());
    }

    void corrective(PackStep step, Entry.CorrectiveAction e) {
        ReadingState last = readings.get(step.id());
        if (last == null || last.outcome() == Outcome.IN) {
            throw new Refused(Why.NOTHING_TO_CORRECT, step.number());
        }
        if (e.text().isBlank()) {
            throw new Refused(Why.SAY_WHAT);
        }
        readings.put(
                step.id(),
                new ReadingState(
                        last.strength(),
                        last.temperature(),
                        last.outcome(),
                        last.advice(),
                        true,
                        last.at()));
    }

    /** What this step collects has soaked for long enough. */
    void soaked(PackStep step, long at) {
        long left = soaking(step, at);
        if (left > 0) {
            throw new Refused(Why.SOAKING, clock(left));
        }
    }

    /** Milliseconds until what this step collects has soaked for long enough. */
    long soaking(PackStep step, long at) {
        return step.waitsFor() == null ? 0 : remaining(step.waitsFor(), at);
    }

    /** Milliseconds of wet contact that are left; null while it has not begun. */
    @Nullable Long left(PackStep step, long at) {
        boolean wet =
                step.timer() != null && step.timer().contact() && timers.containsKey(step.id());
        return wet ? Long.valueOf(remaining(step.id(), at)) : null;
    }

    boolean isIn(PackStep step) {
        ReadingState last = readings.get(step.id());
        return step.reading() == null || (last != null && last.outcome() == Outcome.IN);
    }

    /** The solution of this step was read and is in. */
    void readIn(PackStep step) {
        if (step.reading() == null) {
            return;
        }
        ReadingState last = readings.get(step.id());
        if (last == null) {
            throw new Refused(Why.READ_FIRST);
        }
        if (last.outcome() != Outcome.IN) {
            throw new Refused(Why.NOT_IN);
        }
    }

    /** The wet contact of this step lasted. */
    void lasted(PackStep step, long at) {
        if (step.timer() == null || !step.timer().contact()) {
            return;
        }
        if (!timers.containsKey(step.id())) {
            throw new Refused(Why.START_CONTACT);
        }
        if (remaining(step.id(), at) > 0) {
            throw new Refused(Why.KEEP_WET, clock(remaining(step.id(), at)));
        }
    }

    /** What runs on once a step is done starts with its end. */
    void runsOn(PackStep step, long at) {
        if (step.timer() != null && !step.timer().contact()) {
            timers.putIfAbsent(step.id(), at);
        }
    }

    void forget(List<String> steps) {
        steps.forEach(timers::remove);
        steps.forEach(readings::remove);
        steps.forEach(solutions::remove);
    }

    private long remaining(String stepId, long at) {
        RoundPack.Timer timer = course.step(stepId).timer();
        Long started = timers.get(stepId);
        if (timer == null) {
            return 0;
        }
        long lasts = timer.seconds() * 1000;
        return started == null ? lasts : Math.max(0, started + lasts - at);
    }

    /** Minutes and seconds, the last one begun. */
    private static String clock(long millis) {
        long seconds = (millis + 999) / 1000;
        long rest = seconds % 60;
        return seconds / 60 + (rest < 10 ? ":0" : ":") + rest;
    }
}
