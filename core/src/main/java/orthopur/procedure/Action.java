package orthopur.procedure;

import java.time.Duration;
import java.util.List;
import java.util.Set;
import orthopur.Nullable;

/**
 * What a step does. {@code items} are ids of parts (meaning their exposed surfaces) or of surfaces;
 * {@code energies} are ids of energies. An absent value means that the step does not state it.
 */
public sealed interface Action {

    /** The trade's word for it. */
    default String verb() {
        return switch (this) {
            case Prepare a -> "Prepare";
            case Operate a -> a.mode().verb();
            case Isolate a -> "Isolate";
            case Lock a -> "Lock";
            case Relieve a -> "Relieve";
            case Prove a -> "Prove";
            case CoolDown a -> "Cool down";
            case Remove a -> "Remove";
            case Shift a -> "Move aside";
            case Return a -> "Move back";
            case WashHands a -> "Wash hands";
            case DryClean a -> "Dry-clean";
            case Rinse a -> "Rinse";
            case Wash a -> "Wash";
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
            default -> false;
        };
    }

    /** Parts or surfaces that the step names. */
    default List<String> items() {
        return List.of();
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
        EXPEL("Expel");

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
        HOSE
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

    /** Put on the personal lock and tag. */
    record Lock(List<String> energies) implements Action {}

    /** Let off or block what is stored. */
    record Relieve(List<String> energies) implements Action {}

    /** Try the start, look at the gauge: show that it is harmless. */
    record Prove(List<String> energies) implements Action {}

    /** Wait until a measured temperature below the touch limit. */
    record CoolDown(List<String> energies) implements Action {}

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
            implements Action {}

    /** Wash with a detergent. */
    record Wash(List<String> items, Solution solution, @Nullable Method method) implements Action {}

    /** Leave in a solution; runs on unattended until collected. */
    record Soak(
            List<String> items, Solution solution, @Nullable String place, @Nullable Duration dwell)
            implements Action {}

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
    record Install(List<String> items, @Nullable Integer count) implements Action {}

    /** A check of the sheet after assembly. */
    record Measure(List<String> checks) implements Action {}

    /** Tools out, people clear, guards on and checked. */
    record Clear(boolean toolsOut, boolean peopleClear, boolean guardsOn) implements Action {}

    /** Each person takes off their own lock. */
    record Unlock(List<String> energies) implements Action {}

    /** Give the energies back for production. */
    record Restore(List<String> energies) implements Action {}

    /** Run it empty and watch. */
    record FunctionTest() implements Action {}

    /** Wait for somebody else's yes. */
    record HoldPoint(@Nullable String who) implements Action {}

    /** Write it down and sign. */
    record Record() implements Action {}
}
