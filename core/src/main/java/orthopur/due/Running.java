package orthopur.due;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.machine.MachineSheet;
import orthopur.quantity.Show;
import orthopur.rulebook.RuleBook;
import orthopur.sitestream.Shelf;
import orthopur.sitestream.SiteEntry;
import orthopur.sitestream.SiteState;
import orthopur.text.Text;

/**
 * Something that runs out: how long, and what has to be done when it has.
 *
 * @param rule that speaks once it has run out; empty where none does
 * @param subject code of the machine, or id of the vessel
 * @param end when it runs out; null where nobody has written down until when, so that it has
 * @param used whether the machine is in use although it has
 */
public record Running(
        Kind kind,
        String rule,
        String subject,
        @Nullable Instant end,
        boolean used,
        Text what,
        Text then) {
    /** What runs. */
    public enum Kind {
        /** Product that was taken out of a machine and is kept (F5). */
        KEPT,
        /** A clean machine that stands unused (F4). */
        STANDS,
        /** Lines since they were cleaned (F6). */
        LINES,
        /** A mixed solution. */
        SOLUTION,
        /** A setting that is off, or let run so for a while. */
        SETTING,
        /** A data plate that is not the one of the sheet. */
        PLATE
    }

    /** Whether it has run out at a moment. */
    public boolean over(Instant moment) {
        return end == null || !moment.isBefore(end);
    }

    /**
     * Everything that runs, soonest first. The clock on food that touches a machine is not among
     * it: that one is told by the standing of the machine.
     *
     * @param cleans the procedures in force that run a cleaner through the lines of a machine
     */
    public static List<Running> at(
            Known known,
            List<MachineSheet> sheets,
            SiteState state,
            RuleBook book,
            List<LineClean> cleans,
            Instant moment) {
        Past past = new Past(known, moment);
        List<Running> all = new ArrayList<>();
        kept(state, all);
        for (MachineSheet s : sheets) {
            if (past.out(s.code()) == null) {
                Instant clean = cleaned(known, past, s.code());
                if (clean != null) {
                    stands(s, past, clean, book, moment, all);
                    lines(s, clean, book, all);
                }
                acid(s, past, cleans, book, all);
            }
        }
        settings(sheets, state, moment, all);
        plates(sheets, state, all);
        for (Shelf.Solution x : Shelf.of(state)) {
            Long until = x.until();
            if (until != null && x.emptiedAt() == null) {
                all.add(
                        new Running(
                                Kind.SOLUTION,
                                "S10",
                                x.vessel(),
                                Instant.ofEpochMilli(until),
                                false,
                                Text.of("running.solution", "solution {0}", x.label()),
                                Text.of("running.pour-it-out", "pour it out and mix anew")));
            }
        }
        all.sort(
                Comparator.comparing((Running r) -> r.end() == null ? Instant.MIN : r.end())
                        .thenComparing(Running::subject));
        return all;
    }

    private static void kept(SiteState state, List<Running> all) {
        for (SiteState.Known k : state.newest().values()) {
            if (k.entry() instanceof SiteEntry.ProductKept e) {
                Long until = e.until();
                all.add(
                        new Running(
                                Kind.KEPT,
                                "F5",
                                e.machine(),
                                until == null ? null : Instant.ofEpochMilli(until),
                                false,
                                Text.of("running.kept", "{0}, kept in {1}", e.what(), e.place()),
                                until == null
                                        ? Text.of(
                                                "running.nobody-knows",
                                                "nobody has written down until when: throw it away")
                                        : Text.of("running.throw-away", "throw it away")));
            }
        }
    }

    /** When the machine was last cleaned, by whatever clean was last finished. */
    private static @Nullable Instant cleaned(Known known, Past past, String machine) {
        return known.tasks().stream()
                .filter(t -> machine.equals(t.machine()) && t.depth() != null)
                .map(t -> past.finished(t.id()))
                .filter(x -> x != null)
                .max(Comparator.naturalOrder())
                .orElse(null);
    }

    /** Of a machine whose uses nobody enters nothing is said: it may be in use all day. */
    private static void stands(
            MachineSheet s,
            Past past,
            Instant clean,
            RuleBook book,
            Instant moment,
            List<Running> all) {
        Integer days = s.standDays();
        Duration may =
                days == null
                        ? Duration.ofDays((long) book.number("stand.days"))
                        : Duration.ofDays(days);
        if (!past.tellsUses(s.code())) {
            return;
        }
        List<Known.Use> since = past.uses(s.code(), clean);
        Instant end = clean.plus(may);
        boolean late = !since.isEmpty() && !since.getFirst().from().isBefore(end);
        // Used in time it is no longer clean, and its other clocks run.
        if (since.isEmpty() || late) {
            all.add(
                    new Running(
                            Kind.STANDS,
                            "F4",
                            s.code(),
                            end,
                            late,
                            late
                                    ? Text.of(
                                            "running.used-after-standing",
                                            "used after it had stood clean for longer than {0, plural, one {a day} other {# days}}",
                                            may.toDays())
                                    : Text.of("running.stands-clean", "stands clean"),
                            late
                                    ? Text.of(
                                            "running.stop-and-clean",
                                            "stop it and clean it before it goes on")
                                    : Text.of(
                                            "running.clean-before-use",
                                            "clean it before it is used")));
        }
    }

    private static void lines(MachineSheet s, Instant clean, RuleBook book, List<Running> all) {
        if (!s.passages().isEmpty()) {
            all.add(
                    new Running(
                            Kind.LINES,
                            "F6",
                            s.code(),
                            clean.plus(Duration.ofDays((long) book.number("line.days"))),
                            false,
                            Text.of("running.lines", "lines since they were cleaned"),
                            Text.of(
                                    "running.clean-lines",
                                    "clean the lines before the next pour")));
        }
    }

    /** Alkali takes the product off and leaves the scale, which only an acid takes off. */
    private static void acid(
            MachineSheet s, Past past, List<LineClean> cleans, RuleBook book, List<Running> all) {
        List<LineClean> own = cleans.stream().filter(c -> c.machine().equals(s.code())).toList();
        if (own.stream().noneMatch(c -> c.by() == LineClean.By.ALKALI)) {
            return;
        }
        Instant last =
                own.stream()
                        .filter(c -> c.by() == LineClean.By.ACID)
                        .map(c -> past.finished(c.procedure()))
                        .filter(x -> x != null)
                        .max(Comparator.naturalOrder())
                        .orElse(null);
        all.add(
                new Running(
                        Kind.LINES,
                        "F6",
                        s.code(),
                        last == null
                                ? null
                                : last.plus(Duration.ofDays((long) book.number("line.acid-days"))),
                        false,
                        last == null
                                ? Text.of(
                                        "running.no-acid",
                                        "lines cleaned with alkali only; no acid is on record")
                                : Text.of("running.acid", "lines since an acid ran through them"),
                        Text.of("running.run-acid", "run an acid through the lines")));
    }

    private static void settings(
            List<MachineSheet> sheets, SiteState state, Instant moment, List<Running> all) {
        for (PartsAndSettings.Read r : PartsAndSettings.settings(sheets, state, moment)) {
            SiteEntry.SettingLetRun let = r.letRun();
            Double read = r.read();
            if (read == null || !r.off() && !r.madeUpFor(moment)) {
                continue;
            }
            String unit = r.setting().unit() == null ? "" : " " + r.setting().unit();
            boolean runs = let != null && !r.off();
            boolean ended = let != null && r.off() && moment.toEpochMilli() >= let.until();
            all.add(
                    new Running(
                            Kind.SETTING,
                            "",
                            r.machine(),
                            let != null && (runs || ended)
                                    ? Instant.ofEpochMilli(let.until())
                                    : null,
                            false,
                            let != null && runs
                                    ? Text.of(
                                            "running.let-run",
                                            "{0} reads {1} and is let run so by {2} ({3})",
                                            r.setting().name(),
                                            Show.number(read) + unit,
                                            let.owner(),
                                            let.why())
                                    : Text.of(
                                            "running.setting-off",
                                            "{0} reads {1}, approved is {2}",
                                            r.setting().name(),
                                            Show.number(read) + unit,
                                            PartsAndSettings.approved(r.setting())),
                            Text.of(
                                    "running.set-back",
                                    "set it back to {0}",
                                    PartsAndSettings.approved(r.setting()))));
        }
    }

    private static void plates(List<MachineSheet> sheets, SiteState state, List<Running> all) {
        for (PartsAndSettings.Plate p : PartsAndSettings.plates(sheets, state)) {
            SiteEntry.PlateRead read = p.read();
            if (read != null && p.differs() && p.sheet() != null) {
                all.add(
                        new Running(
                                Kind.PLATE,
                                "",
                                p.machine(),
                                null,
                                false,
                                Text.of(
                                        "running.plate",
                                        "the plate reads {0}, the sheet is of {1}",
                                        stamped(read.type(), read.serial()),
                                        stamped(
                                                p.sheet().type(),
                                                p.sheet().serial() == null
                                                        ? ""
                                                        : p.sheet().serial())),
                                Text.of(
                                        "running.other-machine",
                                        "what is written for it may be of another machine: compare the sheet before it is cleaned by it")));
            }
        }
    }

    private static String stamped(String type, String serial) {
        return serial.isEmpty() ? type : type + ", " + serial;
    }
}
