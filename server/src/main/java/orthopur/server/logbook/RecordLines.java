package orthopur.server.logbook;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import orthopur.formats.EntryEnvelope;
import orthopur.quantity.Show;
import orthopur.round.EntryValue;
import orthopur.round.State;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.server.floor.Replay;

/** The entries of a round in plain words, in the order of the log. */
final class RecordLines {
    private final Replay replay;
    private final RoundPack pack;
    private final Map<String, Long> places = new HashMap<>();

    RecordLines(Replay replay) {
        this.replay = replay;
        this.pack = replay.pack();
    }

    /**
     * @param at when it was made, epoch milliseconds by the server's clock
     * @param kind as stored; {@code weight} is plain, reading-in, reading-out, corrective,
     *     difference, lock, deviation, trouble, correction or signature
     */
    record LogEntry(
            long seq,
            String id,
            long at,
            long tabletTime,
            String who,
            String kind,
            String weight,
            int step,
            String stepTitle,
            String text) {}

    /** The next entry of the log, as it is read. */
    LogEntry next(long seq, EntryEnvelope e) {
        String why = replay.fold(e);
        places.put(e.id(), seq);
        PackStep step =
                pack.steps().stream().filter(s -> s.id().equals(e.step())).findFirst().orElse(null);
        // Kept from another version of the procedure: there is no such step here.
        PackStep named = step == null ? pack.steps().getLast() : step;
        State.ReadingState reading = replay.progress().readings().get(e.step());
        String weight =
                why != null
                        ? "difference"
                        : switch (e.kind()) {
                            case "reading" ->
                                    reading != null && reading.outcome().name().equals("IN")
                                            ? "reading-in"
                                            : "reading-out";
                            case "corrective", "deviation", "trouble", "correction" -> e.kind();
                            case "round-closed", "released", "sent-back" -> "signature";
                            case "proof" ->
                                    value(e, "outcome").equals("passed")
                                            ? "reading-in"
                                            : "reading-out";
                            case "lock-on", "lock-off" -> "lock";
                            default -> "plain";
                        };
        return new LogEntry(
                seq,
                e.id(),
                e.at() == null ? e.serverTime() : e.at(),
                e.tabletTime(),
                e.who(),
                e.kind(),
                weight,
                step == null ? 0 : step.number(),
                step == null ? "a step of another version" : title(step),
                text(e, named, reading, pack) + (why == null ? "" : " – does not count: " + why));
    }

    private static String title(PackStep step) {
        return step.title().equals(step.verb()) ? step.verb() : step.verb() + ": " + step.title();
    }

    private String text(
            EntryEnvelope e, PackStep step, State.@Nullable ReadingState reading, RoundPack pack) {
        return switch (e.kind()) {
            case "piece-off" -> named(e, "piece", step) + " off";
            case "piece-on" -> named(e, "piece", step) + " on";
            case "timer-started" -> "timer started";
            case "reading" ->
                    "%s mg/L at %s °C with %s. %s"
                            .formatted(
                                    number(e, "strength"),
                                    number(e, "temperature"),
                                    instrument(e, pack),
                                    reading == null ? "" : reading.advice());
            case "contact-broken" -> "it dried; contact starts anew";
            case "confirmed" -> confirmed(e, step);
            case "lock-on" -> "lock %s on %s".formatted(value(e, "lock"), energy(e, pack));
            case "lock-off" ->
                    "lock %s off %s".formatted(value(e, "lock"), energy(e, pack))
                            + (value(e, "reason").isEmpty()
                                    ? ""
                                    : ", another's, by the supervisor: " + value(e, "reason"));
            case "trouble" -> trouble(e, pack);
            case "photo" -> "photo: " + value(e, "what");
            case "proof" ->
                    "%s: %s%s".formatted(value(e, "site"), value(e, "outcome"), measured(e));
            case "release-plan" ->
                    "to be found before the release: "
                            + e.figures().stream()
                                    .filter(f -> f.name().equals("name"))
                                    .map(f -> String.valueOf(f.text()))
                                    .collect(Collectors.joining("; "));
            case "released" ->
                    (value(e, "condition").isEmpty()
                                    ? "released for production"
                                    : "released for a time: " + value(e, "condition"))
                            + withoutPlan();
            case "round-closed" -> "closed and signed";
            case "correction" ->
                    "correction of entry %d: %s"
                            .formatted(
                                    places.getOrDefault(value(e, "entry"), 0L), value(e, "text"));
            case "sent-back" ->
                    "sent back: " + partName(value(e, "item"), pack) + ", " + value(e, "reason");
            case "corrective" -> "done about it: " + value(e, "text");
            case "check" -> "checked: " + checkName(e, step) + measured(e);
            case "deviation" -> "otherwise than written: " + value(e, "reason");
            case "step-done" -> "done";
            default -> e.kind();
        };
    }

