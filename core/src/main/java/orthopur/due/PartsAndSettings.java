package orthopur.due;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.machine.DataPlate;
import orthopur.machine.Kit;
import orthopur.machine.MachineSheet;
import orthopur.machine.Setting;
import orthopur.quantity.Show;
import orthopur.sitestream.SiteEntry;
import orthopur.sitestream.SiteState;
import orthopur.text.Text;

/** Wear parts and products in stock, settings and data plates as they were read. */
public final class PartsAndSettings {
    private PartsAndSettings() {}

    /** How a kit stands. */
    public enum Stock {
        /** Nobody has counted it. */
        NOT_COUNTED,
        ENOUGH,
        /** As few are left as it is ordered at, or its life ends before an order would be here. */
        ORDER,
        /** None is left, and its life ends before an order would be here. */
        TOO_LATE
    }

    /**
     * A kit of a machine.
     *
     * @param left on the shelf; null where nobody has counted
     * @param fitted when it was fitted last; null where nobody has entered it
     * @param ends day on which its life ends; null where that is not known
     * @param orderBy day by which it has to be ordered to be here in time; null where not known
     */
    public record Part(
            String machine,
            Kit kit,
            @Nullable Integer left,
            @Nullable Instant fitted,
            @Nullable LocalDate ends,
            @Nullable LocalDate orderBy,
            Stock stock,
            Text because) {}

    /**
     * A setting as it was read last.
     *
     * @param read null where nobody has read it
     * @param off whether it is further from what was approved, or let run for now, than is
     *     tolerated
     * @param letRun what was said about it last; it may have ended
     */
    public record Read(
            String machine,
            Setting setting,
            @Nullable Double read,
            @Nullable Instant at,
            @Nullable String who,
            boolean off,
            SiteEntry.@Nullable SettingLetRun letRun) {
        /** Whether it is made up for at a moment. */
        public boolean madeUpFor(Instant moment) {
            return letRun != null
                    && !off
                    && at != null
                    && differs(setting, read, null)
                    && moment.toEpochMilli() < letRun.until();
        }
    }

    /**
     * A product in stock.
     *
     * @param amount in {@code unit} as it was counted last; null where nobody has counted
     */
    public record Product(
            Chemical chemical,
            @Nullable Double amount,
            @Nullable String unit,
            @Nullable Instant at,
            @Nullable String who,
            Stock stock,
            Text because) {}

    /**
     * The data plate of a machine, as the sheet has it and as it was read.
     *
     * @param sheet null where the sheet has none
     * @param read null where nobody has read it
     * @param differs whether what was read is another machine than the sheet describes
     * @param twin code of another machine whose sheet has the same plate; null where there is none
     */
    public record Plate(
            String machine,
            @Nullable DataPlate sheet,
            SiteEntry.@Nullable PlateRead read,
            @Nullable String who,
            boolean differs,
            @Nullable String twin) {}

    /**
     * Every kit of every machine, what has to be ordered first.
     *
     * @param due what is due, by which the end of a life is known
     */
    public static List<Part> parts(
            List<MachineSheet> sheets, List<Due> due, SiteState state, SiteDays days, Instant now) {
        List<Part> all = new ArrayList<>();
        LocalDate today = days.dayOf(now);
        for (MachineSheet s : sheets) {
            for (Kit k : s.kits()) {
                String task = SiteKnown.kitTask(s.code(), k.id());
                Due d =
                        due.stream()
                                .filter(x -> x.task().id().equals(task))
                                .findFirst()
                                .orElse(null);
                LocalDate ends = d == null || d.due() == null ? null : days.dayOf(d.due());
                LocalDate by =
                        ends == null || k.leadDays() == null ? null : ends.minusDays(k.leadDays());
                Integer left = SiteKnown.left(state, s.code(), k.id());
                Stock stock = stock(k, left, by, today);
                all.add(
                        new Part(
                                s.code(),
                                k,
                                left,
                                d == null ? null : d.since(),
                                ends,
                                by,
                                stock,
                                because(k, left, ends, stock)));
            }
        }
        all.sort(
                Comparator.comparing((Part p) -> -p.stock().ordinal())
                        .thenComparing(p -> p.orderBy() == null ? LocalDate.MAX : p.orderBy())
                        .thenComparing(Part::machine));
        return all;
    }

