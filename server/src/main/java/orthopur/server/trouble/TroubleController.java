package orthopur.server.trouble;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.db.tables.records.RoundRecord;
import orthopur.formats.TextDocument;
import orthopur.machine.Fault;
import orthopur.machine.MachineSheet;
import orthopur.machine.Sign;
import orthopur.machine.Symptom;
import orthopur.roundpack.RoundPack;
import orthopur.server.floor.RoundLog;
import orthopur.server.floor.Rounds;
import orthopur.server.floor.SiteEntries;
import orthopur.server.machines.Sheets;
import orthopur.server.platform.MayUse;
import orthopur.sitestream.SiteEntry;
import orthopur.sitestream.SiteState;
import orthopur.trouble.Finder;

/** What to look at when something is wrong with a machine. */
@RestController
@MayUse
@RequestMapping("/api/machines/{code}/trouble")
class TroubleController {
    private final Sheets sheets;
    private final RoundLog log;
    private final Rounds rounds;
    private final SiteEntries entries;

    TroubleController(Sheets sheets, RoundLog log, Rounds rounds, SiteEntries entries) {
        this.sheets = sheets;
        this.log = log;
        this.rounds = rounds;
        this.entries = entries;
    }

    /** One thing to look at, in the state in which the machine has to be for it. */
    record LookStep(
            Finder.Because because,
            Symptom.State state,
            boolean raised,
            TextDocument look,
            @Nullable TextDocument cure,
            @Nullable String part,
            boolean qualified) {}

    /** A symptom with all that is looked at for it, in order. */
    record SymptomView(String id, String symptom, List<LookStep> steps) {}

    /**
     * The last clean.
     *
     * @param at epoch milliseconds at which it began
     */
    record LastClean(String round, String title, long at, String who) {}

    /**
     * What was found before.
     *
     * @param at epoch milliseconds
     */
    record FoundBefore(String symptom, String found, long at, String who) {}

    /** All that is known of what goes wrong with a machine. */
    record TroubleView(
            String code,
            String name,
            @Nullable LastClean last,
            List<SymptomView> symptoms,
            List<Fault> faults,
            List<Sign> signs,
            List<FoundBefore> before) {}

    @GetMapping
    TroubleView trouble(@PathVariable String code) {
        MachineSheet sheet = sheets.newest(code);
        RoundRecord last =
                log.newest().stream()
                        .filter(r -> r.getMachine().equals(code))
                        .findFirst()
                        .orElse(null);
        List<String> putBack = last == null ? List.of() : putBack(rounds.load(last.getId()).pack());
        List<Finder.Cured> cured = new ArrayList<>();
        List<FoundBefore> before = new ArrayList<>();
        for (SiteState.Known k : entries.state().newest().values()) {
            if (k.entry() instanceof SiteEntry.TroubleCured t && t.machine().equals(code)) {
                cured.add(new Finder.Cured(t.symptom(), t.found(), t.part(), t.at()));
                before.add(new FoundBefore(t.symptom(), t.found(), t.at(), k.who()));
            }
        }
        return new TroubleView(
                sheet.code(),
                sheet.name(),
                last == null
                        ? null
                        : new LastClean(
                                last.getId(),
                                last.getTitle(),
                                last.getStartedAt(),
                                last.getStartedBy()),
                sheet.symptoms().stream().map(s -> view(sheet, s, putBack, cured)).toList(),
                sheet.faults(),
                sheet.signs(),
                before);
    }

    private static SymptomView view(
            MachineSheet sheet, Symptom s, List<String> putBack, List<Finder.Cured> cured) {
        return new SymptomView(
                s.id(),
                s.symptom(),
                Finder.of(sheet, s, putBack, cured).stream()
                        .map(
                                x ->
                                        new LookStep(
                                                x.because(),
                                                x.state(),
                                                x.raised(),
                                                TextDocument.of(x.look()),
                                                x.cure() == null ? null : TextDocument.of(x.cure()),
                                                x.part(),
                                                x.qualified()))
                        .toList());
    }

    /** Parts that went back in a round. */
    private static List<String> putBack(RoundPack pack) {
        return pack.steps().stream()
                .flatMap(s -> s.on().stream())
                .map(p -> p.key().substring(0, Math.max(0, p.key().lastIndexOf('#'))))
                .distinct()
                .toList();
    }
}
