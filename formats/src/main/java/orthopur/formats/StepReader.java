package orthopur.formats;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.BiFunction;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Problem;
import orthopur.procedure.Action;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Ph;
import orthopur.quantity.Temperature;
import orthopur.quantity.UnitText;
import orthopur.quantity.Volume;

/** Reads one step of a document; collects every error instead of stopping at the first. */
final class StepReader {
    private static final int LONGEST = 2000;

    private final StepDocument d;
    private final String at;
    private final List<Problem> problems;

    StepReader(StepDocument document, String pointer, List<Problem> problems) {
        this.d = document;
        this.at = pointer;
        this.problems = problems;
    }

    /** The step, or null where an error was added. */
    @Nullable Step read() {
        int before = problems.size();
        ActionCatalog.ActionInfo info = d.action() == null ? null : ActionCatalog.named(d.action());
        if (info == null) {
            say(
                    "action",
                    "\""
                            + d.action()
                            + "\" is not an action; actions are "
                            + String.join(
                                    ", ",
                                    ActionCatalog.all().stream()
                                            .map(ActionCatalog.ActionInfo::name)
                                            .toList())
                            + ".");
            return null;
        }
        unusedFields(info);
        if (d.id() == null || !d.id().matches("[a-z0-9][a-z0-9-]{0,39}")) {
            say("id", "A step id is 1 to 40 lower-case letters, digits and hyphens.");
        }
        double minutes = d.minutes() == null ? 1 : d.minutes();
        if (!(minutes >= 0 && minutes <= 600)) {
            say("minutes", "Planned minutes are " + minutes + "; allowed is 0 to 600.");
        }
        int people = d.people() == null ? 1 : d.people();
        if (people < 1 || people > 20) {
            say("people", "People are " + people + "; allowed is 1 to 20.");
        }
        tooLong("words", d.words());
        tooLong("because", d.because());
        tooLong("caution", d.caution());
        Action action = action();
        if (problems.size() > before || action == null) {
            return null;
        }
        return new Step(
                d.id(),
                action,
                d.words() == null ? "" : d.words(),
                d.because(),
                d.caution(),
                minutes,
                people,
                d.when());
    }

