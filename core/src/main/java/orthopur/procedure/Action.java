package orthopur.procedure;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
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
        return nameOf(getClass());
    }

    /** The name of a kind of action. */
    static String nameOf(Class<?> action) {
        return action.getSimpleName().replaceAll("(?<=.)([A-Z])", "-$1").toLowerCase(Locale.ROOT);
    }

    /** How it is called on the floor. */
    default String verb() {
        return called().value();
    }

    /** Whether hands or tools go to the machine's parts during it. */
    default boolean handsIn() {
        return called().handsIn();
    }

    private Called called() {
        return Objects.requireNonNull(getClass().getAnnotation(Called.class));
    }

    /** Parts or surfaces that the step names. */
    default List<String> items() {
        return List.of();
    }

    /** The same with other items; itself where it names none. */
    default Action about(List<String> items) {
        return switch (this) {
            case Remove a -> new Remove(items, a.count(), a.destination());
            case Install a -> new Install(items, a.count(), a.pattern());
            case Shift a -> new Shift(items);
            case Return a -> new Return(items);
            case Mark a -> new Mark(items);
            case Index a -> new Index(items, a.times(), a.powered());
            case DryClean a -> new DryClean(items, a.sweep(), a.air());
            case Wash a ->
                    new Wash(items, a.solution(), a.method(), a.tool(), a.direction(), a.dwell());
            case Soak a -> new Soak(items, a.solution(), a.dwell());
            case Collect a -> new Collect(items);
            case Rinse a ->
                    new Rinse(items, a.water(), a.method(), a.endPoint(), a.time(), a.times());
            case Inspect a -> new Inspect(items, a.allergenSwab());
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
                            a.purged(),
                            a.bled());
            case RunProgram a ->
                    new RunProgram(
                            a.program(),
                            items,
                            a.solution(),
                            a.lasting(),
                            a.finalRinse(),
                            a.pressure(),
                            a.complete(),
                            a.readings());
            case DrawOff a -> new DrawOff(items, a.places(), a.washedOut());
            case Store a -> new Store(items, a.destination());
            case Sharpen a -> new Sharpen(items, a.powered(), a.grinding(), a.honing(), a.turns());
            case Replace a -> new Replace(items, a.count());
            case Lubricate a -> new Lubricate(items, a.chemical(), a.drops(), a.workedIn());
            case Coat a -> new Coat(items, a.chemical(), a.touchDry());
            case ChaseOut a -> new ChaseOut(items, a.volume(), a.product());
            case Operate a -> new Operate(a.mode(), a.energies(), items);
            case Prepare _,
                    Isolate _,
                    Lock _,
                    Relieve _,
                    Prove _,
                    CoolDown _,
                    KeepProduct _,
                    Fit _,
                    Unfit _,
                    WashHands _,
                    Measure _,
                    Clear _,
                    Unlock _,
                    Restore _,
                    FunctionTest _,
                    HoldPoint _,
                    Record _ ->
                    this;
        };
    }

    /** Whether water is thrown with it, onto the machines beside as well. */
    default boolean sprays() {
        Method how =
                switch (this) {
                    case Wash a -> a.method();
                    case Rinse a -> a.method();
                    case Sanitize a -> a.method();
                    default -> null;
                };
        return how == Method.PRESSURE || how == Method.HOSE;
    }

    /**
     * How long everything waits once its work is done; null where nothing does. A soak and a drying
     * run on beside other work, so they are waited for where they end.
     */
    default @Nullable Duration waits() {
        return switch (this) {
            case Wash a -> a.dwell();
            case Rinse a -> a.time();
            case Sanitize a -> a.contact();
            case Circulate a -> a.dwell();
            case CoolDown a -> a.standing();
            case Restore a -> a.waited();
            case RunProgram a -> a.lasting();
            default -> null;
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

    /** Whether the machine moves under power during it: every motion is a run. */
    default boolean runs() {
        return switch (this) {
            case Operate a -> a.mode().runs();
            case Index a -> a.powered();
            case Sharpen a -> a.powered();
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
        STOP("Stop", "Switch off"),
        SAFE_POSITION("Set safe"),
        DRAIN("Drain"),
        EXPEL("Expel"),
        RUN("Run closed"),
        CLEAN_MODE("Run in clean mode");

        private final List<String> verbs;

        Mode(String... verbs) {
            this.verbs = List.of(verbs);
        }

        String verb() {
            return verbs.getFirst();
        }

        /** Whether the machine moves. */
        public boolean runs() {
            return this == RUN || this == CLEAN_MODE || this == EXPEL;
        }

        /** How it is said, the word that is written first. */
        public List<String> verbs() {
            return verbs;
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
        WASHER,
        FOAM
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
    @Called(value = "Prepare", also = "Fetch")
    record Prepare(@Stated(label = "what is fetched and worn") List<String> things)
            implements Action {}

    /** Use the machine's own controls; hands stay out. */
    @Called("Use the controls")
    record Operate(
            @Stated(label = "what the controls do", needed = true) Mode mode,
            @Stated.Energies List<String> energies,
            @Stated.Items List<String> items)
            implements Action {
        @Override
        public String verb() {
            return mode.verb();
        }
    }

    /** Unplug, or open the disconnect or valve. */
    @Called(value = "Isolate", also = "Unplug")
    record Isolate(@Stated.Energies List<String> energies) implements Action {}

    /**
     * Put on the personal lock and tag.
     *
     * @param locks how many personal locks; null where it is not stated
     * @param secondMeasure what holds a point that only takes a tag: removed handle, blocked valve
     * @param told whether the people who work with the machine are told before it is put on
     */
    @Called("Lock")
    record Lock(
            @Stated.Energies List<String> energies,
            @Stated(label = "personal locks", word = "locks", least = 0, most = 20)
                    @Nullable Integer locks,
            @Stated(
                            label = "second measure beside the tag",
                            word = "second",
                            example = "handle removed")
                    @Nullable String secondMeasure,
            @Stated(label = "people at the machine are told first", word = "everyone told")
                    boolean told)
            implements Action {
        public Lock(List<String> energies) {
            this(energies, null, null, false);
        }

        public Lock(
                List<String> energies, @Nullable Integer locks, @Nullable String secondMeasure) {
            this(energies, locks, secondMeasure, false);
        }
    }

    /** Release or block what is stored. */
    @Called(
            value = "Release energy",
            also = {"Relieve", "Release stored energy", "Let off"})
    record Relieve(@Stated.Energies List<String> energies) implements Action {}

    /** Try the start, look at the gauge: show that it is harmless. */
    @Called(
            value = "Verify",
            also = {"Prove", "Try"})
    record Prove(@Stated.Energies List<String> energies) implements Action {}

    /**
     * Wait until it may be touched.
     *
     * @param below the temperature that is measured before anybody touches it
     * @param standing how long it stands before that
     */
    @Called("Cool down")
    record CoolDown(
            @Stated.Energies List<String> energies,
            @Stated(label = "measured, at most", word = "below", example = "45 °C")
                    @Nullable Temperature below,
            @Stated(label = "time standing since the stop", word = "standing", example = "60 min")
                    @Nullable Duration standing)
            implements Action {
        public CoolDown(List<String> energies) {
            this(energies, null, null);
        }
    }

    /** Put product that may be kept into a clean covered container, labelled, in the cold. */
    @Called("Keep product")
    record KeepProduct(
            @Stated.Destination @Nullable String destination,
            @Stated(label = "container", word = "in", example = "two clean lidded containers")
                    @Nullable String container,
            @Stated(label = "labeled with product, date and time", word = "labeled")
                    boolean labeled,
            @Stated(label = "cold at", word = "at", example = "4 °C") @Nullable Temperature cold,
            @Stated(label = "in the cold within", word = "within", example = "10 min")
                    @Nullable Duration within)
            implements Action {
        public KeepProduct(@Nullable String destination) {
            this(destination, null, false, null, null);
        }
    }

    /** Mark or photograph where a part belongs. */
    @Called(value = "Mark", handsIn = true)
    record Mark(@Stated.Items List<String> items) implements Action {}

    /**
     * Bring the machine from position to position.
     *
     * @param times how many positions are visited; null for one
     * @param powered by hold-to-run from outside the danger zone, else by hand under lock
     */
    @Called("Index")
    record Index(
            @Stated.Items List<String> items,
            @Stated(label = "positions visited", word = "times") @Nullable Integer times,
            @Stated.Powered boolean powered)
            implements Action {
        @Override
        public boolean handsIn() {
            return !powered;
        }
    }

    /** Put on what is there only for cleaning. */
    @Called(value = "Fit for cleaning", also = "Fit", handsIn = true)
    record Fit(@Stated.Fittings List<String> fittings) implements Action {}

    /** Take it off again. */
    @Called(value = "Take off fitting", also = "Unfit", handsIn = true)
    record Unfit(@Stated.Fittings List<String> fittings) implements Action {}

    /** Take parts off; {@code count} only where fewer than all come off. */
    @Called(value = "Remove", also = "Take off", handsIn = true)
    record Remove(
            @Stated.Items List<String> items,
            @Stated.Count @Nullable Integer count,
            @Stated.Destination @Nullable String destination)
            implements Action {}

    /** Fold, tilt, raise or slide aside. */
    @Called(value = "Move aside", also = "Shift", handsIn = true)
    record Shift(@Stated.Items List<String> items) implements Action {}

    /** Bring back what was moved aside. */
    @Called(value = "Move back", also = "Bring back", handsIn = true)
    record Return(@Stated.Items List<String> items) implements Action {}

    /** Wash hands and put on fresh gloves. */
    @Called("Wash hands")
    record WashHands() implements Action {}

    /** How loose soil is taken off. */
    enum Sweeping {
        SCRAPE,
        BRUSH,
        VACUUM,
        WIPE,
        /** Blown off with compressed air, which throws it into eyes and onto what is clean. */
        AIR
    }

    /**
     * Scrape, brush, vacuum, wipe without water.
     *
     * @param air pressure of compressed air at the nozzle, at most
     */
    @Called(value = "Dry-clean", also = "Scrape", handsIn = true)
    record DryClean(
            @Stated.Items List<String> items,
            @Stated(label = "how loose soil is taken off", word = "by", example = "brush")
                    @Nullable Sweeping sweep,
            @Stated(
                            label = "compressed air at the nozzle, at most",
                            word = "air at most",
                            example = "200 kPa")
                    @Nullable Pressure air)
            implements Action {
        public DryClean(List<String> items) {
            this(items, null, null);
        }
    }

    /**
     * Rinse with drinking water until the end point.
     *
     * @param time how long at least; with an end point, how long after it is reached
     * @param times how often, each with the volume of the water
     */
    @Called(value = "Rinse", handsIn = true)
    record Rinse(
            @Stated.Items List<String> items,
            @Stated.Liquid({"temperature", "volume"}) Solution water,
            @Stated.By @Nullable Method method,
            @Stated(label = "end of the rinse", word = "until") @Nullable EndPoint endPoint,
            @Stated.Lasting @Nullable Duration time,
            @Stated(label = "how many times", word = "times", most = 50) @Nullable Integer times)
            implements Action {
        public Rinse(
                List<String> items,
                Solution water,
                @Nullable Method method,
                @Nullable EndPoint endPoint) {
            this(items, water, method, endPoint, null, null);
        }

        @Override
        public Solution solution() {
            return water;
        }
    }

    /**
     * Wash with a detergent.
     *
     * @param dwell how long it stays on before it is rinsed
     */
    @Called(value = "Wash", handsIn = true)
    record Wash(
            @Stated.Items List<String> items,
            @Stated.Liquid Solution solution,
            @Stated.By @Nullable Method method,
            @Stated(label = "brush or cloth", word = "using", example = "white brush")
                    @Nullable String tool,
            @Stated(
                            label = "direction of wiping",
                            word = "wiping",
                            example = "from the center outward")
                    @Nullable String direction,
            @Stated.Lasting @Nullable Duration dwell)
            implements Action {
        public Wash(List<String> items, Solution solution, @Nullable Method method) {
            this(items, solution, method, null, null, null);
        }

        public Wash(
                List<String> items,
                Solution solution,
                @Nullable Method method,
                @Nullable String tool,
                @Nullable String direction) {
            this(items, solution, method, tool, direction, null);
        }
    }

    /** Leave in a solution; runs on unattended until collected. */
    @Called(value = "Soak", handsIn = true)
    record Soak(
            @Stated.Items List<String> items,
            @Stated.Liquid Solution solution,
            @Stated.Lasting @Nullable Duration dwell)
            implements Action {}

    /**
     * Pump through passages; runs on unattended until it is drawn off.
     *
     * @param velocity in m/s
     * @param flow which way
     * @param readings of what returns
     * @param purged side chambers that are opened to the flow
     */
    @Called("Circulate")
    @RecordBuilder
    record Circulate(
            @Stated.Items List<String> items,
            @Stated.Liquid Solution solution,
            @Stated.Lasting @Nullable Duration dwell,
            @Stated(label = "speed in the line", unit = "m/s", example = "1.5 m/s")
                    @Nullable Double velocity,
            @Stated(label = "which way it flows", word = "flowing") @Nullable Flow flow,
            @Stated.Readings Set<Reading> readings,
            @Stated(label = "side chambers opened to the flow", word = "purging")
                    List<String> purged,
            @Stated(
                            label = "vents open until a steady stream",
                            word = "bled",
                            doc = "No air is left in the passage.")
                    boolean bled)
            implements Action, ActionCirculateBuilder.With {
        public Circulate(
                List<String> items,
                Solution solution,
                @Nullable Duration dwell,
                @Nullable Double velocity,
                @Nullable Flow flow,
                Set<Reading> readings,
                List<String> purged) {
            this(items, solution, dwell, velocity, flow, readings, purged, false);
        }

        public Circulate with(Set<Reading> others, List<String> chambers) {
            return new Circulate(items, solution, dwell, velocity, flow, others, chambers, bled);
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
    @Called("Run program")
    @RecordBuilder
    record RunProgram(
            @Stated(label = "program of the machine", word = "program", of = Stated.Of.PROGRAM)
                    @Nullable String program,
            @Stated.Items List<String> items,
            @Stated.Liquid Solution solution,
            @Stated.Lasting @Nullable Duration lasting,
            @Stated(label = "temperature of the last rinse", word = "last rinse", example = "82 °C")
                    @Nullable Temperature finalRinse,
            @Stated(label = "pressure of the last rinse", example = "100 kPa")
                    @Nullable Pressure pressure,
            @Stated(label = "seen in place in the washer", word = "complete") List<String> complete,
            @Stated.Readings Set<Reading> readings)
            implements Action, ActionRunProgramBuilder.With {
        /** With its temperature read. */
        public RunProgram reading() {
            Set<Reading> more = new java.util.TreeSet<>(readings);
            more.add(Reading.TEMPERATURE);
            return withReadings(more);
        }
    }

    /**
     * Empty sinks, buckets, baths or passages.
     *
     * @param washedOut whether the vessel is washed out afterwards
     */
    @Called(
            value = "Drain out",
            also = {"Draw off", "Let out"})
    record DrawOff(
            @Stated.Items List<String> items,
            @Stated(label = "sinks, buckets, baths", word = "from") List<String> places,
            @Stated(label = "washed out and rinsed afterwards", word = "washed out")
                    boolean washedOut)
            implements Action {}

    /** Take out of the soak once its time is up. */
    @Called(value = "Collect", handsIn = true)
    record Collect(@Stated.Items List<String> items) implements Action {}

    /** Look and feel, with flashlight and mirror. */
    @Called(value = "Inspect", also = "Look at", handsIn = true)
    record Inspect(
            @Stated.Items List<String> items,
            @Stated(
                            label = "swabbed with a test for the allergen",
                            word = "allergen swab",
                            doc = "Sight and ATP say nothing about allergens.")
                    boolean allergenSwab)
            implements Action {
        public Inspect(List<String> items) {
            this(items, false);
        }
    }

    /** Sanitize; {@code contact} is how long the surface is to stay wet. */
    @Called(value = "Sanitize", also = "Disinfect", handsIn = true)
    record Sanitize(
            @Stated.Items List<String> items,
            @Stated.Liquid Solution solution,
            @Stated.By @Nullable Method method,
            @Stated(label = "contact time, wet", word = "wet", example = "60 s")
                    @Nullable Duration contact,
            @Stated.Readings Set<Reading> readings)
            implements Action {}

    /** Dry; {@code time} runs on unattended. */
    @Called(value = "Dry", handsIn = true)
    record Dry(
            @Stated.Items List<String> items,
            @Stated.By @Nullable Drying method,
            @Stated.Lasting @Nullable Duration time)
            implements Action {}

    /** Put parts back; {@code count} only where fewer than all go on. */
    @Called(value = "Install", also = "Put back", handsIn = true)
    record Install(
            @Stated.Items List<String> items,
            @Stated.Count @Nullable Integer count,
            @Stated(label = "how it is fastened", word = "fastened", example = "crosswise")
                    @Nullable String pattern)
            implements Action {
        public Install(List<String> items, @Nullable Integer count) {
            this(items, count, null);
        }
    }

    /** Put away clean parts. */
    @Called("Store")
    record Store(@Stated.Items List<String> items, @Stated.Destination @Nullable String destination)
            implements Action {}

    /** Grind and hone; leaves metal. {@code powered} with hands out of reach. */
    @Called(value = "Sharpen", handsIn = true)
    record Sharpen(
            @Stated.Items List<String> items,
            @Stated.Powered boolean powered,
            @Stated(label = "grinding time", word = "grinding", example = "5 s")
                    @Nullable Duration grinding,
            @Stated(label = "honing time", word = "honing", example = "2 s")
                    @Nullable Duration honing,
            @Stated(label = "turns of the blade", word = "turns") @Nullable Integer turns)
            implements Action {
        public Sharpen(List<String> items, boolean powered) {
            this(items, powered, null, null, null);
        }

        @Override
        public boolean handsIn() {
            return !powered;
        }
    }

    /** Put a new wear part in place of the old. */
    @Called(value = "Replace", handsIn = true)
    record Replace(@Stated.Items List<String> items, @Stated.Count @Nullable Integer count)
            implements Action {
        public Replace(List<String> items) {
            this(items, null);
        }
    }

    /** Grease or oil the points of parts. */
    @Called(value = "Lubricate", handsIn = true)
    record Lubricate(
            @Stated.Items List<String> items,
            @Stated.Product @Nullable String chemical,
            @Stated(label = "drops at each point", word = "drops", most = 200)
                    @Nullable Integer drops,
            @Stated(label = "worked in by moving the part", word = "worked in") boolean workedIn)
            implements Action {
        public Lubricate(List<String> items, @Nullable String chemical) {
            this(items, chemical, null, false);
        }
    }

    /** Leave a film on purpose. */
    @Called(value = "Coat", handsIn = true)
    record Coat(
            @Stated.Items List<String> items,
            @Stated.Product @Nullable String chemical,
            @Stated(label = "touch-dry after", word = "touch-dry after", example = "30 min")
                    @Nullable Duration touchDry)
            implements Action {
        public Coat(List<String> items, @Nullable String chemical) {
            this(items, chemical, null);
        }
    }

    /** Throw away the first product, which pushes the sanitizer out. */
    @Called(value = "Product flush", also = "Chase out")
    record ChaseOut(
            @Stated.Items List<String> items,
            @Stated(label = "amount discarded", example = "4 L") @Nullable Volume volume,
            @Stated(label = "which food or drink", word = "product") @Nullable String product)
            implements Action {}

    /** A check of the sheet after assembly. */
    @Called(value = "Check", also = "Measure", handsIn = true)
    record Measure(
            @Stated.Checks List<String> checks,
            @Stated(
                            label = "value to reach",
                            word = "value",
                            example = "65 kg",
                            doc = "One number with the unit of the check.")
                    @Nullable String value)
            implements Action {
        public Measure(List<String> checks) {
            this(checks, null);
        }
    }

    /** Tools out, people clear, guards on and checked. */
    @Called("Clear")
    record Clear(
            @Stated(label = "tools out", word = "tools out") boolean toolsOut,
            @Stated(label = "people clear", word = "people clear") boolean peopleClear,
            @Stated(label = "guards on and checked", word = "guards on") boolean guardsOn)
            implements Action {}

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
    @Called("Unlock")
    record Unlock(
            @Stated.Energies List<String> energies,
            @Stated(
                            label = "who takes the locks off",
                            name = "owner",
                            word = "by",
                            example = "each owner")
                    @Nullable String owner,
            @Stated(label = "people at the machine are told first", word = "everyone told")
                    boolean told)
            implements Action {
        public Unlock(List<String> energies) {
            this(energies, null, false);
        }

        public Unlock(List<String> energies, @Nullable String owner) {
            this(energies, owner, false);
        }
    }

    /** Give the energies back for production. */
    @Called(value = "Make live", also = "Switch on")
    record Restore(
            @Stated.Energies List<String> energies,
            @Stated(
                            label = "waited before the start",
                            name = "wait",
                            word = "after",
                            example = "5 min")
                    @Nullable Duration waited)
            implements Action {
        public Restore(List<String> energies) {
            this(energies, null);
        }
    }

    /** Run it empty and watch; {@code checks} of the sheet that are made while it runs. */
    @Called("Test run")
    record FunctionTest(@Stated.Checks List<String> checks) implements Action {
        public FunctionTest() {
            this(List.of());
        }
    }

    /** Wait for somebody else's yes. */
    @Called("Hold")
    record HoldPoint(
            @Stated(label = "who answers", word = "waiting for", example = "quality")
                    @Nullable String who)
            implements Action {}

    /** Write it down and sign. */
    @Called("Record")
    record Record() implements Action {}
}
