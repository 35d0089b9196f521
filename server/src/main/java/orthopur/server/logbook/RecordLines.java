package orthopur.server.logbook;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import orthopur.formats.EntryEnvelope;
import orthopur.formats.TextDocument;
import orthopur.instrument.Instrument;
import orthopur.quantity.Show;
import orthopur.round.Entry;
import orthopur.round.ReleaseSite;
import orthopur.round.State;
import orthopur.roundpack.ReadingJudge;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.roundpack.RoundPack.ReadingBand;
import orthopur.server.floor.Intake;
import orthopur.server.floor.Replay;
import orthopur.text.Text;

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
     * @param measured each value in it with the limits that held
     * @param photo SHA-256 of a picture; null for any other entry
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
            Text stepTitle,
            String text,
            TextDocument said,
            boolean paper,
            List<ReadValue> measured,
            @Nullable String photo) {}

    /**
     * A value against its limits.
     *
     * @param least,most both included; null where there is none on that side
     * @param in whether all that the value can mean is within
     */
    record ReadValue(
            TextDocument name,
            double value,
            @Nullable Double least,
            @Nullable Double most,
            String unit,
            boolean in) {}

    /** The next entry of the log, as it is read. */
    LogEntry next(long seq, EntryEnvelope e) {
        Text why = replay.fold(e);
        places.put(e.id(), seq);
        PackStep step =
                pack.steps().stream().filter(s -> s.id().equals(e.step())).findFirst().orElse(null);
        // Kept from another version of the procedure: there is no such step here.
        PackStep named = step == null ? pack.steps().getLast() : step;
        State.ReadingState reading = replay.progress().readings().get(e.step());
        Entry entry = e.entry();
        List<ReadValue> measured = measured(entry, named, reading);
        String weight = why != null ? "difference" : weight(entry, reading, measured);
        boolean paper = e.device().equals(Intake.PAPER);
        Text says = text(entry, named, reading);
        if (paper) {
            says = Text.of("record.from-paper", "{0} (entered later, from paper)", says);
        }
        if (why != null) {
            says = Text.of("record.does-not-count", "{0} – does not count: {1}", says, why);
        }
        return new LogEntry(
                seq,
                e.id(),
                e.at() == null ? e.serverTime() : e.at(),
                e.tabletTime(),
                e.who(),
                e.kind(),
                weight,
                step == null ? 0 : step.number(),
                step == null
                        ? Text.of("record.other-version", "a step of another version")
                        : title(step),
                says.toString(),
                TextDocument.of(says),
                paper,
                measured,
                entry instanceof Entry.PhotoTaken p ? p.sha256() : null);
    }

    /** What an inspector holds against its limits. */
    private static List<ReadValue> measured(
            Entry entry, PackStep step, State.@Nullable ReadingState reading) {
        if (entry instanceof Entry.ReadingTaken e) {
            boolean in = reading != null && reading.outcome() == ReadingJudge.Outcome.IN;
            RoundPack.ReadingPlan plan = step.reading();
            List<ReadingBand> bands = plan == null ? List.of() : plan.bands();
            ReadingBand band = ReadingJudge.at(bands, e.temperature());
            // Too cold for any strength: then the coldest band says how warm it has to be.
            boolean cold = band == null && !bands.isEmpty();
            Double warm = cold ? Double.valueOf(bands.getFirst().fromCelsius()) : null;
            return List.of(
                    new ReadValue(
                            TextDocument.of(Text.of("record.strength", "strength")),
                            e.strength(),
                            band == null ? null : band.leastMgPerL(),
                            band == null ? null : band.mostMgPerL(),
                            "mg/L",
                            in || cold),
                    new ReadValue(
                            TextDocument.of(Text.of("record.temperature", "temperature")),
                            e.temperature(),
                            band == null ? warm : Double.valueOf(band.fromCelsius()),
                            null,
                            "°C",
                            !cold));
        }
        if (entry instanceof Entry.CheckMade e && e.value() != null) {
            return step.checks().stream()
                    .filter(c -> c.id().equals(e.check()) && c.ranged())
                    .map(
                            c ->
                                    new ReadValue(
                                            TextDocument.of(c.name()),
                                            e.value(),
                                            c.least(),
                                            c.most(),
                                            c.unit() == null ? "" : c.unit(),
                                            c.judge(e.value()) == ReadingJudge.Outcome.IN))
                    .toList();
        }
        return List.of();
    }

    private static Text title(PackStep step) {
        return step.title().toString().equals(step.verb())
                ? step.title()
                : Text.of("record.step", "{0}: {1}", step.verb(), step.title());
    }

    private static String weight(
            Entry entry, State.@Nullable ReadingState reading, List<ReadValue> measured) {
        return switch (entry) {
            case Entry.ReadingTaken e ->
                    reading != null && reading.outcome() == ReadingJudge.Outcome.IN
                            ? "reading-in"
                            : "reading-out";
            case Entry.SolutionUsed e -> "solution";
            case Entry.CorrectiveAction e -> "corrective";
            case Entry.Deviation e -> "deviation";
            case Entry.TroubleSaid e -> "trouble";
            case Entry.Correction e -> "correction";
            case Entry.RoundClosed e -> "signature";
            case Entry.Released e -> "signature";
            case Entry.SentBack e -> "signature";
            case Entry.Proof e -> e.passed() ? "reading-in" : "reading-out";
            case Entry.LockMoved e -> "lock";
            case Entry.CheckMade e ->
                    measured.isEmpty()
                            ? "plain"
                            : measured.getFirst().in() ? "reading-in" : "reading-out";
            default -> "plain";
        };
    }

    private Text text(Entry entry, PackStep step, State.@Nullable ReadingState reading) {
        return switch (entry) {
            case Entry.PieceMoved e ->
                    e.off()
                            ? Text.of("record.piece-off", "{0} off", piece(e.piece(), step))
                            : Text.of("record.piece-on", "{0} on", piece(e.piece(), step));
            case Entry.TimerStarted e -> Text.of("record.timer-started", "timer started");
            case Entry.ReadingTaken e ->
                    Text.of(
                            "record.reading",
                            "{0} mg/L at {1} °C with {2}. {3}",
                            Show.number(e.strength()),
                            Show.number(e.temperature()),
                            instrument(e.instrument()),
                            reading == null ? "" : reading.advice());
            case Entry.SolutionUsed e ->
                    Text.of("record.solution-used", "with the solution labeled {0}", e.label());
            case Entry.ContactBroken e ->
                    Text.of("record.contact-broken", "it dried; contact starts anew");
            case Entry.Confirmed e -> confirmed(e.ask(), step);
            case Entry.LockMoved e -> lock(e);
            case Entry.TroubleSaid e -> pack.trouble(e.kind(), e.item(), e.text());
            case Entry.PhotoTaken e -> Text.of("record.photo", "photo: {0}", e.what());
            case Entry.Proof e ->
                    e.passed()
                            ? Text.of(
                                    "record.proof-passed",
                                    "{0}: passed{1}",
                                    site(e.site()),
                                    measured(e.value(), e.unit()))
                            : Text.of(
                                    "record.proof-failed",
                                    "{0}: failed{1}",
                                    site(e.site()),
                                    measured(e.value(), e.unit()));
            case Entry.ReleasePlanned e ->
                    Text.of(
                            "record.release-planned",
                            "to be found before the release: {0}",
                            Text.series(e.sites().stream().map(ReleaseSite::name).toList()));
            case Entry.Released e -> released(e);
            case Entry.RoundClosed e -> Text.of("record.closed", "closed and signed");
            case Entry.Correction e ->
                    Text.of(
                            "record.correction",
                            "correction of entry {0}: {1}",
                            String.valueOf(places.getOrDefault(e.entry(), 0L)),
                            e.text());
            case Entry.SentBack e ->
                    Text.of(
                            "record.sent-back",
                            "sent back: {0}, {1}",
                            pack.partName(e.item()),
                            e.reason());
            case Entry.CorrectiveAction e ->
                    Text.of("record.corrective", "done about it: {0}", e.text());
            case Entry.CheckMade e ->
                    Text.of(
                            "record.checked",
                            "checked: {0}{1}",
                            checkName(e.check(), step),
                            measured(e.value(), unit(e.check(), step)));
            case Entry.Deviation e -> Text.of("record.deviation", "deviation: {0}", e.reason());
            case Entry.StepDone e -> Text.of("record.done", "done");
        };
    }

    private Text lock(Entry.LockMoved e) {
        Text moved =
                e.on()
                        ? Text.of("record.lock-on", "lock {0} on {1}", e.lock(), energy(e.energy()))
                        : Text.of(
                                "record.lock-off",
                                "lock {0} off {1}",
                                e.lock(),
                                energy(e.energy()));
        return e.reason() == null
                ? moved
                : Text.of(
                        "record.anothers-lock",
                        "{0}, another's, by the supervisor: {1}",
                        moved,
                        e.reason());
    }

    /** Releases from before plans were written down may have gone past theirs; it is not hidden. */
    private Text released(Entry.Released e) {
        Text released =
                e.condition() == null || e.condition().isEmpty()
                        ? Text.of("record.released", "released for production")
                        : Text.of("record.conditional", "released for a time: {0}", e.condition());
        State s = replay.progress().state();
        if (s.plan() != null) {
            return released;
        }
        return s.proofs().isEmpty()
                ? Text.of(
                        "record.without-plan",
                        "{0} – nobody wrote down what was to be found, and nothing was",
                        released)
                : Text.of(
                        "record.without-plan-found",
                        "{0} – nobody wrote down what was to be found; found was: {1}",
                        released,
                        String.join(", ", s.proofs().keySet()));
    }

    /** What is asked for one by one, in the words of the tablet. */
    private static Text confirmed(String ask, PackStep step) {
        return step.asks().stream()
                .filter(a -> a.id().equals(ask))
                .map(
                        a ->
                                Text.of(
                                        "record.confirmed",
                                        "{0} {1}",
                                        a.kind().name().toLowerCase(Locale.ROOT).replace('_', ' '),
                                        a.name()))
                .findFirst()
                .orElse(Text.plain(ask));
    }

    private Text energy(String id) {
        return pack.steps().stream()
                .flatMap(s -> s.asks().stream())
                .filter(a -> a.kind().byLocks() && a.item().equals(id))
                .map(RoundPack.Ask::name)
                .findFirst()
                .orElse(Text.plain(id));
    }

    /** What was looked at, as the inspection list names it. */
    private Text site(String id) {
        List<ReleaseSite> plan = replay.progress().state().plan();
        return (plan == null ? List.<ReleaseSite>of() : plan)
                .stream()
                        .filter(s -> s.id().equals(id))
                        .map(ReleaseSite::name)
                        .findFirst()
                        .orElse(Text.plain(id));
    }

    private static Text checkName(String id, PackStep step) {
        return step.checks().stream()
                .filter(c -> c.id().equals(id))
                .map(RoundPack.CheckPlan::name)
                .findFirst()
                .orElse(Text.plain(id));
    }

    private static @Nullable String unit(String id, PackStep step) {
        return step.checks().stream()
                .filter(c -> c.id().equals(id))
                .map(RoundPack.CheckPlan::unit)
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
    }

    private String instrument(String id) {
        return pack.instruments().stream()
                .filter(i -> i.id().equals(id))
                .map(Instrument::name)
                .findFirst()
                .orElse(id);
    }

    private static Text piece(String key, PackStep step) {
        return Stream.concat(step.off().stream(), step.on().stream())
                .filter(p -> p.key().equals(key))
                .map(RoundPack.Piece::name)
                .findFirst()
                .orElse(Text.plain(key));
    }

    private static String measured(@Nullable Double value, @Nullable String unit) {
        return value == null
                ? ""
                : (": " + Show.number(value) + " " + (unit == null ? "" : unit)).stripTrailing();
    }
}
