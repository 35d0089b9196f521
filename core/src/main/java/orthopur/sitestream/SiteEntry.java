package orthopur.sitestream;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.round.EntryValue;
import orthopur.round.Figures;
import orthopur.round.Written;
import orthopur.round.Written.NotAnEntry;
import orthopur.text.Text;

/** Something that is entered for the site and belongs to no round. */
public sealed interface SiteEntry {
    /** What it is about; the newest entry about one thing holds. */
    String about();

    /**
     * A solution was made.
     *
     * @param vessel id of the vessel that it is in
     * @param chemical id of the product
     * @param litres of solution
     * @param mgPerL as it was mixed; null where it has no strength of its own
     * @param label that is on the vessel, and by which readings and rounds name it; null for one
     *     from before there were labels
     * @param celsius of the solution; null where nobody has read it
     * @param ph of the solution; null where nobody has read it
     * @param until epoch milliseconds until when it may be used; null where the label names none
     * @param why it may be used no longer, one of {@link #ENDS}; null where nobody has said
     * @param purpose what it is for, in plain words; null where nobody has said
     */
    record BucketMade(
            String vessel,
            String chemical,
            double litres,
            @Nullable Double mgPerL,
            @Nullable String label,
            @Nullable Double celsius,
            @Nullable Double ph,
            @Nullable Long until,
            @Nullable String why,
            @Nullable String purpose)
            implements SiteEntry {
        /** What ends the life of a solution: its label, the site's habit, fading, cooling. */
        public static final List<String> ENDS = List.of("label", "habit", "fades", "cools");

        public BucketMade(String vessel, String chemical, double litres, @Nullable Double mgPerL) {
            this(vessel, chemical, litres, mgPerL, null, null, null, null, null, null);
        }

        @Override
        public String about() {
            return "bucket/" + vessel;
        }
    }

    /**
     * A solution was read.
     *
     * @param label of the solution
     * @param instrument id
     * @param celsius as the thermometer shows it
     * @param at epoch milliseconds by the device, which tells readings of one solution apart
     * @param until epoch milliseconds until when it may be used as it fades and cools; null where
     *     the reading says nothing of that
     * @param why it may be used no longer, one of {@link BucketMade#ENDS}
     */
    record SolutionRead(
            String label,
            String instrument,
            double mgPerL,
            double celsius,
            long at,
            @Nullable Long until,
            @Nullable String why)
            implements SiteEntry {
        /** A reading that says nothing of how long it lasts. */
        public SolutionRead(
                String label, String instrument, double mgPerL, double celsius, long at) {
            this(label, instrument, mgPerL, celsius, at, null, null);
        }

        @Override
        public String about() {
            return "reading/" + label + "/" + at;
        }
    }

    /**
     * A solution was corrected. That makes it neither younger nor cleaner.
     *
     * @param what how: add, drain-and-add, water, drain-and-fill, warm
     * @param litres of concentrate or water that went in
     * @param drained litres that came out first
     * @param at epoch milliseconds by the device
     */
    record SolutionCorrected(String label, String what, double litres, double drained, long at)
            implements SiteEntry {
        /** How a solution is corrected. */
        public static final List<String> WAYS =
                List.of("add", "drain-and-add", "water", "drain-and-fill", "warm");

        @Override
        public String about() {
            return "corrected/" + label + "/" + at;
        }
    }

    /**
     * A vessel was emptied.
     *
     * @param rinsed whether it was washed out as well, so that something else may go in
     */
    record VesselEmptied(String vessel, boolean rinsed) implements SiteEntry {
        @Override
        public String about() {
            return "emptied/" + vessel;
        }
    }

    /**
     * An instrument was held to what is known: two standards, or one for a strip.
     *
     * @param instrument id
     * @param unit of all four values
     * @param low,lowShown the lower standard, and what it showed there
     * @param high,highShown the upper one; both null for a check at one point
     * @param lot of the strips or the kit; null for an instrument that has none
     * @param at epoch milliseconds by the device, which tells checks of one instrument apart
     */
    record InstrumentChecked(
            String instrument,
            String unit,
            double low,
            double lowShown,
            @Nullable Double high,
            @Nullable Double highShown,
            @Nullable String lot,
            long at)
            implements SiteEntry {
        /** What the entries about checks of one instrument begin with. */
        static final String OF = "checked/";

        @Override
        public String about() {
            return OF + instrument + "/" + at;
        }
    }

