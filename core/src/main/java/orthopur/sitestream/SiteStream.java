package orthopur.sitestream;

import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import orthopur.quantity.OutOfRange;
import orthopur.quantity.Show;
import orthopur.round.Actor;
import orthopur.round.Refused;
import orthopur.round.Refused.Why;
import orthopur.sitestream.SiteState.Known;
import orthopur.text.Text;

/**
 * The fold of a site's stream. An entry that does not fit is refused with a plain sentence and
 * changes nothing. What comes in late does not hide what was entered after it.
 */
public final class SiteStream {
    private static final int MOST_SPARES = 999;
    private static final double MOST_LITRES = 100_000;
    private static final double MOST_STOCK = 1_000_000;
    private static final double MOST_MG_PER_L = 1_000_000;
    private static final double MOST_COUNT = 1_000_000_000;

    /** Clocks of tablets differ by so much. */
    private static final long TOLERATED = 5 * 60_000L;

    private static final int LONGEST_NIGHT = 24 * 60;

    private static final long LONGEST_AGO = 400 * 86_400_000L;

    private final Map<String, Known> newest;

    /** A stream that goes on from where it stands. */
    public SiteStream(SiteState from) {
        this.newest = new TreeMap<>(from.newest());
    }

    public SiteState state() {
        return new SiteState(new TreeMap<>(newest));
    }

    /**
     * Takes an entry in.
     *
     * @param at epoch milliseconds
     * @throws Refused when this person may not make it, or it is not signed and has to be
     * @throws OutOfRange for a figure outside its domain
     */
    public void accept(SiteEntry entry, long at, Actor actor) {
        permitted(entry, actor);
        inRange(entry);
        inTime(entry, at);
        vessels(entry, at);
        counters(entry);
        Known there = newest.get(entry.about());
        if (there == null || there.at() <= at) {
            newest.put(entry.about(), new Known(entry, actor.name(), actor.person(), at));
        }
    }

    /** Whether an entry has to be signed with the PIN of the one who makes it. */
    public static boolean signed(SiteEntry entry) {
        return entry instanceof SiteEntry.Signed;
    }

    /** Auditors read; quality signs and counts, and makes no bucket. */
    private static void permitted(SiteEntry entry, Actor actor) {
        if (actor.role() == null) {
            throw new Refused(Why.NOT_YOURS, actor.name(), "people of the site");
        }
        boolean may =
                switch (entry) {
                    case SiteEntry.BucketMade e -> actor.role().carriesOut();
                    case SiteEntry.ProductKept e -> actor.role().carriesOut();
                    case SiteEntry.ProductGone e -> actor.role().carriesOut();
                    case SiteEntry.SolutionCorrected e -> actor.role().carriesOut();
                    case SiteEntry.VesselEmptied e -> actor.role().carriesOut();
                    case SiteEntry.TaskLetGo e -> actor.role().releases();
                    // What is left out, somebody answers for.
                    case SiteEntry.NightSaid e
                            when e.what().equals("dropped") || e.what().equals("put") ->
                            actor.role().releases();
                    // Nobody takes something on, or gives it away, in another's name.
                    case SiteEntry.NightSaid e
                            when e.what().equals("accepted") || e.what().equals("handed-over") ->
                            actor.role().releases() || e.of().equals(actor.person());
                    case SiteEntry.SettingLetRun e -> actor.role().releases();
                    // Nobody says of themselves that they know it.
                    case SiteEntry.TaskDone e
                            when e.task().startsWith(SiteEntry.TaskDone.TRAINING) ->
                            actor.role().releases();
                    // Anybody may stop a machine; who says that it may run again answers for it.
                    case SiteEntry.OutOfUse e when !e.out() -> actor.role().releases();
                    default -> actor.role().carriesOut() || actor.role().releases();
                };
        if (!may) {
            throw new Refused(
                    Why.NOT_YOURS,
                    actor.name(),
                    entry instanceof SiteEntry.TaskLetGo
                                    || entry instanceof SiteEntry.OutOfUse
                                    || entry instanceof SiteEntry.SettingLetRun
                                    || entry instanceof SiteEntry.TaskDone
                                    || entry instanceof SiteEntry.NightSaid
                            ? "supervisors and quality"
                            : "crew and supervisors");
        }
        if (signed(entry) && !actor.signed()) {
            throw new Refused(Why.NOT_SIGNED);
        }
    }

    /** What is said to have happened has happened; nobody does tomorrow's work today. */
    private static void inTime(SiteEntry entry, long at) {
        Long happened = entry.happened();
        if (happened != null && (happened > at + TOLERATED || happened < at - LONGEST_AGO)) {
            throw new OutOfRange(
                    entry instanceof SiteEntry.ContainerOpened ? "delivered" : "at",
                    java.time.Instant.ofEpochMilli(happened).toString(),
                    Text.of("out-of-range.up-to-now", "up to now, and not more than 400 days ago"));
        }
    }

