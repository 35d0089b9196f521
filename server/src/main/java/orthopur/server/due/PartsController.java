package orthopur.server.due;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import orthopur.due.PartsAndSettings;
import orthopur.due.PartsAndSettings.Stock;
import orthopur.formats.TextDocument;
import orthopur.server.floor.SiteEntries;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Heavy;
import orthopur.server.platform.MayUse;
import orthopur.server.prints.Paper;

/** Wear parts with what has to be ordered, and settings as they were read. */
@RestController
@MayUse
@RequestMapping("/api/parts")
class PartsController {
    private final DueOnSite due;
    private final Sheets sheets;
    private final SiteEntries entries;
    private final Paper paper;

    PartsController(DueOnSite due, Sheets sheets, SiteEntries entries, Paper paper) {
        this.due = due;
        this.sheets = sheets;
        this.entries = entries;
        this.paper = paper;
    }

    /**
     * A kit of a machine.
     *
     * @param left on the shelf; null where nobody has counted
     * @param fitted epoch milliseconds
     * @param ends,orderBy days of the site
     */
    record WearPart(
            String machine,
            String id,
            String name,
            @Nullable String number,
            @Nullable Integer left,
            @Nullable Integer reorderAt,
            @Nullable Integer leadDays,
            @Nullable String shelf,
            @Nullable Long fitted,
            @Nullable String ends,
            @Nullable String orderBy,
            Stock stock,
            TextDocument because) {
        static WearPart of(PartsAndSettings.Part p) {
            return new WearPart(
                    p.machine(),
                    p.kit().id(),
                    p.kit().name(),
                    p.kit().number(),
                    p.left(),
                    p.kit().reorderAt(),
                    p.kit().leadDays(),
                    p.kit().shelf(),
                    millis(p.fitted()),
                    p.ends() == null ? null : p.ends().toString(),
                    p.orderBy() == null ? null : p.orderBy().toString(),
                    p.stock(),
                    TextDocument.of(p.because()));
        }
    }

    /**
     * A setting of a machine.
     *
     * @param approved with its tolerance and unit, as it is read
     * @param read null where nobody has read it
     */
    record MachineSetting(
            String machine,
            String id,
            String name,
            String approved,
            @Nullable String unit,
            @Nullable String where,
            @Nullable Double read,
            @Nullable Long at,
            @Nullable String who,
            boolean off) {
        static MachineSetting of(PartsAndSettings.Read r) {
            return new MachineSetting(
                    r.machine(),
                    r.setting().id(),
                    r.setting().name(),
                    PartsAndSettings.approved(r.setting()),
                    r.setting().unit(),
                    r.setting().where(),
                    r.read(),
                    millis(r.at()),
                    r.who(),
                    r.off());
        }
    }

    /** What has to be ordered first, and what is off first. */
    record PartsView(List<WearPart> parts, List<MachineSetting> settings) {}

    private static @Nullable Long millis(@Nullable Instant at) {
        return at == null ? null : at.toEpochMilli();
    }

    @GetMapping
    PartsView all() {
        return new PartsView(
                parts().stream().map(WearPart::of).toList(),
                PartsAndSettings.settings(sheets.all(), entries.state()).stream()
                        .map(MachineSetting::of)
                        .toList());
    }

    private List<PartsAndSettings.Part> parts() {
        return PartsAndSettings.parts(
                sheets.all(), due.list(), entries.state(), due.days(), due.now());
    }

    private List<WearPart> orders() {
        return parts().stream()
                .filter(p -> p.stock() == Stock.ORDER || p.stock() == Stock.TOO_LATE)
                .map(WearPart::of)
                .toList();
    }

    /** What has to be ordered, for a spreadsheet. */
    @GetMapping("/orders.csv")
    ResponseEntity<String> csv() {
        StringWriter out = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(out, CSVFormat.RFC4180)) {
            csv.printRecord(
                    "machine", "number", "name", "left", "ordered at", "order by", "shelf", "why");
            for (WearPart p : orders()) {
                csv.printRecord(
                        safe(p.machine()),
                        safe(p.number()),
                        safe(p.name()),
                        p.left(),
                        p.reorderAt(),
                        p.orderBy(),
                        safe(p.shelf()),
                        safe(p.because().english()));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("text/csv;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"orders.csv\"")
                .body(out.toString());
    }

    /** A spreadsheet takes what begins so for a formula; a name from a sheet is none. */
    private static String safe(@Nullable String text) {
        String t = Objects.requireNonNullElse(text, "");
        return !t.isEmpty() && "=+-@\t\r".indexOf(t.charAt(0)) >= 0 ? "'" + t : t;
    }

    /** What has to be ordered, on paper. */
    @Heavy
    @GetMapping("/orders.pdf")
    ResponseEntity<byte[]> pdf(@RequestParam(defaultValue = "A4", name = "paper") String size) {
        Map<String, Object> values = new HashMap<>();
        values.put("orders", orders());
        values.put("today", due.days().dayOf(due.now()).toString());
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"orders.pdf\"")
                .body(paper.print("orders", Paper.Size.named(size), false, values));
    }
}