    /**
     * A container of concentrate was opened: that is the one from which is poured from now on.
     *
     * @param chemical id of the product
     * @param delivered epoch milliseconds
     * @param celsius at which it is kept
     */
    record ContainerOpened(String chemical, long delivered, double celsius) implements SiteEntry {
        @Override
        public String about() {
            return "container/" + chemical;
        }
    }

    /**
     * A new lot of strips or of a kit is in use.
     *
     * @param expires epoch milliseconds at which it expires
     */
    record LotOpened(String instrument, String lot, long expires) implements SiteEntry {
        @Override
        public String about() {
            return "lot/" + instrument;
        }
    }

    /** Spares of a wear part were counted. */
    record SparesCounted(String machine, String part, int count) implements SiteEntry {
        @Override
        public String about() {
            return "spares/" + machine + "/" + part;
        }
    }

    /**
     * A product in stock was measured.
     *
     * @param unit "L", "kg" or "pieces"
     */
    record StockCounted(String chemical, double amount, String unit) implements SiteEntry {
        /** How stock is told. */
        public static final List<String> UNITS = List.of("L", "kg", "pieces");

        @Override
        public String about() {
            return "stock/" + chemical;
        }
    }

    /**
     * Product was taken out of a machine and is kept.
     *
     * @param until epoch milliseconds until when it may be used; null where the sheet names none
     */
    record ProductKept(String machine, String what, String place, @Nullable Long until)
            implements SiteEntry {
        @Override
        public String about() {
            return "kept/" + machine;
        }
    }

    /**
     * What was kept out of a machine is no longer kept.
     *
     * @param how one of {@link #WAYS}
     */
    record ProductGone(String machine, String how) implements SiteEntry {
        /** Back in the machine, eaten or sold; or thrown away. */
        public static final List<String> WAYS = List.of("used", "thrown-away");

        @Override
        public String about() {
            return "kept/" + machine;
        }
    }

    /** Somebody stands for something with their PIN: thermometers checked, a list gone through. */
    record Signed(String what, String text) implements SiteEntry {
        @Override
        public String about() {
            return "signed/" + what;
        }
    }

    /**
     * A task that belongs to no round was done: oil, a filter, a lockout that was looked at.
     *
     * @param task as the list of what is due names it
     * @param at epoch milliseconds by the device
     */
    record TaskDone(String task, long at) implements SiteEntry {
        /** How the task begins with which the training of a person is refreshed. */
        public static final String TRAINING = "training/";

        @Override
        public String about() {
            return "task-done/" + task;
        }
    }

    /**
     * Somebody lets a task go by this once.
     *
     * @param why the reason
     * @param at epoch milliseconds by the device
     */
    record TaskLetGo(String task, String why, long at) implements SiteEntry {
        @Override
        public String about() {
            return "let-go/" + task;
        }
    }

    /**
     * A counter of a machine was read.
     *
     * @param counter id in the sheet
     * @param replaced whether its display was replaced since, so that it began again
     * @param at epoch milliseconds by the device, which tells readings of one counter apart
     */
    record CountRead(String machine, String counter, double value, boolean replaced, long at)
            implements SiteEntry {
        @Override
        public String about() {
            return "count/" + machine + "/" + counter + "/" + at;
        }
    }

    /**
     * Somebody looked for a sign.
     *
     * @param sign as the interval of the task calls it
     * @param there whether it was there
     * @param at epoch milliseconds by the device
     */
    record SignSeen(String machine, String sign, boolean there, long at) implements SiteEntry {
        @Override
        public String about() {
            return "sign/" + machine + "/" + sign + "/" + at;
        }
    }