    private static Stock stock(
            Kit k, @Nullable Integer left, @Nullable LocalDate by, LocalDate today) {
        if (left == null) {
            return Stock.NOT_COUNTED;
        }
        boolean soon = by != null && !by.isAfter(today);
        if (left == 0 && soon) {
            return Stock.TOO_LATE;
        }
        boolean few = k.reorderAt() != null && left <= k.reorderAt();
        return few || left == 0 ? Stock.ORDER : Stock.ENOUGH;
    }

    private static Text because(
            Kit k, @Nullable Integer left, @Nullable LocalDate ends, Stock stock) {
        return switch (stock) {
            case NOT_COUNTED -> Text.of("parts.not-counted", "nobody has counted it");
            case ENOUGH -> Text.of("parts.enough", "{0} on the shelf", left == null ? 0 : left);
            case ORDER ->
                    Text.of(
                            "parts.order",
                            "{0} left; it is ordered at {1}",
                            left == null ? 0 : left,
                            k.reorderAt() == null ? 0 : k.reorderAt());
            case TOO_LATE ->
                    Text.of(
                            "parts.too-late",
                            "none left, its life ends on {0}, and an order takes {1} days",
                            String.valueOf(ends),
                            k.leadDays() == null ? 0 : k.leadDays());
        };
    }

    /** Every product of the site, what has to be ordered first. */
    public static List<Product> products(List<Chemical> chemicals, SiteState state) {
        List<Product> all = new ArrayList<>();
        for (Chemical c : chemicals) {
            SiteState.Known k =
                    state.newest().get(new SiteEntry.StockCounted(c.id(), 0, "").about());
            if (k == null || !(k.entry() instanceof SiteEntry.StockCounted e)) {
                all.add(
                        new Product(
                                c,
                                null,
                                null,
                                null,
                                null,
                                Stock.NOT_COUNTED,
                                Text.of("parts.not-counted", "nobody has counted it")));
                continue;
            }
            Stock stock = stock(c.reorder(), e);
            all.add(
                    new Product(
                            c,
                            e.amount(),
                            e.unit(),
                            Instant.ofEpochMilli(k.at()),
                            k.who(),
                            stock,
                            because(c.reorder(), e, stock)));
        }
        all.sort(
                Comparator.comparing((Product p) -> -p.stock().ordinal())
                        .thenComparing(p -> p.chemical().name()));
        return all;
    }

    private static Stock stock(Chemical.@Nullable Reorder at, SiteEntry.StockCounted e) {
        if (e.amount() == 0) {
            return Stock.TOO_LATE;
        }
        if (at == null || !at.unit().equals(e.unit())) {
            return Stock.NOT_COUNTED;
        }
        return e.amount() <= at.amount() ? Stock.ORDER : Stock.ENOUGH;
    }

    private static Text because(
            Chemical.@Nullable Reorder at, SiteEntry.StockCounted e, Stock stock) {
        String left = Show.number(e.amount()) + " " + e.unit();
        if (stock == Stock.TOO_LATE) {
            return Text.of("parts.none-left", "none left");
        }
        if (at == null) {
            return Text.of(
                    "parts.no-reorder",
                    "{0} left; nobody has said at how much it is ordered",
                    left);
        }
        String ordered = Show.number(at.amount()) + " " + at.unit();
        return stock == Stock.NOT_COUNTED
                ? Text.of(
                        "parts.other-unit",
                        "{0} left, but it is ordered at {1}: count it in that unit",
                        left,
                        ordered)
                : Text.of("parts.left-of", "{0} left; it is ordered at {1}", left, ordered);
    }

    /** Every data plate that a sheet has or that was read, what differs first. */
    public static List<Plate> plates(List<MachineSheet> sheets, SiteState state) {
        List<Plate> all = new ArrayList<>();
        for (MachineSheet s : sheets) {
            SiteState.Known k =
                    state.newest().get(new SiteEntry.PlateRead(s.code(), "", "", 0).about());
            SiteEntry.PlateRead read =
                    k != null && k.entry() instanceof SiteEntry.PlateRead e ? e : null;
            DataPlate plate = s.dataPlate();
            if (plate != null || read != null) {
                all.add(
                        new Plate(
                                s.code(),
                                plate,
                                read,
                                read == null || k == null ? null : k.who(),
                                read != null && differs(plate, read),
                                plate == null ? null : twin(sheets, s.code(), plate)));
            }
        }
        all.sort(
                Comparator.comparing((Plate p) -> !p.differs())
                        .thenComparing(p -> p.read() != null)
                        .thenComparing(Plate::machine));
        return all;
    }

