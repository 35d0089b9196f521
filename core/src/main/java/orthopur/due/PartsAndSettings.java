package orthopur.due;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Kit;
import orthopur.machine.MachineSheet;
import orthopur.machine.Setting;
import orthopur.quantity.Show;
import orthopur.sitestream.SiteEntry;
import orthopur.sitestream.SiteState;
import orthopur.text.Text;

/** Wear parts on the shelf and in the machines, and settings as they were read. */
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
     * @param off whether it is further from what was approved than is tolerated
     */
    public record Read(
            String machine,
            Setting setting,
            @Nullable Double read,
            @Nullable Instant at,
            @Nullable String who,
            boolean off) {}

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

    /** Every setting of every machine, what is off first. */
    public static List<Read> settings(List<MachineSheet> sheets, SiteState state) {
        List<Read> all = new ArrayList<>();
        for (MachineSheet s : sheets) {
            for (Setting x : s.settings()) {
                SiteState.Known newest =
                        state.newest()
                                .get(new SiteEntry.SettingRead(s.code(), x.id(), 0, "", 0).about());
                if (newest != null && newest.entry() instanceof SiteEntry.SettingRead r) {
                    all.add(
                            new Read(
                                    s.code(),
                                    x,
                                    r.value(),
                                    Instant.ofEpochMilli(r.at()),
                                    newest.who(),
                                    off(x, r)));
                } else {
                    all.add(new Read(s.code(), x, null, null, null, false));
                }
            }
        }
        all.sort(
                Comparator.comparing((Read r) -> !r.off())
                        .thenComparing(r -> r.read() != null)
                        .thenComparing(Read::machine));
        return all;
    }

    /** A value in another unit is off, whatever its number. */
    private static boolean off(Setting x, SiteEntry.SettingRead r) {
        String unit = x.unit() == null ? "" : x.unit();
        return !unit.equals(r.unit()) || Math.abs(r.value() - x.approved()) > x.tolerance() + 1e-9;
    }

    /** What was approved, with its tolerance, as people read it. */
    public static String approved(Setting x) {
        String unit = x.unit() == null ? "" : " " + x.unit();
        return Show.number(x.approved())
                + unit
                + (x.tolerance() > 0 ? " ± " + Show.number(x.tolerance()) + unit : "");
    }
}