    /**
     * Something happened after which something is due: a spill, a repair.
     *
     * @param at epoch milliseconds by the device
     */
    record EventSaid(String machine, String event, long at) implements SiteEntry {
        @Override
        public String about() {
            return "event/" + machine + "/" + event + "/" + at;
        }
    }

    /**
     * A machine is out of use, or back in service.
     *
     * @param out whether it is out of use
     * @param why the reason
     * @param at epoch milliseconds by the device
     */
    record OutOfUse(String machine, boolean out, String why, long at) implements SiteEntry {
        @Override
        public String about() {
            return "out-of-use/" + machine;
        }
    }

    /**
     * A kit of wear parts was fitted; so many are gone from the shelf, and its life begins.
     *
     * @param kit id in the sheet
     * @param at epoch milliseconds by the device
     */
    record KitFitted(String machine, String kit, long at) implements SiteEntry {
        @Override
        public String about() {
            return "fitted/" + machine + "/" + kit + "/" + at;
        }
    }

    /**
     * A setting of a machine was read.
     *
     * @param setting id in the sheet
     * @param unit in which the sheet states it; "1" for a plain number
     * @param at epoch milliseconds by the device
     */
    record SettingRead(String machine, String setting, double value, String unit, long at)
            implements SiteEntry {
        @Override
        public String about() {
            return "setting/" + machine + "/" + setting;
        }
    }

    /**
     * A setting runs at another value than was approved, for a while: something is made up for
     * until it is mended.
     *
     * @param setting id in the sheet
     * @param value at which it runs until then
     * @param unit in which the sheet states it; "1" for a plain number
     * @param owner who answers for it
     * @param why what is made up for
     * @param until epoch milliseconds
     * @param at epoch milliseconds by the device
     */
    record SettingLetRun(
            String machine,
            String setting,
            double value,
            String unit,
            String owner,
            String why,
            long until,
            long at)
            implements SiteEntry {
        /** The longest that something is made up for instead of mended, days. */
        public static final int MOST_DAYS = 92;

        @Override
        public String about() {
            return "let-run/" + machine + "/" + setting;
        }
    }

    /**
     * The data plate was read at the machine.
     *
     * @param type as stamped
     * @param serial as stamped; empty where the plate has none
     * @param at epoch milliseconds by the device
     */
    record PlateRead(String machine, String type, String serial, long at) implements SiteEntry {
        @Override
        public String about() {
            return "plate/" + machine;
        }
    }

    /**
     * Something was said about a night that its plan has to follow.
     *
     * @param night day of the site on which it begins, as 2026-11-29
     * @param what as {@code orthopur.night.SiteNight.What} calls it, in small letters
     * @param subject person, machine, procedure or task that it is about, with {@code @} and a
     *     person behind it where it is about both; empty for the site
     * @param minute of the night from when it holds
     * @param why the reason; null where none is asked for
     * @param undone whether it is taken back
     * @param at epoch milliseconds by the device
     */
    record NightSaid(
            String night,
            String what,
            String subject,
            int minute,
            @Nullable String why,
            boolean undone,
            long at)
            implements SiteEntry {
        /** What can be said. */
        public static final List<String> THINGS =
                List.of(
                        "sick",
                        "late",
                        "no-hot-water",
                        "kept",
                        "wanted",
                        "failed",
                        "dropped",
                        "put",
                        "handed-over",
                        "accepted");

        /** The person behind the mark in its subject; empty where there is none. */
        public String of() {
            int mark = subject.lastIndexOf('@');
            return mark < 0 ? "" : subject.substring(mark + 1);
        }

        @Override
        public String about() {
            return "night/" + night + "/" + what + "/" + subject;
        }
    }

    /**
     * What was wrong with a machine, and what cured it.
     *
     * @param symptom as the sheet or the one who saw it calls it
     * @param found what it was
     * @param part id of the part that it was about; null where none
     * @param step id of the step after which it shows next time; null where none
     * @param at epoch milliseconds by the device
     */
    record TroubleCured(
            String machine,
            String symptom,
            String found,
            @Nullable String part,
            @Nullable String step,
            long at)
            implements SiteEntry {
        @Override
        public String about() {
            return "trouble/" + machine + "/" + at;
        }
    }