    private @Nullable Action action() {
        return switch (d.action()) {
            case "prepare" -> new Action.Prepare(list(d.things()));
            case "operate" -> {
                Action.Mode mode = required("mode", word("mode", d.mode(), Action.Mode.class));
                yield mode == null
                        ? null
                        : new Action.Operate(mode, list(d.energies()), list(d.items()));
            }
            case "isolate" -> new Action.Isolate(list(d.energies()));
            case "lock" -> new Action.Lock(list(d.energies()), locks(), d.secondMeasure());
            case "relieve" -> new Action.Relieve(list(d.energies()));
            case "prove" -> new Action.Prove(list(d.energies()));
            case "cool-down" ->
                    new Action.CoolDown(
                            list(d.energies()),
                            quantity("below", d.below(), UnitText::temperature),
                            quantity("standing", d.standing(), UnitText::duration));
            case "keep-product" -> new Action.KeepProduct(d.destination());
            case "mark" -> new Action.Mark(list(d.items()));
            case "index" -> new Action.Index(list(d.items()), times(), yes(d.powered()));
            case "fit" -> new Action.Fit(list(d.fittings()));
            case "unfit" -> new Action.Unfit(list(d.fittings()));
            case "remove" -> new Action.Remove(list(d.items()), count(), d.destination());
            case "shift" -> new Action.Shift(list(d.items()));
            case "return" -> new Action.Return(list(d.items()));
            case "wash-hands" -> new Action.WashHands();
            case "dry-clean" -> new Action.DryClean(list(d.items()));
            case "rinse" ->
                    new Action.Rinse(
                            list(d.items()),
                            solution(),
                            word("method", d.method(), Action.Method.class),
                            word("endPoint", d.endPoint(), Action.EndPoint.class));
            case "wash" ->
                    new Action.Wash(
                            list(d.items()),
                            solution(),
                            word("method", d.method(), Action.Method.class),
                            d.tool(),
                            d.direction());
            case "circulate" ->
                    new Action.Circulate(
                            list(d.items()),
                            solution(),
                            quantity("dwell", d.dwell(), UnitText::duration),
                            quantity("velocity", d.velocity(), UnitText::velocity),
                            word("flow", d.flow(), Action.Flow.class),
                            readings(),
                            list(d.purged()));
            case "run-program" ->
                    new Action.RunProgram(
                            d.program(),
                            list(d.items()),
                            solution(),
                            quantity("dwell", d.dwell(), UnitText::duration),
                            quantity("finalRinse", d.finalRinse(), UnitText::temperature),
                            quantity("pressure", d.pressure(), UnitText::pressure),
                            list(d.complete()),
                            readings());
            case "draw-off" ->
                    new Action.DrawOff(list(d.items()), list(d.places()), yes(d.washedOut()));
            case "sharpen" -> new Action.Sharpen(list(d.items()), yes(d.powered()));
            case "replace" -> new Action.Replace(list(d.items()));
            case "lubricate" -> new Action.Lubricate(list(d.items()), d.chemical());
            case "coat" -> new Action.Coat(list(d.items()), d.chemical());
            case "store" -> new Action.Store(list(d.items()), d.destination());
            case "chase-out" ->
                    new Action.ChaseOut(
                            list(d.items()),
                            quantity("volume", d.volume(), UnitText::volume),
                            d.product());
            case "soak" ->
                    new Action.Soak(
                            list(d.items()),
                            solution(),
                            quantity("dwell", d.dwell(), UnitText::duration));
            case "collect" -> new Action.Collect(list(d.items()));
            case "inspect" -> new Action.Inspect(list(d.items()));
            case "sanitize" ->
                    new Action.Sanitize(
                            list(d.items()),
                            solution(),
                            word("method", d.method(), Action.Method.class),
                            quantity("contact", d.contact(), UnitText::duration),
                            readings());
            case "dry" ->
                    new Action.Dry(
                            list(d.items()),
                            word("method", d.method(), Action.Drying.class),
                            quantity("dwell", d.dwell(), UnitText::duration));
            case "install" -> new Action.Install(list(d.items()), count(), d.pattern());
            case "measure" -> new Action.Measure(list(d.checks()));
            case "clear" ->
                    new Action.Clear(yes(d.toolsOut()), yes(d.peopleClear()), yes(d.guardsOn()));
            case "unlock" -> new Action.Unlock(list(d.energies()));
            case "restore" -> new Action.Restore(list(d.energies()));
            case "function-test" -> new Action.FunctionTest(list(d.checks()));
            case "hold-point" -> new Action.HoldPoint(d.who());
            case "record" -> new Action.Record();
            default -> throw new IllegalStateException(d.action());
        };
    }

    private Solution solution() {
        Ph ph = null;
        if (d.ph() != null) {
            try {
                ph = new Ph(d.ph());
            } catch (OutOfRange e) {
                say("ph", e.getMessage());
            }
        }
        Temperature t = quantity("temperature", d.temperature(), UnitText::temperature);
        if (t != null && (t.celsius() < 0 || t.celsius() > 100)) {
            say("temperature", "Water is at " + t.shown() + "; allowed is 0 to 100 °C.");
        }
        Volume v = quantity("volume", d.volume(), UnitText::volume);
        return new Solution(
                d.chemical(),
                quantity("strength", d.strength(), UnitText::dosage),
                t,
                ph,
                v,
                d.place());
    }

    private <T> @Nullable T quantity(
            String field, @Nullable Quantity q, BiFunction<Double, String, T> reader) {
        if (q == null) {
            return null;
        }
        try {
            return reader.apply(q.value(), Objects.requireNonNullElse(q.unit(), ""));
        } catch (OutOfRange e) {
            say(field, e.getMessage());
            return null;
        }
    }

    private <E extends Enum<E>> @Nullable E word(
            String field, @Nullable String text, Class<E> type) {
        if (text == null) {
            return null;
        }
        List<String> known = new ArrayList<>();
        for (E e : type.getEnumConstants()) {
            if (QuantityModule.written(e).equals(text)) {
                return e;
            }
            known.add(QuantityModule.written(e));
        }
        say(field, "\"" + text + "\" is not one of " + String.join(", ", known) + ".");
        return null;
    }

