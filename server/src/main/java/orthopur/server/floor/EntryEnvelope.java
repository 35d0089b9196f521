package orthopur.server.floor;

import java.util.List;
import java.util.Optional;
import orthopur.Nullable;
import orthopur.formats.Json;
import orthopur.roundpack.Entry;
import orthopur.server.platform.Said;

/**
 * An entry as it is stored and chained. Its shape is dear to change; see the decision about it.
 *
 * @param id made by the tablet; sending it twice enters it once
 * @param tabletTime,serverTime epoch milliseconds
 * @param prevHash hash of the entry before it on this site
 */
public record EntryEnvelope(
        String id,
        String round,
        String packHash,
        String step,
        String kind,
        List<EntryValue> figures,
        String who,
        String device,
        long tabletTime,
        long serverTime,
        String prevHash) {

    /** A named value with its unit, or a named text. */
    public record EntryValue(
            String name, @Nullable Double value, @Nullable String unit, @Nullable String text) {}

    /** SHA-256 over everything above, the previous hash included. */
    public String hash() {
        return Json.hash(this);
    }

    /**
     * The entry that it carries.
     *
     * @throws Said when the kind is unknown or one of its figures is missing
     */
    public Entry entry() {
        return entry(kind, step, figures);
    }

    static Entry entry(String kind, String step, List<EntryValue> figures) {
        return switch (kind) {
            case "piece-off" -> new Entry.PieceMoved(step, text(figures, "piece"), true);
            case "piece-on" -> new Entry.PieceMoved(step, text(figures, "piece"), false);
            case "timer-started" -> new Entry.TimerStarted(step);
            case "reading" ->
                    new Entry.ReadingTaken(
                            step,
                            text(figures, "instrument"),
                            value(figures, "strength", "mg/L"),
                            value(figures, "temperature", "°C"));
            case "corrective" -> new Entry.CorrectiveAction(step, text(figures, "text"));
            case "check" ->
                    new Entry.CheckMade(
                            step,
                            text(figures, "check"),
                            find(figures, "value").map(EntryValue::value).orElse(null));
            case "deviation" -> new Entry.Deviation(step, text(figures, "reason"));
            case "step-done" -> new Entry.StepDone(step);
            case "round-closed" -> new Entry.RoundClosed(step);
            default -> throw Said.conflict("There is no entry of kind \"" + kind + "\".");
        };
    }

    private static Optional<EntryValue> find(List<EntryValue> figures, String name) {
        return figures.stream().filter(f -> name.equals(f.name())).findFirst();
    }

    private static String text(List<EntryValue> figures, String name) {
        String text = find(figures, name).map(EntryValue::text).orElse(null);
        if (text == null) {
            throw Said.conflict("The entry does not say its " + name + ".");
        }
        if (text.length() > 2000) {
            throw Said.conflict(
                    "The " + name + " has " + text.length() + " characters; allowed are 2000.");
        }
        return text;
    }

    private static double value(List<EntryValue> figures, String name, String unit) {
        EntryValue f =
                find(figures, name)
                        .filter(x -> x.value() != null)
                        .orElseThrow(
                                () -> Said.conflict("The entry does not say its " + name + "."));
        if (!unit.equals(f.unit())) {
            throw Said.conflict("The " + name + " has to be in " + unit + ".");
        }
        return f.value();
    }
}
