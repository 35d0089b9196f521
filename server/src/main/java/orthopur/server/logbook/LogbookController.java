package orthopur.server.logbook;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import orthopur.db.tables.records.RoundRecord;
import orthopur.formats.EntryEnvelope;
import orthopur.formats.Site;
import orthopur.ledger.Head;
import orthopur.round.Entry;
import orthopur.roundpack.RoundPack;
import orthopur.server.custody.Custody;
import orthopur.server.floor.Replay;
import orthopur.server.floor.RoundLog;
import orthopur.server.floor.Rounds;
import orthopur.server.languages.Languages;
import orthopur.server.languages.Tongue;
import orthopur.server.machines.Premises;
import orthopur.server.people.Accounts;
import orthopur.server.people.Heavy;
import orthopur.server.people.Person;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Said;
import orthopur.server.prints.Paper;
import orthopur.text.Text;

@RestController
@MayUse
@RequestMapping("/api/logbook")
class LogbookController {
    private static final int MOST = 200;

    private final RoundLog log;
    private final Rounds rounds;
    private final Premises premises;
    private final Accounts accounts;
    private final ChainWalk chain;
    private final Paper paper;
    private final Custody custody;
    private final Languages languages;

    LogbookController(
            RoundLog log,
            Rounds rounds,
            Premises premises,
            Accounts accounts,
            ChainWalk chain,
            Paper paper,
            Custody custody,
            Languages languages) {
        this.languages = languages;
        this.custody = custody;
        this.log = log;
        this.rounds = rounds;
        this.premises = premises;
        this.accounts = accounts;
        this.chain = chain;
        this.paper = paper;
    }

    record LogRow(
            String round,
            String machine,
            String procedure,
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
                    r.getProcedureId(),
                    r.getTitle(),
                    r.getVersion(),
                    r.getStartedBy(),
                    r.getStartedAt(),
                    r.getClosedBy(),
                    r.getClosedAt());
        }
    }

    record RoundReport(
            LogRow row,
            String machineName,
            int sheetVersion,
            String ruleBook,
            String packHash,
            List<RecordLines.LogEntry> entries,
            boolean chainWhole) {}

    /** Rounds that started between two days of the site's zone, both included. */
    @GetMapping
    List<LogRow> rounds(
            @RequestParam(required = false) String machine,
            @RequestParam(required = false) LocalDate from,
            @RequestParam(required = false) LocalDate to) {
        ZoneId zone = ZoneId.of(premises.now().site().zone());
        long start = from == null ? 0 : from.atStartOfDay(zone).toInstant().toEpochMilli();
        long end =
                to == null
                        ? Long.MAX_VALUE
                        : to.plusDays(1).atStartOfDay(zone).toInstant().toEpochMilli() - 1;
        String code = machine == null || machine.isBlank() ? null : machine;
        return log.rounds(code, start, end, MOST).stream().map(LogRow::of).toList();
    }

    /**
     * An entry as it is stored, for other programs.
     *
     * @param who whose account it is, by the name of today
     */
    record Stored(long seq, EntryEnvelope envelope, String hash, String who) {}

    @GetMapping("/{round}/entries")
    List<Stored> entries(@PathVariable String round) {
        log.round(round);
        Map<Long, String> names = accounts.names();
        return log.entries(round).stream()
                .map(
                        e ->
                                new Stored(
                                        e.seq(),
                                        e.envelope(),
                                        e.hash(),
                                        e.envelope().named(names).who()))
                .toList();
    }

    record Correction(String entry, String text, @Nullable String pin) {}

    /** Says beside an entry what is right; the entry stays as it is. */
    @PostMapping("/{round}/corrections")
    RoundReport correct(
            @PathVariable String round,
            @RequestBody Correction in,
            @AuthenticationPrincipal Person person) {
        EntryEnvelope wrong =
                log.entries(round).stream()
                        .map(EntryEnvelope.Chained::envelope)
                        .filter(e -> e.id().equals(in.entry()))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        Said.notFound(
                                                Text.of(
                                                        "logbook-controller.this-round-has-no-entry",
                                                        "This round has no entry {0}.",
                                                        in.entry())));
        Replay r = rounds.load(round);
        String last = r.pack().steps().getLast().id();
        boolean known = r.pack().steps().stream().anyMatch(s -> s.id().equals(wrong.step()));
        Entry entry =
                new Entry.Correction(known ? wrong.step() : last, in.entry(), in.text().strip());
        rounds.enter(round, rounds.atTheDesk(r, entry), in.pin(), person);
        return one(round);
    }

    /** The whole record on paper. */
    @Heavy
    @GetMapping("/{round}/pdf")
    ResponseEntity<byte[]> pdf(
            @PathVariable String round,
            @RequestParam(defaultValue = "a4") String size,
            @RequestParam(defaultValue = "", name = "in") String language) {
        RoundReport report = one(round);
        LogRow row = report.row();
        Tongue t = languages.tongue(language, row.machine(), row.procedure());
        Site site = premises.now().site();
        DateTimeFormatter time =
                DateTimeFormatter.ofPattern("d MMM, HH:mm", Locale.of(t.code()))
                        .withZone(ZoneId.of(site.zone()));
        Map<String, Object> on = new HashMap<>();
        on.put("report", report);
        on.put("site", site.name());
        on.put("started", time.format(Instant.ofEpochMilli(report.row().startedAt())));
        Long closed = report.row().closedAt();
        on.put("closed", closed == null ? "" : time.format(Instant.ofEpochMilli(closed)));
        on.put(
                "times",
                report.entries().stream()
                        .map(e -> time.format(Instant.ofEpochMilli(e.at())))
                        .toList());
        on.put(
                "keptUntil",
                Instant.ofEpochMilli(closed == null ? report.row().startedAt() : closed)
                        .atZone(ZoneId.of(site.zone()))
                        .toLocalDate()
                        .plusYears(site.habits().keepYears()));
        on.put("printed", time.format(Instant.ofEpochMilli(rounds.now())));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "inline; filename=\"record-" + report.row().machine() + ".pdf\"")
                .body(paper.print("record", Paper.Size.named(size), false, on, t));
    }

    @GetMapping("/{round}")
    RoundReport one(@PathVariable String round) {
        RoundRecord r = log.round(round);
        RoundPack pack = log.pack(r.getPackHash());
        RecordLines lines = new RecordLines(new Replay(r, pack));
        List<RecordLines.LogEntry> entries = new ArrayList<>();
        boolean whole = true;
        Map<Long, String> names = accounts.names();
        for (EntryEnvelope.Chained e : log.entries(round)) {
            whole &= e.envelope().hash().equals(e.hash());
            entries.add(lines.next(e.seq(), e.envelope().named(names)));
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

    /**
     * Whether the chain of the site is whole.
     *
     * @param anew whether all of it is walked again, however long that takes
     */
    @Heavy
    @GetMapping("/integrity")
    ChainWalk.Integrity integrity(@RequestParam(defaultValue = "false") boolean anew) {
        return anew ? chain.anew() : chain.soFar();
    }

    /**
     * Where the log ends, signed: a line to keep elsewhere, by which a log that was cut off or
     * written anew is known.
     */
    @GetMapping(value = "/head", produces = MediaType.TEXT_PLAIN_VALUE)
    ResponseEntity<String> head() {
        Head head = custody.last();
        if (head == null) {
            throw Said.notFound(
                    Text.of("logbook-controller.nothing-is-signed-yet", "Nothing is signed yet."));
        }
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=\"orthopur-head.txt\"")
                .body(head.line() + "\n");
    }
}