    private <T> @Nullable T required(String field, @Nullable T value) {
        if (value == null
                && problems.stream().noneMatch(p -> p.pointer().equals(at + "/" + field))) {
            say(field, "The action " + d.action() + " needs its " + field + ".");
        }
        return value;
    }

    private Set<Action.Reading> readings() {
        Set<Action.Reading> all = new LinkedHashSet<>();
        for (String r : list(d.readings())) {
            Action.Reading reading = word("readings", r, Action.Reading.class);
            if (reading != null) {
                all.add(reading);
            }
        }
        return all;
    }

    private @Nullable Integer locks() {
        if (d.locks() != null && (d.locks() < 0 || d.locks() > 20)) {
            say("locks", "The locks are " + d.locks() + "; allowed is 0 to 20.");
        }
        return d.locks();
    }

    private @Nullable Integer times() {
        if (d.times() != null && (d.times() < 1 || d.times() > 1000)) {
            say("times", "The times are " + d.times() + "; allowed is 1 to 1000.");
        }
        return d.times();
    }

    private @Nullable Integer count() {
        if (d.count() != null && (d.count() < 1 || d.count() > 1000)) {
            say("count", "The count is " + d.count() + "; allowed is 1 to 1000.");
        }
        return d.count();
    }

    /**
     * A figure in a field that the action does not take would be silently lost, so it is refused.
     */
    private void unusedFields(ActionCatalog.ActionInfo info) {
        record Field(String name, @Nullable Object value) {}
        List<Field> given =
                List.of(
                        new Field("mode", d.mode()),
                        new Field("items", d.items()),
                        new Field("energies", d.energies()),
                        new Field("things", d.things()),
                        new Field("checks", d.checks()),
                        new Field("count", d.count()),
                        new Field("destination", d.destination()),
                        new Field("place", d.place()),
                        new Field("chemical", d.chemical()),
                        new Field("strength", d.strength()),
                        new Field("temperature", d.temperature()),
                        new Field("ph", d.ph()),
                        new Field("volume", d.volume()),
                        new Field("method", d.method()),
                        new Field("endPoint", d.endPoint()),
                        new Field("dwell", d.dwell()),
                        new Field("contact", d.contact()),
                        new Field("readings", d.readings()),
                        new Field("toolsOut", d.toolsOut()),
                        new Field("peopleClear", d.peopleClear()),
                        new Field("guardsOn", d.guardsOn()),
                        new Field("who", d.who()),
                        new Field("locks", d.locks()),
                        new Field("secondMeasure", d.secondMeasure()),
                        new Field("below", d.below()),
                        new Field("standing", d.standing()),
                        new Field("times", d.times()),
                        new Field("powered", d.powered()),
                        new Field("fittings", d.fittings()),
                        new Field("places", d.places()),
                        new Field("washedOut", d.washedOut()),
                        new Field("tool", d.tool()),
                        new Field("direction", d.direction()),
                        new Field("velocity", d.velocity()),
                        new Field("flow", d.flow()),
                        new Field("pattern", d.pattern()),
                        new Field("product", d.product()),
                        new Field("purged", d.purged()),
                        new Field("program", d.program()),
                        new Field("finalRinse", d.finalRinse()),
                        new Field("pressure", d.pressure()),
                        new Field("complete", d.complete()));
        for (Field f : given) {
            boolean empty = f.value() == null || (f.value() instanceof List<?> l && l.isEmpty());
            if (!empty && !info.fields().contains(f.name())) {
                say(f.name(), "The action " + d.action() + " takes no " + f.name() + ".");
            }
        }
    }

    private void tooLong(String field, @Nullable String text) {
        if (text != null && text.length() > LONGEST) {
            say(
                    field,
                    "The text has " + text.length() + " characters; allowed are " + LONGEST + ".");
        }
    }

    private void say(String field, String message) {
        problems.add(new Problem(at + "/" + field, message));
    }

    private static List<String> list(@Nullable List<String> l) {
        return l == null ? List.of() : List.copyOf(l);
    }

    private static boolean yes(@Nullable Boolean b) {
        return Boolean.TRUE.equals(b);
    }
}