    /** A serial that the sheet leaves out was not compared; a type always is. */
    private static boolean differs(@Nullable DataPlate sheet, SiteEntry.PlateRead read) {
        return sheet != null
                && (!stamped(sheet.type()).equals(stamped(read.type()))
                        || sheet.serial() != null
                                && !stamped(sheet.serial()).equals(stamped(read.serial())));
    }

    private static @Nullable String twin(List<MachineSheet> sheets, String code, DataPlate plate) {
        return plate.serial() == null
                ? null
                : sheets.stream()
                        .filter(s -> !s.code().equals(code))
                        .filter(
                                s ->
                                        s.dataPlate() != null
                                                && s.dataPlate().serial() != null
                                                && stamped(s.dataPlate().serial())
                                                        .equals(stamped(plate.serial()))
                                                && stamped(s.dataPlate().type())
                                                        .equals(stamped(plate.type())))
                        .map(MachineSheet::code)
                        .findFirst()
                        .orElse(null);
    }

    /** As it is stamped, without what people write between the letters. */
    private static String stamped(String text) {
        return text.replaceAll("[^\\p{L}\\p{N}]", "").toUpperCase(Locale.ROOT);
    }

    /** Every setting of every machine, what is off first. */
    public static List<Read> settings(List<MachineSheet> sheets, SiteState state, Instant now) {
        List<Read> all = new ArrayList<>();
        for (MachineSheet s : sheets) {
            for (Setting x : s.settings()) {
                SiteState.Known newest =
                        state.newest()
                                .get(new SiteEntry.SettingRead(s.code(), x.id(), 0, "", 0).about());
                SiteEntry.SettingLetRun let = letRun(state, s.code(), x.id());
                if (newest != null && newest.entry() instanceof SiteEntry.SettingRead r) {
                    boolean madeUp =
                            let != null
                                    && now.toEpochMilli() < let.until()
                                    && let.unit().equals(r.unit())
                                    && !far(x, r.value(), let.value());
                    all.add(
                            new Read(
                                    s.code(),
                                    x,
                                    r.value(),
                                    Instant.ofEpochMilli(r.at()),
                                    newest.who(),
                                    differs(x, r.value(), r.unit()) && !madeUp,
                                    let));
                } else {
                    all.add(new Read(s.code(), x, null, null, null, false, let));
                }
            }
        }
        all.sort(
                Comparator.comparing((Read r) -> !r.off())
                        .thenComparing(r -> r.read() != null)
                        .thenComparing(Read::machine));
        return all;
    }

    private static SiteEntry.@Nullable SettingLetRun letRun(
            SiteState state, String machine, String setting) {
        SiteState.Known k =
                state.newest()
                        .get(
                                new SiteEntry.SettingLetRun(machine, setting, 0, "", "", "", 0, 0)
                                        .about());
        return k != null && k.entry() instanceof SiteEntry.SettingLetRun e ? e : null;
    }

    /**
     * A value in another unit differs, whatever its number.
     *
     * @param unit null where it was found to be that of the sheet
     */
    private static boolean differs(Setting x, @Nullable Double value, @Nullable String unit) {
        String own = x.unit() == null ? "" : x.unit();
        return value != null && (unit != null && !own.equals(unit) || far(x, value, x.approved()));
    }

    private static boolean far(Setting x, double value, double from) {
        return Math.abs(value - from) > x.tolerance() + 1e-9;
    }

    /** What was approved, with its tolerance, as people read it. */
    public static String approved(Setting x) {
        String unit = x.unit() == null ? "" : " " + x.unit();
        return Show.number(x.approved())
                + unit
                + (x.tolerance() > 0 ? " ± " + Show.number(x.tolerance()) + unit : "");
    }
}
