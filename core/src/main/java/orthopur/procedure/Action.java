package orthopur.procedure;

import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.quantity.Pressure;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;

/**
 * What a step does. {@code items} are ids of parts (meaning their exposed surfaces), of surfaces,
 * or of passages (meaning all that their liquid wets); {@code energies} are ids of energies. An
 * absent value means that the step does not state it.
 */
public sealed interface Action {

    /** What it is called in stored files; it never changes with the words shown. */
    default String name() {
        return getClass()
                .getSimpleName()
                .replaceAll("(?<=.)([A-Z])", "-$1")
                .toLowerCase(Locale.ROOT);
    }

    /** How it is called on the floor. */
    default String verb() {
        return switch (this) {
            case Prepare a -> "Prepare";
            case Operate a -> a.mode().verb();
            case Isolate a -> "Isolate";
            case Lock a -> "Lock";
            case Relieve a -> "Relieve";
            case Prove a -> "Prove";
            case CoolDown a -> "Cool down";
            case KeepProduct a -> "Keep product";
            case Mark a -> "Mark";
            case Index a -> "Index";
            case Fit a -> "Fit for cleaning";
            case Unfit a -> "Take off fitting";
            case Remove a -> "Remove";
            case Shift a -> "Move aside";
            case Return a -> "Move back";
            case WashHands a -> "Wash hands";
            case DryClean a -> "Dry-clean";
            case Rinse a -> "Rinse";
            case Wash a -> "Wash";
            case Circulate a -> "Circulate";
            case RunProgram a -> "Run program";
            case DrawOff a -> "Draw off";
            case Sharpen a -> "Sharpen";
            case Replace a -> "Replace";
            case Lubricate a -> "Lubricate";
            case Coat a -> "Coat";
            case Store a -> "Store";
            case ChaseOut a -> "Chase out";
            case Soak a -> "Soak";
            case Collect a -> "Collect";
            case Inspect a -> "Inspect";
            case Sanitize a -> "Sanitize";
            case Dry a -> "Dry";
            case Install a -> "Install";
            case Measure a -> "Check";
            case Clear a -> "Clear";
            case Unlock a -> "Unlock";
            case Restore a -> "Make live";
            case FunctionTest a -> "Test run";
            case HoldPoint a -> "Hold";
            case Record a -> "Record";
        };
    }

    /** Whether hands or tools go to the machine's parts during it. */
    default boolean handsIn() {
        return switch (this) {
            case Remove a -> true;
            case Shift a -> true;
            case Return a -> true;
            case DryClean a -> true;
            case Rinse a -> true;
            case Wash a -> true;
            case Soak a -> true;
            case Collect a -> true;
            case Inspect a -> true;
            case Sanitize a -> true;
            case Dry a -> true;
            case Install a -> true;
            case Measure a -> true;
            case Replace a -> true;
            case Lubricate a -> true;
            case Coat a -> true;
            case Sharpen a -> !a.powered();
            case Index a -> !a.powered();
            default -> false;
        };
    }

    /** Parts or surfaces that the step names. */
    default List<String> items() {
        return List.of();
    }

    /** The same with other items; itself where it names none. */
    default Action withItems(List<String> items) {
        return switch (this) {
            case Remove a -> new Remove(items, a.count(), a.destination());
            case Install a -> new Install(items, a.count(), a.pattern());
            case Shift a -> new Shift(items);
            case Return a -> new Return(items);
            case Mark a -> new Mark(items);
            case Index a -> new Index(items, a.times(), a.powered());
            case DryClean a -> new DryClean(items);
            case Wash a -> new Wash(items, a.solution(), a.method(), a.tool(), a.direction());
            case Soak a -> new Soak(items, a.solution(), a.dwell());
            case Collect a -> new Collect(items);
            case Rinse a -> new Rinse(items, a.water(), a.method(), a.endPoint());
            case Inspect a -> new Inspect(items);
            case Sanitize a ->
                    new Sanitize(items, a.solution(), a.method(), a.contact(), a.readings());
            case Dry a -> new Dry(items, a.method(), a.time());
            case Circulate a ->
                    new Circulate(
                            items,
                            a.solution(),
                            a.dwell(),
                            a.velocity(),
                            a.flow(),
                            a.readings(),
                            a.purged());
            case Lubricate a -> new Lubricate(items, a.chemical());
            default -> this;
        };
    }

    /** The liquid that the step uses, if it uses one. */
    default @Nullable Solution solution() {
        return null;
    }

    /** The product that the step uses, if it names one. */
    default @Nullable String chemical() {
        Solution liquid = solution();
        return liquid == null ? null : liquid.chemical();
    }

    /** Cleaning fittings that the step names. */
    default List<String> fittings() {
        return List.of();
    }