    /** A count only goes up until its display is replaced. */
    private void counters(SiteEntry entry) {
        if (!(entry instanceof SiteEntry.CountRead now) || now.replaced()) {
            return;
        }
        SiteEntry.CountRead last = null;
        for (Known k : newest.values()) {
            if (k.entry() instanceof SiteEntry.CountRead c
                    && c.machine().equals(now.machine())
                    && c.counter().equals(now.counter())
                    && c.at() <= now.at()
                    && (last == null || c.at() > last.at())) {
                last = c;
            }
        }
        if (last != null && now.value() < last.value()) {
            throw new Refused(
                    Why.COUNT_WENT_BACK, Show.number(last.value()), Show.number(now.value()));
        }
    }

    private static void inRange(SiteEntry entry) {
        switch (entry) {
            case SiteEntry.BucketMade e -> {
                named("vessel", e.vessel());
                named("chemical", e.chemical());
                within("volume", e.litres(), 0.001, MOST_LITRES, "L");
                if (e.mgPerL() != null) {
                    within("strength", e.mgPerL(), 0, MOST_MG_PER_L, "mg/L");
                }
                if (e.ph() != null) {
                    within("ph", e.ph(), 0, 14, "pH");
                }
                ends(e.why());
            }
            case SiteEntry.ContainerOpened e -> {
                named("chemical", e.chemical());
                within("stored", e.celsius(), -30, 60, "°C");
            }
            case SiteEntry.SolutionRead e -> {
                named("label", e.label());
                named("instrument", e.instrument());
                within("strength", e.mgPerL(), 0, MOST_MG_PER_L, "mg/L");
                within("temperature", e.celsius(), -10, 110, "°C");
                ends(e.why());
            }
            case SiteEntry.SolutionCorrected e -> {
                named("label", e.label());
                within("volume", e.litres(), 0, MOST_LITRES, "L");
                within("drained", e.drained(), 0, MOST_LITRES, "L");
                if (!SiteEntry.SolutionCorrected.WAYS.contains(e.what())) {
                    throw new OutOfRange(
                            "what",
                            e.what(),
                            Text.plain(String.join(", ", SiteEntry.SolutionCorrected.WAYS)));
                }
            }
            case SiteEntry.VesselEmptied e -> named("vessel", e.vessel());
            case SiteEntry.InstrumentChecked e -> {
                named("instrument", e.instrument());
                known("low", e.low(), e.unit());
                known("low-shown", e.lowShown(), e.unit());
                if (e.high() != null && e.highShown() != null) {
                    known("high", e.high(), e.unit());
                    known("high-shown", e.highShown(), e.unit());
                    if (e.high() <= e.low()) {
                        throw new OutOfRange(
                                "high",
                                Show.number(e.high()) + " " + e.unit(),
                                Text.of(
                                        "out-of-range.more-than-the-lower-standard",
                                        "more than the lower standard, {0} {1}",
                                        Show.number(e.low()),
                                        e.unit()));
                    }
                }
            }
            case SiteEntry.LotOpened e -> {
                named("instrument", e.instrument());
                named("lot", e.lot());
            }
            case SiteEntry.SparesCounted e -> {
                named("machine", e.machine());
                named("part", e.part());
                within("count", e.count(), 0, MOST_SPARES, "pieces");
            }
            case SiteEntry.StockCounted e -> {
                named("chemical", e.chemical());
                within("amount", e.amount(), 0, MOST_STOCK, e.unit());
            }
            case SiteEntry.ProductKept e -> {
                named("machine", e.machine());
                named("what", e.what());
                named("place", e.place());
            }
            case SiteEntry.ProductGone e -> {
                named("machine", e.machine());
                if (!SiteEntry.ProductGone.WAYS.contains(e.how())) {
                    throw new OutOfRange(
                            "how",
                            e.how(),
                            Text.plain(String.join(", ", SiteEntry.ProductGone.WAYS)));
                }
            }
            case SiteEntry.Signed e -> {
                named("what", e.what());
                named("text", e.text());
            }
            case SiteEntry.TaskDone e -> named("task", e.task());
            case SiteEntry.TaskLetGo e -> {
                named("task", e.task());
                named("why", e.why());
            }
            case SiteEntry.CountRead e -> {
                named("machine", e.machine());
                named("counter", e.counter());
                within("value", e.value(), 0, MOST_COUNT, "");
            }
            case SiteEntry.SignSeen e -> {
                named("machine", e.machine());
                named("sign", e.sign());
            }
            case SiteEntry.EventSaid e -> {
                named("machine", e.machine());
                named("event", e.event());
            }
            case SiteEntry.OutOfUse e -> {
                named("machine", e.machine());
                named("why", e.why());
            }
            case SiteEntry.KitFitted e -> {
                named("machine", e.machine());
                named("kit", e.kit());
            }
            case SiteEntry.SettingRead e -> {
                named("machine", e.machine());
                named("setting", e.setting());
                within("value", e.value(), -MOST_COUNT, MOST_COUNT, e.unit());
            }
            case SiteEntry.SettingLetRun e -> {
                named("machine", e.machine());
                named("setting", e.setting());
                within("value", e.value(), -MOST_COUNT, MOST_COUNT, e.unit());
                named("owner", e.owner());
                named("why", e.why());
                double days = (e.until() - e.at()) / 86_400_000.0;
                if (days <= 0 || days > SiteEntry.SettingLetRun.MOST_DAYS) {
                    throw new OutOfRange(
                            "until",
                            java.time.Instant.ofEpochMilli(e.until()).toString(),
                            Text.of(
                                    "out-of-range.after-now-within-days",
                                    "after now, within {0} days",
                                    SiteEntry.SettingLetRun.MOST_DAYS));
                }
            }
            case SiteEntry.PlateRead e -> {
                named("machine", e.machine());
                named("type", e.type());
            }
            case SiteEntry.NightSaid e -> {
                if (!e.night().matches("\\d{4}-\\d{2}-\\d{2}")) {
                    throw new OutOfRange(
                            "night",
                            e.night(),
                            Text.of("out-of-range.a-day-as", "a day as 2026-11-29"));
                }
                if (!SiteEntry.NightSaid.THINGS.contains(e.what())) {
                    throw new OutOfRange(
                            "what",
                            e.what(),
                            Text.plain(String.join(", ", SiteEntry.NightSaid.THINGS)));
                }
                within("minute", e.minute(), 0, LONGEST_NIGHT, "min");
                if (e.what().equals("handed-over") && !e.undone()) {
                    named("why", e.why() == null ? "" : e.why());
                }
            }
            case SiteEntry.TroubleCured e -> {
                named("machine", e.machine());
                named("symptom", e.symptom());
                named("found", e.found());
            }
        }
    }