    /**
     * Whether a device needs it to work without signal; what only the list of what is due goes by
     * would grow without end there.
     */
    default boolean onDevices() {
        return switch (this) {
            case TaskDone e -> false;
            case TaskLetGo e -> false;
            case CountRead e -> false;
            case SignSeen e -> false;
            case EventSaid e -> false;
            case KitFitted e -> false;
            case PlateRead e -> false;
            case SettingLetRun e -> false;
            case NightSaid e -> false;
            default -> true;
        };
    }

    /** When it happened by the device, epoch milliseconds; null where the entry does not say. */
    default @Nullable Long happened() {
        return switch (this) {
            case TaskDone e -> e.at();
            case TaskLetGo e -> e.at();
            case CountRead e -> e.at();
            case SignSeen e -> e.at();
            case EventSaid e -> e.at();
            case OutOfUse e -> e.at();
            case KitFitted e -> e.at();
            case SettingRead e -> e.at();
            case SettingLetRun e -> e.at();
            case PlateRead e -> e.at();
            case TroubleCured e -> e.at();
            case NightSaid e -> e.at();
            case ContainerOpened e -> e.delivered();
            default -> null;
        };
    }

    /** The entry written down; it belongs to no step. */
    static Written write(SiteEntry entry) {
        List<EntryValue> f = new ArrayList<>();
        String kind =
                switch (entry) {
                    case BucketMade e -> {
                        f.add(text("vessel", e.vessel()));
                        f.add(text("chemical", e.chemical()));
                        f.add(number("volume", e.litres(), "L"));
                        if (e.mgPerL() != null) {
                            f.add(number("strength", e.mgPerL(), "mg/L"));
                        }
                        if (e.label() != null) {
                            f.add(text("label", e.label()));
                        }
                        if (e.celsius() != null) {
                            f.add(number("temperature", e.celsius(), "°C"));
                        }
                        if (e.ph() != null) {
                            f.add(number("ph", e.ph(), "pH"));
                        }
                        until(f, e.until(), e.why());
                        if (e.purpose() != null) {
                            f.add(text("purpose", e.purpose()));
                        }
                        yield "bucket-made";
                    }
                    case SolutionRead e -> {
                        f.add(text("label", e.label()));
                        f.add(text("instrument", e.instrument()));
                        f.add(number("strength", e.mgPerL(), "mg/L"));
                        f.add(number("temperature", e.celsius(), "°C"));
                        f.add(number("at", e.at(), "ms"));
                        until(f, e.until(), e.why());
                        yield "solution-read";
                    }
                    case SolutionCorrected e -> {
                        f.add(text("label", e.label()));
                        f.add(text("what", e.what()));
                        f.add(number("volume", e.litres(), "L"));
                        f.add(number("drained", e.drained(), "L"));
                        f.add(number("at", e.at(), "ms"));
                        yield "solution-corrected";
                    }
                    case VesselEmptied e -> {
                        f.add(text("vessel", e.vessel()));
                        f.add(text("rinsed", e.rinsed() ? "yes" : "no"));
                        yield "vessel-emptied";
                    }
                    case InstrumentChecked e -> {
                        f.add(text("instrument", e.instrument()));
                        f.add(number("low", e.low(), e.unit()));
                        f.add(number("low-shown", e.lowShown(), e.unit()));
                        if (e.high() != null && e.highShown() != null) {
                            f.add(number("high", e.high(), e.unit()));
                            f.add(number("high-shown", e.highShown(), e.unit()));
                        }
                        if (e.lot() != null) {
                            f.add(text("lot", e.lot()));
                        }
                        f.add(number("at", e.at(), "ms"));
                        yield "instrument-checked";
                    }
                    case ContainerOpened e -> {
                        f.add(text("chemical", e.chemical()));
                        f.add(number("delivered", e.delivered(), "ms"));
                        f.add(number("stored", e.celsius(), "°C"));
                        yield "container-opened";
                    }
                    case LotOpened e -> {
                        f.add(text("instrument", e.instrument()));
                        f.add(text("lot", e.lot()));
                        f.add(number("expires", e.expires(), "ms"));
                        yield "lot-opened";
                    }
                    case SparesCounted e -> {
                        f.add(text("machine", e.machine()));
                        f.add(text("part", e.part()));
                        f.add(number("count", e.count(), "pieces"));
                        yield "spares-counted";
                    }
                    case StockCounted e -> {
                        f.add(text("chemical", e.chemical()));
                        f.add(number("amount", e.amount(), e.unit()));
                        yield "stock-counted";
                    }
                    case ProductGone e -> {
                        f.add(text("machine", e.machine()));
                        f.add(text("how", e.how()));
                        yield "product-gone";
                    }
                    case ProductKept e -> {
                        f.add(text("machine", e.machine()));
                        f.add(text("what", e.what()));
                        f.add(text("place", e.place()));
                        if (e.until() != null) {
                            f.add(number("until", e.until(), "ms"));
                        }
                        yield "product-kept";
                    }
                    case Signed e -> {
                        f.add(text("what", e.what()));
                        f.add(text("text", e.text()));
                        yield "signed";
                    }
                    case TaskDone e -> {
                        f.add(text("task", e.task()));
                        f.add(number("at", e.at(), "ms"));
                        yield "task-done";
                    }
                    case TaskLetGo e -> {
                        f.add(text("task", e.task()));
                        f.add(text("why", e.why()));
                        f.add(number("at", e.at(), "ms"));
                        yield "task-let-go";
                    }
                    case CountRead e -> {
                        f.add(text("machine", e.machine()));
                        f.add(text("counter", e.counter()));
                        f.add(number("value", e.value(), "count"));
                        f.add(text("replaced", e.replaced() ? "yes" : "no"));
                        f.add(number("at", e.at(), "ms"));
                        yield "count-read";
                    }
                    case SignSeen e -> {
                        f.add(text("machine", e.machine()));
                        f.add(text("sign", e.sign()));
                        f.add(text("there", e.there() ? "yes" : "no"));
                        f.add(number("at", e.at(), "ms"));
                        yield "sign-seen";
                    }
                    case EventSaid e -> {
                        f.add(text("machine", e.machine()));
                        f.add(text("event", e.event()));
                        f.add(number("at", e.at(), "ms"));
                        yield "event-said";
                    }
                    case OutOfUse e -> {
                        f.add(text("machine", e.machine()));
                        f.add(text("out", e.out() ? "yes" : "no"));
                        f.add(text("why", e.why()));
                        f.add(number("at", e.at(), "ms"));
                        yield "out-of-use";
                    }
                    case KitFitted e -> {
                        f.add(text("machine", e.machine()));
                        f.add(text("kit", e.kit()));
                        f.add(number("at", e.at(), "ms"));
                        yield "kit-fitted";
                    }
                    case SettingRead e -> {
                        f.add(text("machine", e.machine()));
                        f.add(text("setting", e.setting()));
                        f.add(number("value", e.value(), e.unit()));
                        f.add(number("at", e.at(), "ms"));
                        yield "setting-read";
                    }
                    case SettingLetRun e -> {
                        f.add(text("machine", e.machine()));
                        f.add(text("setting", e.setting()));
                        f.add(number("value", e.value(), e.unit()));
                        f.add(text("owner", e.owner()));
                        f.add(text("why", e.why()));
                        f.add(number("until", e.until(), "ms"));
                        f.add(number("at", e.at(), "ms"));
                        yield "setting-let-run";
                    }
                    case PlateRead e -> {
                        f.add(text("machine", e.machine()));
                        f.add(text("type", e.type()));
                        if (!e.serial().isEmpty()) {
                            f.add(text("serial", e.serial()));
                        }
                        f.add(number("at", e.at(), "ms"));
                        yield "plate-read";
                    }
                    case NightSaid e -> {
                        f.add(text("night", e.night()));
                        f.add(text("what", e.what()));
                        if (!e.subject().isEmpty()) {
                            f.add(text("subject", e.subject()));
                        }
                        f.add(number("minute", e.minute(), "min"));
                        if (e.why() != null) {
                            f.add(text("why", e.why()));
                        }
                        f.add(text("undone", e.undone() ? "yes" : "no"));
                        f.add(number("at", e.at(), "ms"));
                        yield "night-said";
                    }
                    case TroubleCured e -> {
                        f.add(text("machine", e.machine()));
                        f.add(text("symptom", e.symptom()));
                        f.add(text("found", e.found()));
                        if (e.part() != null) {
                            f.add(text("part", e.part()));
                        }
                        if (e.step() != null) {
                            f.add(text("step", e.step()));
                        }
                        f.add(number("at", e.at(), "ms"));
                        yield "trouble-cured";
                    }
                };
        return new Written(kind, "", f);
    }