    /** Whether the machine moves under power during it. */
    default boolean runs() {
        return switch (this) {
            case Operate a -> a.mode() == Mode.RUN || a.mode() == Mode.CLEAN_MODE;
            case Index a -> a.powered();
            // A washer of the site has nothing to do with the machine that is cleaned.
            case RunProgram a -> a.program() != null;
            default -> false;
        };
    }

    /** Energies that the step names. */
    default List<String> energies() {
        return List.of();
    }

    /** What a machine control is used for. */
    enum Mode {
        STOP("Stop"),
        SAFE_POSITION("Set safe"),
        DRAIN("Drain"),
        EXPEL("Expel"),
        RUN("Run closed"),
        CLEAN_MODE("Run in clean mode");

        private final String verb;

        Mode(String verb) {
            this.verb = verb;
        }

        String verb() {
            return verb;
        }
    }

    /** How a wet step is brought on. */
    enum Method {
        CLOTH,
        BRUSH,
        SPRAY,
        IMMERSE,
        FLOOD,
        HOSE,
        PRESSURE,
        WASHER
    }

    /** How a surface is dried. */
    enum Drying {
        AIR,
        FAN,
        HEAT,
        TOWEL
    }

    /** How the end of a rinse is known. */
    enum EndPoint {
        CLEAR,
        NO_SUDS,
        TAP_PH,
        VOLUMES,
        MINUTES
    }

    /** Readings that a step plans. */
    enum Reading {
        STRENGTH,
        TEMPERATURE,
        PH
    }

    /** Fetch protective equipment, tools, chemicals, vessels. */
    record Prepare(List<String> things) implements Action {}

    /** Use the machine's own controls; hands stay out. */
    record Operate(Mode mode, List<String> energies, List<String> items) implements Action {}

    /** Unplug, or open the disconnect or valve. */
    record Isolate(List<String> energies) implements Action {}

    /**
     * Put on the personal lock and tag.
     *
     * @param locks how many personal locks; null where it is not stated
     * @param secondMeasure what holds a point that only takes a tag: removed handle, blocked valve
     */
    record Lock(List<String> energies, @Nullable Integer locks, @Nullable String secondMeasure)
            implements Action {
        public Lock(List<String> energies) {
            this(energies, null, null);
        }
    }

    /** Let off or block what is stored. */
    record Relieve(List<String> energies) implements Action {}

    /** Try the start, look at the gauge: show that it is harmless. */
    record Prove(List<String> energies) implements Action {}

    /**
     * Wait until it may be touched.
     *
     * @param below the temperature that is measured before anybody touches it
     * @param standing how long it stands before that
     */
    record CoolDown(List<String> energies, @Nullable Temperature below, @Nullable Duration standing)
            implements Action {
        public CoolDown(List<String> energies) {
            this(energies, null, null);
        }
    }

    /** Put product that may be kept into a clean covered container, labelled, in the cold. */
    record KeepProduct(@Nullable String destination) implements Action {}

    /** Mark or photograph where a part belongs. */
    record Mark(List<String> items) implements Action {}

    /**
     * Bring the machine from position to position.
     *
     * @param times how many positions are visited; null for one
     * @param powered by hold-to-run from outside the danger zone, else by hand under lock
     */
    record Index(List<String> items, @Nullable Integer times, boolean powered) implements Action {}

    /** Put on what is there only for cleaning. */
    record Fit(List<String> fittings) implements Action {}

    /** Take it off again. */
    record Unfit(List<String> fittings) implements Action {}

    /** Take parts off; {@code count} only where fewer than all come off. */
    record Remove(List<String> items, @Nullable Integer count, @Nullable String destination)
            implements Action {}

    /** Fold, tilt, raise or slide aside. */
    record Shift(List<String> items) implements Action {}

    /** Bring back what was moved aside. */
    record Return(List<String> items) implements Action {}

    /** Wash hands and put on fresh gloves. */
    record WashHands() implements Action {}

    /** Scrape, brush, vacuum, wipe without water. */
    record DryClean(List<String> items) implements Action {}

    /** Rinse with drinking water until the end point. */
    record Rinse(
            List<String> items,
            Solution water,
            @Nullable Method method,
            @Nullable EndPoint endPoint)
            implements Action {
        @Override
        public Solution solution() {
            return water;
        }
    }

    /** Wash with a detergent. */
    record Wash(
            List<String> items,
            Solution solution,
            @Nullable Method method,
            @Nullable String tool,
            @Nullable String direction)
            implements Action {
        public Wash(List<String> items, Solution solution, @Nullable Method method) {
            this(items, solution, method, null, null);
        }
    }

    /** Leave in a solution; runs on unattended until collected. */
    record Soak(List<String> items, Solution solution, @Nullable Duration dwell)
            implements Action {}

