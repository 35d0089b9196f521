package orthopur.formats;

import java.time.Duration;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.procedure.Action;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;

/**
 * Writes a step as a document. The reverse of {@link StepReader}; a property test holds them
 * together.
 */
final class StepWriter {
    private @Nullable String mode;
    private @Nullable List<String> things;
    private @Nullable List<String> checks;
    private @Nullable Integer count;
    private @Nullable String destination;
    private @Nullable String chemical;
    private @Nullable Volume volume;
    private Action.@Nullable Lock lock;
    private @Nullable Temperature below;
    private @Nullable Duration standing;
    private @Nullable Integer times;
    private @Nullable Boolean powered;
    private @Nullable List<String> places;
    private @Nullable Boolean washedOut;
    private @Nullable String tool;
    private @Nullable String direction;
    private @Nullable Double velocity;
    private @Nullable Enum<?> flow;
    private @Nullable String pattern;
    private @Nullable String product;
    private @Nullable List<String> purged;
    private Action.@Nullable RunProgram program;
    private @Nullable Solution liquid;
    private @Nullable Enum<?> method;
    private @Nullable Enum<?> endPoint;
    private @Nullable Duration dwell;
    private @Nullable Duration contact;
    private @Nullable List<String> readings;
    private Action.@Nullable Clear clear;
    private @Nullable String who;

    private StepWriter() {}

    static StepDocument write(Step step) {
        return new StepWriter().document(step);
    }

    private StepDocument document(Step s) {
        String name = fill(s.action());
        Solution l = liquid == null ? new Solution(null, null, null, null, null) : liquid;
        return new StepDocument(
                s.id(),
                name,
                mode,
                some(s.action().items()),
                some(s.action().energies()),
                some(things),
                some(checks),
                count,
                destination,
                l.vessel(),
                l.chemical() == null ? chemical : l.chemical(),
                l.strength() == null ? null : Quantity.of(l.strength()),
                l.temperature() == null ? null : Quantity.of(l.temperature()),
                l.ph() == null ? null : l.ph().value(),
                l.volume() == null
                        ? volume == null ? null : Quantity.of(volume)
                        : Quantity.of(l.volume()),
                written(method),
                written(endPoint),
                dwell == null ? null : Quantity.of(dwell),
                contact == null ? null : Quantity.of(contact),
                some(readings),
                clear == null ? null : clear.toolsOut(),
                clear == null ? null : clear.peopleClear(),
                clear == null ? null : clear.guardsOn(),
                who,
                lock == null ? null : lock.locks(),
                lock == null ? null : lock.secondMeasure(),
                below == null ? null : Quantity.of(below),
                standing == null ? null : Quantity.of(standing),
                times,
                powered,
                some(s.action().fittings()),
                some(places),
                washedOut,
                tool,
                direction,
                velocity == null ? null : new Quantity(velocity, "m/s"),
                flow == null ? null : written(flow),
                pattern,
                product,
                some(purged),
                program == null ? null : program.program(),
                program == null || program.finalRinse() == null
                        ? null
                        : Quantity.of(program.finalRinse()),
                program == null || program.pressure() == null
                        ? null
                        : new Quantity(program.pressure().kilopascals(), "kPa"),
                program == null ? null : some(program.complete()),
                s.when(),
                s.minutes(),
                s.people(),
                s.words().isEmpty() ? null : s.words(),
                s.because(),
                s.caution());
    }

    private String fill(Action action) {
        return switch (action) {
            case Action.Prepare a -> {
                things = a.things();
                yield "prepare";
            }
            case Action.Operate a -> {
                mode = written(a.mode());
                yield "operate";
            }
            case Action.Isolate a -> "isolate";
            case Action.Lock a -> {
                lock = a;
                yield "lock";
            }
            case Action.Relieve a -> "relieve";
            case Action.Prove a -> "prove";
            case Action.CoolDown a -> {
                below = a.below();
                standing = a.standing();
                yield "cool-down";
            }
            case Action.KeepProduct a -> {
                destination = a.destination();
                yield "keep-product";
            }
            case Action.Mark a -> "mark";
            case Action.Index a -> {
                times = a.times();
                powered = flag(a.powered());
                yield "index";
            }
            case Action.Fit a -> "fit";
            case Action.Unfit a -> "unfit";
            case Action.Circulate a -> {
                liquid = a.solution();
                dwell = a.dwell();
                velocity = a.velocity();
                flow = a.flow();
                readings = written(a.readings());
                purged = a.purged();
                yield "circulate";
            }
            case Action.RunProgram a -> {
                program = a;
                liquid = a.solution();
                dwell = a.lasting();
                readings = written(a.readings());
                yield "run-program";
            }
            case Action.DrawOff a -> {
                places = a.places();
                washedOut = flag(a.washedOut());
                yield "draw-off";
            }
            case Action.Sharpen a -> {
                powered = flag(a.powered());
                yield "sharpen";
            }
            case Action.Replace a -> "replace";
            case Action.Lubricate a -> {
                chemical = a.chemical();
                yield "lubricate";
            }
            case Action.Coat a -> {
                chemical = a.chemical();
                yield "coat";
            }
            case Action.Store a -> {
                destination = a.destination();
                yield "store";
            }
            case Action.ChaseOut a -> {
                volume = a.volume();
                product = a.product();
                yield "chase-out";
            }
            case Action.Remove a -> {
                count = a.count();
                destination = a.destination();
                yield "remove";
            }
            case Action.Shift a -> "shift";
            case Action.Return a -> "return";
            case Action.WashHands a -> "wash-hands";
            case Action.DryClean a -> "dry-clean";
            case Action.Rinse a -> {
                liquid = a.water();
                method = a.method();
                endPoint = a.endPoint();
                yield "rinse";
            }
            case Action.Wash a -> {
                liquid = a.solution();
                method = a.method();
                tool = a.tool();
                direction = a.direction();
                yield "wash";
            }
            case Action.Soak a -> {
                liquid = a.solution();
                dwell = a.dwell();
                yield "soak";
            }
            case Action.Collect a -> "collect";
            case Action.Inspect a -> "inspect";
            case Action.Sanitize a -> {
                liquid = a.solution();
                method = a.method();
                contact = a.contact();
                readings = written(a.readings());
                yield "sanitize";
            }
            case Action.Dry a -> {
                method = a.method();
                dwell = a.time();
                yield "dry";
            }
            case Action.Install a -> {
                count = a.count();
                pattern = a.pattern();
                yield "install";
            }
            case Action.Measure a -> {
                checks = a.checks();
                yield "measure";
            }
            case Action.Clear a -> {
                clear = a;
                yield "clear";
            }
            case Action.Unlock a -> "unlock";
            case Action.Restore a -> "restore";
            case Action.FunctionTest a -> {
                checks = a.checks();
                yield "function-test";
            }
            case Action.HoldPoint a -> {
                who = a.who();
                yield "hold-point";
            }
            case Action.Record a -> "record";
        };
    }

    private static List<String> written(Set<Action.Reading> readings) {
        return readings.stream().sorted().map(QuantityModule::written).toList();
    }

    private static @Nullable List<String> some(@Nullable List<String> l) {
        return l == null || l.isEmpty() ? null : l;
    }

    /** A flag that is not set is left out of the file. */
    private static @Nullable Boolean flag(boolean b) {
        return b ? Boolean.TRUE : null;
    }

    private static @Nullable String written(@Nullable Enum<?> e) {
        return e == null ? null : QuantityModule.written(e);
    }
}
