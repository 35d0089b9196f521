package orthopur.server.due;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.ArrayList;
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
import orthopur.chemical.Chemical;
import orthopur.due.PartsAndSettings;
import orthopur.due.PartsAndSettings.Stock;
import orthopur.formats.TextDocument;
import orthopur.quantity.Show;
import orthopur.server.floor.SiteEntries;
import orthopur.server.languages.Languages;
import orthopur.server.machines.Premises;
import orthopur.server.machines.Sheets;
import orthopur.server.people.Heavy;
import orthopur.server.platform.MayUse;
import orthopur.server.prints.Paper;
import orthopur.sitestream.SiteEntry;

/** Wear parts and products with what has to be ordered, settings and plates as they were read. */
@RestController
@MayUse
@RequestMapping("/api/parts")
class PartsController {
    private final DueOnSite due;
    private final Sheets sheets;
    private final SiteEntries entries;
    private final Premises premises;
    private final Paper paper;
    private final Languages languages;

    PartsController(
            DueOnSite due,
            Sheets sheets,
            SiteEntries entries,
            Premises premises,
            Paper paper,
            Languages languages) {
        this.languages = languages;
        this.due = due;
        this.sheets = sheets;
        this.entries = entries;
        this.premises = premises;
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
            boolean off,
            @Nullable LetRun letRun) {
        static MachineSetting of(PartsAndSettings.Read r, Instant now) {
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
                    r.off(),
                    r.letRun() == null || !r.off() && !r.madeUpFor(now)
                            ? null
                            : LetRun.of(r.letRun(), now));
        }
    }

    /**
     * At what a setting runs for now.
     *
     * @param until epoch milliseconds
     */
    record LetRun(double value, String owner, String why, long until, boolean ended) {
        static LetRun of(SiteEntry.SettingLetRun e, Instant now) {
            return new LetRun(
                    e.value(), e.owner(), e.why(), e.until(), now.toEpochMilli() >= e.until());
        }
    }

    /**
     * A product in stock.
     *
     * @param amount null where nobody has counted
     * @param unit in which it was counted, else in which it is ordered
     * @param reorder at how much it is ordered, as it is read; null where nobody has said
     * @param at epoch milliseconds
     */
    record ProductInStock(
            String id,
            String name,
            @Nullable Double amount,
            @Nullable String unit,
            @Nullable String reorder,
            @Nullable Integer leadDays,
            @Nullable Long at,
            @Nullable String who,
            Stock stock,
            TextDocument because) {
        static ProductInStock of(PartsAndSettings.Product p) {
            Chemical.Reorder r = p.chemical().reorder();
            return new ProductInStock(
                    p.chemical().id(),
                    p.chemical().name(),
                    p.amount(),
                    p.unit() != null ? p.unit() : r == null ? null : r.unit(),
                    r == null ? null : Show.number(r.amount()) + " " + r.unit(),
                    r == null ? null : r.leadDays(),
                    millis(p.at()),
                    p.who(),
                    p.stock(),
                    TextDocument.of(p.because()));
        }
    }

    /**
     * The data plate of a machine.
     *
     * @param type,serial of the sheet
     * @param readType,readSerial as stamped
     * @param at epoch milliseconds
     * @param twin another machine whose sheet has the same plate
     */
    record PlateOfMachine(
            String machine,
            @Nullable String type,
            @Nullable String serial,
            @Nullable String readType,
            @Nullable String readSerial,
            @Nullable Long at,
            @Nullable String who,
            boolean differs,
            @Nullable String twin) {
        static PlateOfMachine of(PartsAndSettings.Plate p) {
            SiteEntry.PlateRead r = p.read();
            return new PlateOfMachine(
                    p.machine(),
                    p.sheet() == null ? null : p.sheet().type(),
                    p.sheet() == null ? null : p.sheet().serial(),
                    r == null ? null : r.type(),
                    r == null || r.serial().isEmpty() ? null : r.serial(),
                    r == null ? null : Long.valueOf(r.at()),
                    p.who(),
                    p.differs(),
                    p.twin());
        }
    }

    /** What has to be ordered first, and what is off or differs first. */
    record PartsView(
            List<WearPart> parts,
            List<ProductInStock> products,
            List<MachineSetting> settings,
            List<PlateOfMachine> plates) {}

    private static @Nullable Long millis(@Nullable Instant at) {
        return at == null ? null : at.toEpochMilli();
    }

    @GetMapping
    PartsView all() {
        return new PartsView(
                parts().stream().map(WearPart::of).toList(),
                products().stream().map(ProductInStock::of).toList(),
                PartsAndSettings.settings(sheets.all(), entries.state(), due.now()).stream()
                        .map(r -> MachineSetting.of(r, due.now()))
                        .toList(),
                PartsAndSettings.plates(sheets.all(), entries.state()).stream()
                        .map(PlateOfMachine::of)
                        .toList());
    }

    private List<PartsAndSettings.Part> parts() {
        return PartsAndSettings.parts(
                sheets.all(), due.list(), entries.state(), due.days(), due.now());
    }

    private List<PartsAndSettings.Product> products() {
        return PartsAndSettings.products(premises.now().chemicals(), entries.state());
    }

    /**
     * A line of the order list.
     *
     * @param machine empty for a product, which no machine owns
     */
    record Order(
            String machine,
            @Nullable String number,
            String name,
            String left,
            String orderedAt,
            @Nullable String orderBy,
            @Nullable String shelf,
            TextDocument because) {}

    private static boolean ordered(Stock stock) {
        return stock == Stock.ORDER || stock == Stock.TOO_LATE;
    }

    private List<Order> orders() {
        List<Order> all = new ArrayList<>();
        for (PartsAndSettings.Part p : parts()) {
            if (ordered(p.stock())) {
                WearPart w = WearPart.of(p);
                all.add(
                        new Order(
                                w.machine(),
                                w.number(),
                                w.name(),
                                Objects.toString(w.left(), ""),
                                Objects.toString(w.reorderAt(), ""),
                                w.orderBy(),
                                w.shelf(),
                                w.because()));
            }
        }
        for (PartsAndSettings.Product p : products()) {
            if (ordered(p.stock())) {
                ProductInStock x = ProductInStock.of(p);
                all.add(
                        new Order(
                                "",
                                null,
                                x.name(),
                                Show.number(x.amount() == null ? 0 : x.amount()) + " " + x.unit(),
                                Objects.toString(x.reorder(), ""),
                                null,
                                null,
                                x.because()));
            }
        }
        return all;
    }

    /** What has to be ordered, for a spreadsheet. */
    @GetMapping("/orders.csv")
    ResponseEntity<String> csv() {
        StringWriter out = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(out, CSVFormat.RFC4180)) {
            csv.printRecord(
                    "machine", "number", "name", "left", "ordered at", "order by", "shelf", "why");
            for (Order o : orders()) {
                csv.printRecord(
                        safe(o.machine()),
                        safe(o.number()),
                        safe(o.name()),
                        o.left(),
                        o.orderedAt(),
                        o.orderBy(),
                        safe(o.shelf()),
                        safe(o.because().english()));
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
    ResponseEntity<byte[]> pdf(
            @RequestParam(defaultValue = "A4", name = "paper") String size,
            @RequestParam(defaultValue = "", name = "in") String language) {
        Map<String, Object> values = new HashMap<>();
        values.put("orders", orders());
        values.put("today", due.days().dayOf(due.now()).toString());
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"orders.pdf\"")
                .body(
                        paper.print(
                                "orders",
                                Paper.Size.named(size),
                                false,
                                values,
                                languages.tongue(language)));
    }
}
