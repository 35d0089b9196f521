package orthopur.server.logbook;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import orthopur.formats.EntryEnvelope;
import orthopur.instrument.Instrument;
import orthopur.quantity.Show;
import orthopur.round.Entry;
import orthopur.round.ReleaseSite;
import orthopur.round.State;
import orthopur.roundpack.ReadingJudge;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.server.floor.Intake;
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
     * @param paper whether it was written on paper first and entered later
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
            String text,
            boolean paper) {}

    /** The next entry of the log, as it is read. */
    LogEntry next(long seq, EntryEnvelope e) {
        String why = replay.fold(e);
        places.put(e.id(), seq);
        PackStep step =
                pack.steps().stream().filter(s -> s.id().equals(e.step())).findFirst().orElse(null);
        // Kept from another version of the procedure: there is no such step here.
        PackStep named = step == null ? pack.steps().getLast() : step;
        State.ReadingState reading = replay.progress().readings().get(e.step());
        Entry entry = e.entry();
        String weight = why != null ? "difference" : weight(entry, reading);
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
                text(entry, named, reading)
                        + (e.device().equals(Intake.PAPER) ? " (entered later, from paper)" : "")
                        + (why == null ? "" : " – does not count: " + why),
                e.device().equals(Intake.PAPER));
    }

    private static String title(PackStep step) {
        return step.title().equals(step.verb()) ? step.verb() : step.verb() + ": " + step.title();
    }

    private static String weight(Entry entry, State.@Nullable ReadingState reading) {
        return switch (entry) {
            case Entry.ReadingTaken e ->
                    reading != null && reading.outcome() == ReadingJudge.Outcome.IN
                            ? "reading-in"
                            : "reading-out";
            case Entry.CorrectiveAction e -> "corrective";
            case Entry.Deviation e -> "deviation";
            case Entry.TroubleSaid e -> "trouble";
            case Entry.Correction e -> "correction";
            case Entry.RoundClosed e -> "signature";
            case Entry.Released e -> "signature";
            case Entry.SentBack e -> "signature";
            case Entry.Proof e -> e.passed() ? "reading-in" : "reading-out";
            case Entry.LockMoved e -> "lock";
            default -> "plain";
        };
    }

    private String text(Entry entry, PackStep step, State.@Nullable ReadingState reading) {
        return switch (entry) {
            case Entry.PieceMoved e -> piece(e.piece(), step) + (e.off() ? " off" : " on");
            case Entry.TimerStarted e -> "timer started";
            case Entry.ReadingTaken e ->
                    "%s mg/L at %s °C with %s. %s"
                            .formatted(
                                    Show.number(e.strength()),
                                    Show.number(e.temperature()),
                                    instrument(e.instrument()),
                                    reading == null ? "" : reading.advice());
            case Entry.SolutionUsed e -> "with the solution labeled " + e.label();
            case Entry.ContactBroken e -> "it dried; contact starts anew";
            case Entry.Confirmed e -> confirmed(e.ask(), step);
            case Entry.LockMoved e -> lock(e);
            case Entry.TroubleSaid e -> trouble(e);
            case Entry.PhotoTaken e -> "photo: " + e.what();
            case Entry.Proof e ->
                    "%s: %s%s"
                            .formatted(
                                    e.site(),
                                    e.passed() ? "passed" : "failed",
                                    measured(e.value(), e.unit()));
            case Entry.ReleasePlanned e ->
                    "to be found before the release: "
                            + e.sites().stream()
                                    .map(ReleaseSite::name)
                                    .collect(Collectors.joining("; "));
            case Entry.Released e ->
                    (e.condition() == null || e.condition().isEmpty()
                                    ? "released for production"
                                    : "released for a time: " + e.condition())
                            + withoutPlan();
            case Entry.RoundClosed e -> "closed and signed";
            case Entry.Correction e ->
                    "correction of entry %d: %s"
                            .formatted(places.getOrDefault(e.entry(), 0L), e.text());
            case Entry.SentBack e -> "sent back: " + partName(e.item()) + ", " + e.reason();
            case Entry.CorrectiveAction e -> "done about it: " + e.text();
            case Entry.CheckMade e ->
                    "checked: " + checkName(e.check(), step) + measured(e.value(), null);
            case Entry.Deviation e -> "deviation: " + e.reason();
            case Entry.StepDone e -> "done";
        };
    }

    private String lock(Entry.LockMoved e) {
        return "lock %s %s %s%s"
                .formatted(
                        e.lock(),
                        e.on() ? "on" : "off",
                        energy(e.energy()),
                        e.reason() == null ? "" : ", another's, by the supervisor: " + e.reason());
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

    private static String confirmed(String ask, PackStep step) {
        return step.asks().stream()
                .filter(a -> a.id().equals(ask))
                .map(
                        a ->
                                (a.kind().name().toLowerCase(Locale.ROOT).replace('_', ' ')
                                                + " "
                                                + a.name())
                                        .strip())
                .findFirst()
                .orElse(ask);
    }

    private String energy(String id) {
        return pack.steps().stream()
                .flatMap(s -> s.asks().stream())
                .filter(a -> a.kind().byLocks() && a.item().equals(id))
                .map(RoundPack.Ask::name)
                .findFirst()
                .orElse(id);
    }

    private String trouble(Entry.TroubleSaid e) {
        String title =
                pack.troubles().stream()
                        .filter(t -> t.kind() == e.kind())
                        .map(RoundPack.Trouble::title)
                        .findFirst()
                        .orElse(e.kind().name());
        String item = e.item();
        return title + (item == null ? "" : " (" + partName(item) + ")") + ": " + e.text();
    }

    private String partName(String item) {
        return pack.rework().stream()
                .filter(r -> r.item().equals(item))
                .map(RoundPack.ReworkPlan::name)
                .findFirst()
                .orElse(item);
    }

    private static String checkName(String id, PackStep step) {
        return step.checks().stream()
                .filter(c -> c.id().equals(id))
                .map(RoundPack.CheckPlan::name)
                .findFirst()
                .orElse(id);
    }

    private String instrument(String id) {
        return pack.instruments().stream()
                .filter(i -> i.id().equals(id))
                .map(Instrument::name)
                .findFirst()
                .orElse(id);
    }

    private static String piece(String key, PackStep step) {
        return Stream.concat(step.off().stream(), step.on().stream())
                .filter(p -> p.key().equals(key))
                .map(RoundPack.Piece::name)
                .findFirst()
                .orElse(key);
    }

    private static String measured(@Nullable Double value, @Nullable String unit) {
        return value == null
                ? ""
                : (": " + Show.number(value) + " " + (unit == null ? "" : unit)).stripTrailing();
    }
}