    /**
     * The entry that is written.
     *
     * @throws NotAnEntry when the kind is unknown or one of its figures is missing or in another
     *     unit
     */
    static SiteEntry read(Written written) {
        Figures f = new Figures(written.figures());
        return switch (written.kind()) {
            case "bucket-made" ->
                    new BucketMade(
                            f.text("vessel"),
                            f.text("chemical"),
                            f.value("volume", "L"),
                            f.find("strength").isEmpty()
                                    ? null
                                    : Double.valueOf(f.value("strength", "mg/L")),
                            f.find("label").isEmpty() ? null : f.text("label"),
                            f.find("temperature").isEmpty()
                                    ? null
                                    : Double.valueOf(f.value("temperature", "°C")),
                            f.find("ph").isEmpty() ? null : Double.valueOf(f.value("ph", "pH")),
                            until(f),
                            f.find("why").isEmpty() ? null : f.text("why"),
                            f.find("purpose").isEmpty() ? null : f.text("purpose"));
            case "solution-read" ->
                    new SolutionRead(
                            f.text("label"),
                            f.text("instrument"),
                            f.value("strength", "mg/L"),
                            f.value("temperature", "°C"),
                            (long) f.value("at", "ms"),
                            until(f),
                            f.find("why").isEmpty() ? null : f.text("why"));
            case "solution-corrected" ->
                    new SolutionCorrected(
                            f.text("label"),
                            f.text("what"),
                            f.value("volume", "L"),
                            f.value("drained", "L"),
                            (long) f.value("at", "ms"));
            case "vessel-emptied" ->
                    new VesselEmptied(f.text("vessel"), f.text("rinsed").equals("yes"));
            case "instrument-checked" -> {
                String unit = f.find("low").map(EntryValue::unit).orElse(null);
                if (unit == null) {
                    throw new NotAnEntry(
                            Text.of(
                                    "not-an-entry.the-entry-does-not-say-its",
                                    "The entry does not say its {0}.",
                                    "low"));
                }
                boolean two = f.find("high").isPresent() || f.find("high-shown").isPresent();
                yield new InstrumentChecked(
                        f.text("instrument"),
                        unit,
                        f.value("low", unit),
                        f.value("low-shown", unit),
                        two ? Double.valueOf(f.value("high", unit)) : null,
                        two ? Double.valueOf(f.value("high-shown", unit)) : null,
                        f.textOrNull("lot"),
                        (long) f.value("at", "ms"));
            }
            case "container-opened" ->
                    new ContainerOpened(
                            f.text("chemical"),
                            (long) f.value("delivered", "ms"),
                            f.value("stored", "°C"));
            case "lot-opened" ->
                    new LotOpened(
                            f.text("instrument"), f.text("lot"), (long) f.value("expires", "ms"));
            case "spares-counted" ->
                    new SparesCounted(
                            f.text("machine"),
                            f.text("part"),
                            whole("count", f.value("count", "pieces")));
            case "stock-counted" -> {
                String unit = f.find("amount").map(EntryValue::unit).orElse("");
                if (unit == null || !StockCounted.UNITS.contains(unit)) {
                    throw new NotAnEntry(
                            Text.of(
                                    "not-an-entry.the-amount-has-to-be-in",
                                    "The amount has to be in {0}.",
                                    String.join(", ", StockCounted.UNITS)));
                }
                yield new StockCounted(f.text("chemical"), f.value("amount", unit), unit);
            }
            case "product-kept" ->
                    new ProductKept(f.text("machine"), f.text("what"), f.text("place"), until(f));
            case "product-gone" -> new ProductGone(f.text("machine"), f.text("how"));
            case "signed" -> new Signed(f.text("what"), f.text("text"));
            case "task-done" -> new TaskDone(f.text("task"), at(f));
            case "task-let-go" -> new TaskLetGo(f.text("task"), f.text("why"), at(f));
            case "count-read" ->
                    new CountRead(
                            f.text("machine"),
                            f.text("counter"),
                            f.value("value", "count"),
                            f.text("replaced").equals("yes"),
                            at(f));
            case "sign-seen" ->
                    new SignSeen(
                            f.text("machine"),
                            f.text("sign"),
                            f.text("there").equals("yes"),
                            at(f));
            case "event-said" -> new EventSaid(f.text("machine"), f.text("event"), at(f));
            case "out-of-use" ->
                    new OutOfUse(
                            f.text("machine"), f.text("out").equals("yes"), f.text("why"), at(f));
            case "kit-fitted" -> new KitFitted(f.text("machine"), f.text("kit"), at(f));
            case "setting-read" ->
                    new SettingRead(
                            f.text("machine"),
                            f.text("setting"),
                            f.value("value", unit(f)),
                            unit(f),
                            at(f));
            case "setting-let-run" ->
                    new SettingLetRun(
                            f.text("machine"),
                            f.text("setting"),
                            f.value("value", unit(f)),
                            unit(f),
                            f.text("owner"),
                            f.text("why"),
                            (long) f.value("until", "ms"),
                            at(f));
            case "plate-read" ->
                    new PlateRead(
                            f.text("machine"),
                            f.text("type"),
                            f.find("serial").isEmpty() ? "" : f.text("serial"),
                            at(f));
            case "night-said" ->
                    new NightSaid(
                            f.text("night"),
                            f.text("what"),
                            f.find("subject").isEmpty() ? "" : f.text("subject"),
                            whole("minute", f.value("minute", "min")),
                            f.textOrNull("why"),
                            f.text("undone").equals("yes"),
                            at(f));
            case "trouble-cured" ->
                    new TroubleCured(
                            f.text("machine"),
                            f.text("symptom"),
                            f.text("found"),
                            f.textOrNull("part"),
                            f.textOrNull("step"),
                            at(f));
            default ->
                    throw new NotAnEntry(
                            Text.of(
                                    "not-an-entry.no-kind-of-a-site",
                                    "There is no entry of kind \"{0}\" for a site.",
                                    written.kind()));
        };
    }

    private static void until(List<EntryValue> f, @Nullable Long until, @Nullable String why) {
        if (until != null) {
            f.add(number("until", until, "ms"));
        }
        if (why != null) {
            f.add(text("why", why));
        }
    }

    private static @Nullable Long until(Figures f) {
        return f.find("until").isEmpty() ? null : Long.valueOf((long) f.value("until", "ms"));
    }

    private static long at(Figures f) {
        return (long) f.value("at", "ms");
    }

    /** The unit in which the value was written down. */
    private static String unit(Figures f) {
        return f.find("value").map(EntryValue::unit).orElse("");
    }

    private static int whole(String name, double value) {
        if (value != Math.floor(value)) {
            throw new NotAnEntry(
                    Text.of(
                            "not-an-entry.the-is-a-whole-number",
                            "The {0} is a whole number.",
                            name));
        }
        return (int) value;
    }

    private static EntryValue text(String name, String text) {
        return new EntryValue(name, null, null, text);
    }

    private static EntryValue number(String name, double value, String unit) {
        return new EntryValue(name, value, unit, null);
    }
}
