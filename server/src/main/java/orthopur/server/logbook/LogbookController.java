package orthopur.server.logbook;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import orthopur.Nullable;
import orthopur.db.tables.records.RoundRecord;
import orthopur.quantity.Show;
import orthopur.roundpack.Progress;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.server.floor.EntryEnvelope;
import orthopur.server.floor.EntryEnvelope.EntryValue;
import orthopur.server.floor.RoundLog;
import orthopur.server.machines.Sheets;

@RestController
@RequestMapping("/api/logbook")
class LogbookController {
    private static final int MOST = 200;

    private final RoundLog log;
    private final Sheets sheets;

    LogbookController(RoundLog log, Sheets sheets) {
        this.log = log;
        this.sheets = sheets;
    }

    record LogRow(
            String round,
            String machine,
            String title,
            int version,
            String startedBy,
            long startedAt,
            @Nullable String closedBy,
            @Nullable Long closedAt) {
        static LogRow of(RoundRecord r) {
            return new LogRow(
                    r.getId(),
                    r.getMachine(),
                    r.getTitle(),
                    r.getVersion(),
                    r.getStartedBy(),
                    r.getStartedAt(),
                    r.getClosedBy(),
                    r.getClosedAt());
        }
    }

    /**
     * @param kind as stored; {@code weight} is plain, reading-in, reading-out, corrective,
     *     deviation or signature
     */
    record LogEntry(
            long seq,
            long at,
            long tabletTime,
            String who,
            String kind,
            String weight,
            int step,
            String stepTitle,
            String text) {}

    record RoundReport(
            LogRow row,
            String machineName,
            int sheetVersion,
            String ruleBook,
            String packHash,
            List<LogEntry> entries,
            boolean chainWhole) {}

    record Integrity(boolean whole, long entries, @Nullable Long firstBroken) {}

    /** Rounds that started between two days of the site's zone, both included. */
    @GetMapping
    List<LogRow> rounds(
            @RequestParam(required = false) String machine,
            @RequestParam(required = false) LocalDate from,
            @RequestParam(required = false) LocalDate to) {
        ZoneId zone = ZoneId.of(sheets.surroundings().site().zone());
        long start = from == null ? 0 : from.atStartOfDay(zone).toInstant().toEpochMilli();
        long end =
                to == null
                        ? Long.MAX_VALUE
                        : to.plusDays(1).atStartOfDay(zone).toInstant().toEpochMilli() - 1;
        String code = machine == null || machine.isBlank() ? null : machine;
        return log.rounds(code, start, end, MOST).stream().map(LogRow::of).toList();
    }

    @GetMapping("/{round}")
    RoundReport one(@PathVariable String round) {
        RoundRecord r = log.round(round);
        RoundPack pack = log.pack(r.getPackHash());
        Map<String, PackStep> steps =
                pack.steps().stream().collect(Collectors.toMap(PackStep::id, Function.identity()));
        Progress progress = new Progress(pack);
        List<LogEntry> entries = new ArrayList<>();
        boolean whole = true;
        for (RoundLog.Stored e : log.entries(round)) {
            progress.accept(e.envelope().entry(), e.envelope().serverTime() / 1000);
            whole &= e.envelope().hash().equals(e.hash());
            entries.add(entry(e, steps.get(e.envelope().step()), progress, pack));
        }
        return new RoundReport(
                LogRow.of(r),
                pack.machineName(),
                pack.sheetVersion(),
                pack.ruleBook(),
                r.getPackHash(),
                entries,
                whole);
    }

    private static LogEntry entry(
            RoundLog.Stored stored, PackStep step, Progress after, RoundPack pack) {
        EntryEnvelope e = stored.envelope();
        Progress.ReadingState reading = after.readings().get(e.step());
        String weight =
                switch (e.kind()) {
                    case "reading" ->
                            reading != null && reading.outcome().name().equals("IN")
                                    ? "reading-in"
                                    : "reading-out";
                    case "corrective", "deviation" -> e.kind();
                    case "round-closed" -> "signature";
                    default -> "plain";
                };
        return new LogEntry(
                stored.seq(),
                e.serverTime(),
                e.tabletTime(),
                e.who(),
                e.kind(),
                weight,
                step.number(),
                step.title().equals(step.verb()) ? step.verb() : step.verb() + ": " + step.title(),
                text(e, step, reading, pack));
    }

    private static String text(
            EntryEnvelope e, PackStep step, Progress.ReadingState reading, RoundPack pack) {
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
            case "corrective" -> "done about it: " + value(e, "text");
            case "check" -> "checked: " + checkName(e, step) + measured(e);
            case "deviation" -> "otherwise than written: " + value(e, "reason");
            case "step-done" -> "done";
            default -> "closed and signed";
        };
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

    /** Walks the whole chain of the site. */
    @GetMapping("/integrity")
    @Transactional
    Integrity integrity() {
        String prev = "0".repeat(64);
        long count = 0;
        try (Stream<RoundLog.Stored> all = log.chain()) {
            for (RoundLog.Stored e : (Iterable<RoundLog.Stored>) all::iterator) {
                count++;
                if (!e.envelope().prevHash().equals(prev)
                        || !e.envelope().hash().equals(e.hash())) {
                    return new Integrity(false, count, e.seq());
                }
                prev = e.hash();
            }
        }
        return new Integrity(true, count, null);
    }
}