    /**
     * Pump through passages; runs on unattended until it is drawn off.
     *
     * @param velocity in m/s
     * @param flow which way
     * @param readings of what returns
     * @param purged side chambers that are opened to the flow
     */
    record Circulate(
            List<String> items,
            Solution solution,
            @Nullable Duration dwell,
            @Nullable Double velocity,
            @Nullable Flow flow,
            Set<Reading> readings,
            List<String> purged)
            implements Action {
        public Circulate with(Set<Reading> others, List<String> chambers) {
            return new Circulate(items, solution, dwell, velocity, flow, others, chambers);
        }
    }

    /**
     * Run a program of the machine, or wash loose parts in a washer of the site.
     *
     * @param program of the machine's sheet; null for a washer of the site
     * @param items parts that lie in the washer
     * @param solution what washes, with the tank's temperature and the washer as its vessel
     * @param lasting how long it runs
     * @param finalRinse temperature of its last rinse
     * @param pressure flow pressure of its last rinse
     * @param complete what was seen to be in place in the washer
     */
    record RunProgram(
            @Nullable String program,
            List<String> items,
            Solution solution,
            @Nullable Duration lasting,
            @Nullable Temperature finalRinse,
            @Nullable Pressure pressure,
            List<String> complete,
            Set<Reading> readings)
            implements Action {
        public RunProgram withLasting(Duration longer) {
            return new RunProgram(
                    program, items, solution, longer, finalRinse, pressure, complete, readings);
        }

        public RunProgram withComplete(List<String> seen) {
            return new RunProgram(
                    program, items, solution, lasting, finalRinse, pressure, seen, readings);
        }

        /** With its temperature read. */
        public RunProgram reading() {
            Set<Reading> more = new java.util.TreeSet<>(readings);
            more.add(Reading.TEMPERATURE);
            return new RunProgram(
                    program, items, solution, lasting, finalRinse, pressure, complete, more);
        }
    }

    /**
     * Empty sinks, buckets, baths or passages.
     *
     * @param washedOut whether the vessel is washed out afterwards
     */
    record DrawOff(List<String> items, List<String> places, boolean washedOut) implements Action {}

    /** Take out of the soak once its time is up. */
    record Collect(List<String> items) implements Action {}

    /** Look and feel, with torch and mirror. */
    record Inspect(List<String> items) implements Action {}

    /** Sanitize; {@code contact} is how long the surface is to stay wet. */
    record Sanitize(
            List<String> items,
            Solution solution,
            @Nullable Method method,
            @Nullable Duration contact,
            Set<Reading> readings)
            implements Action {}

    /** Dry; {@code time} runs on unattended. */
    record Dry(List<String> items, @Nullable Drying method, @Nullable Duration time)
            implements Action {}

    /** Put parts back; {@code count} only where fewer than all go on. */
    record Install(List<String> items, @Nullable Integer count, @Nullable String pattern)
            implements Action {
        public Install(List<String> items, @Nullable Integer count) {
            this(items, count, null);
        }
    }

    /** Put away clean parts. */
    record Store(List<String> items, @Nullable String destination) implements Action {}

    /** Grind and hone; leaves metal. {@code powered} with hands out of reach. */
    record Sharpen(List<String> items, boolean powered) implements Action {}

    /** Put a new wear part in place of the old. */
    record Replace(List<String> items) implements Action {}

    /** Grease or oil the points of parts. */
    record Lubricate(List<String> items, @Nullable String chemical) implements Action {}

    /** Leave a film on purpose. */
    record Coat(List<String> items, @Nullable String chemical) implements Action {}

    /** Throw away the first product, which pushes the sanitizer out. */
    record ChaseOut(List<String> items, @Nullable Volume volume, @Nullable String product)
            implements Action {}

    /** A check of the sheet after assembly. */
    record Measure(List<String> checks) implements Action {}

    /** Tools out, people clear, guards on and checked. */
    record Clear(boolean toolsOut, boolean peopleClear, boolean guardsOn) implements Action {}

    /** Which way a liquid is sent round. */
    enum Flow {
        FORWARD("with the product"),
        REVERSE("against the product"),
        /** The opposite of the last time, whichever that was. */
        ALTERNATE("the other way than the last time");

        private final String shown;

        Flow(String shown) {
            this.shown = shown;
        }

        public String shown() {
            return shown;
        }
    }

    /** Each person takes off their own lock. */
    record Unlock(List<String> energies) implements Action {}

    /** Give the energies back for production. */
    record Restore(List<String> energies) implements Action {}

    /** Run it empty and watch; {@code checks} of the sheet that are made while it runs. */
    record FunctionTest(List<String> checks) implements Action {
        public FunctionTest() {
            this(List.of());
        }
    }

    /** Wait for somebody else's yes. */
    record HoldPoint(@Nullable String who) implements Action {}

    /** Write it down and sign. */
    record Record() implements Action {}
}