    private static void known(String field, double value, String unit) {
        within(field, value, -50, MOST_MG_PER_L, unit);
    }

    /**
     * A vessel remembers: nothing goes on top of what it holds, and nothing else follows before it
     * is washed out. A reading is of a solution that is there.
     */
    private void vessels(SiteEntry entry, long at) {
        switch (entry) {
            case SiteEntry.LotOpened e -> {
                if (e.expires() <= at) {
                    throw new Refused(Why.LOT_EXPIRED, e.lot());
                }
            }
            case SiteEntry.BucketMade e -> {
                labelIsNew(e);
                Known held = newest.get(e.about());
                if (held == null
                        || held.at() > at
                        || !(held.entry() instanceof SiteEntry.BucketMade before)) {
                    return;
                }
                SiteEntry.VesselEmptied out = emptiedSince(e.vessel(), held.at());
                if (out == null) {
                    throw new Refused(Why.STILL_HOLDS, e.vessel(), before.chemical());
                }
                if (!out.rinsed() && !before.chemical().equals(e.chemical())) {
                    throw new Refused(Why.NOT_RINSED, e.vessel(), before.chemical());
                }
            }
            case SiteEntry.SolutionRead e -> standing(e.label());
            case SiteEntry.SolutionCorrected e -> standing(e.label());
            default -> {}
        }
    }

    /** One label stands for one solution. */
    private void labelIsNew(SiteEntry.BucketMade e) {
        for (Known k : newest.values()) {
            if (e.label() != null
                    && k.entry() instanceof SiteEntry.BucketMade other
                    && e.label().equals(other.label())
                    && !e.vessel().equals(other.vessel())) {
                throw new Refused(Why.LABEL_TAKEN, e.label(), other.vessel());
            }
        }
    }

    private SiteEntry.@Nullable VesselEmptied emptiedSince(String vessel, long at) {
        Known out = newest.get(new SiteEntry.VesselEmptied(vessel, false).about());
        return out != null
                        && out.at() >= at
                        && out.entry() instanceof SiteEntry.VesselEmptied emptied
                ? emptied
                : null;
    }

    private void standing(String label) {
        for (Known k : newest.values()) {
            if (k.entry() instanceof SiteEntry.BucketMade made
                    && label.equals(made.label())
                    && emptiedSince(made.vessel(), k.at()) == null) {
                return;
            }
        }
        throw new Refused(Why.NO_SOLUTION, label);
    }

    private static void ends(@Nullable String why) {
        if (why != null && !SiteEntry.BucketMade.ENDS.contains(why)) {
            throw new OutOfRange(
                    "why", why, Text.plain(String.join(", ", SiteEntry.BucketMade.ENDS)));
        }
    }

    private static void named(String field, String text) {
        if (text.isBlank()) {
            throw new OutOfRange(
                    field,
                    Text.of("out-of-range.nothing", "(nothing)"),
                    Text.of("out-of-range.a-few-words-or-a", "a few words or a name"));
        }
    }

    private static void within(String field, double value, double least, double most, String unit) {
        if (!(value >= least && value <= most)) {
            throw new OutOfRange(
                    field,
                    Show.number(value),
                    OutOfRange.range(Show.number(least), Show.number(most) + " " + unit));
        }
    }
}