    /** Releases from before plans were written down may have gone past theirs; it is not hidden. */
    private String withoutPlan() {
        State s = replay.progress().state();
        if (s.plan() != null) {
            return "";
        }
        return s.proofs().isEmpty()
                ? " – nobody wrote down what was to be found, and nothing was"
                : " – nobody wrote down what was to be found; found was: "
                        + String.join(", ", s.proofs().keySet());
    }

    private static String confirmed(EntryEnvelope e, PackStep step) {
        return step.asks().stream()
                .filter(a -> a.id().equals(value(e, "ask")))
                .map(
                        a ->
                                (a.kind().name().toLowerCase(Locale.ROOT).replace('_', ' ')
                                                + " "
                                                + a.name())
                                        .strip())
                .findFirst()
                .orElse(value(e, "ask"));
    }

    private static String energy(EntryEnvelope e, RoundPack pack) {
        return pack.steps().stream()
                .flatMap(s -> s.asks().stream())
                .filter(a -> a.kind().byLocks() && a.item().equals(value(e, "energy")))
                .map(RoundPack.Ask::name)
                .findFirst()
                .orElse(value(e, "energy"));
    }

    private static String trouble(EntryEnvelope e, RoundPack pack) {
        String title =
                pack.troubles().stream()
                        .filter(t -> t.kind().name().equals(value(e, "trouble")))
                        .map(RoundPack.Trouble::title)
                        .findFirst()
                        .orElse(value(e, "trouble"));
        String item = value(e, "item");
        return title
                + (item.isEmpty() ? "" : " (" + partName(item, pack) + ")")
                + ": "
                + value(e, "text");
    }

    private static String partName(String item, RoundPack pack) {
        return pack.rework().stream()
                .filter(r -> r.item().equals(item))
                .map(RoundPack.ReworkPlan::name)
                .findFirst()
                .orElse(item);
    }

    private static String checkName(EntryEnvelope e, PackStep step) {
        String id = value(e, "check");
        return step.checks().stream()
                .filter(c -> c.id().equals(id))
                .map(RoundPack.CheckPlan::name)
                .findFirst()
                .orElse(id);
    }

    private static String instrument(EntryEnvelope e, RoundPack pack) {
        String id = value(e, "instrument");
        return pack.instruments().stream()
                .filter(i -> i.id().equals(id))
                .map(RoundPack.Instrument::name)
                .findFirst()
                .orElse(id);
    }

    private static String named(EntryEnvelope e, String name, PackStep step) {
        String key = value(e, name);
        return Stream.concat(step.off().stream(), step.on().stream())
                .filter(p -> p.key().equals(key))
                .map(RoundPack.Piece::name)
                .findFirst()
                .orElse(key);
    }

    private static String value(EntryEnvelope e, String name) {
        return e.figures().stream()
                .filter(f -> f.name().equals(name) && f.text() != null)
                .map(EntryValue::text)
                .findFirst()
                .orElse("");
    }

    private static String number(EntryEnvelope e, String name) {
        return e.figures().stream()
                .filter(f -> f.name().equals(name) && f.value() != null)
                .map(f -> Show.number(f.value()))
                .findFirst()
                .orElse("?");
    }

    private static String measured(EntryEnvelope e) {
        return e.figures().stream()
                .filter(f -> f.name().equals("value") && f.value() != null)
                .map(f -> ": " + Show.number(f.value()) + " " + (f.unit() == null ? "" : f.unit()))
                .findFirst()
                .orElse("");
    }
}
