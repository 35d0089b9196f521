package orthopur.rules.teardown;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Check;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Step;
import orthopur.quantity.Show;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Ending;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.PartAt;
import orthopur.runthrough.PassageAt;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** T9: every measured check of the sheet that the work touched is made after assembly. */
public final class MeasuredChecks extends BookRule {
    private static final Text TOO_EARLY =
            Text.of(
                    "measured-checks.too-early",
                    "What is checked before it is put together says nothing of how it is put together.");

    public MeasuredChecks() {
        super(RuleId.T9, Severity.FIX, "Measured checks are made after assembly", "machine manual");
    }

    /** Checks that a step makes while something of the machine is still off that goes on later. */
    @Override
    public void look(Moment m, Findings out) {
        for (String id : checks(m.action())) {
            Check check =
                    m.sheet().sheet().checks().stream()
                            .filter(c -> c.id().equals(id))
                            .findFirst()
                            .orElse(null);
            if (check != null) {
                value(m, check, out);
                state(m, check, out);
            }
            PartAt part = check == null ? null : m.sheet().partNamed(check.part());
            PartAt missing = check == null || part == null ? null : missing(m, check, part);
            if (check != null && missing != null) {
                out.report(info)
                        .cause(id)
                        .items(List.of(check.part()))
                        .says(
                                Text.of(
                                        "measured-checks.makes-the-check-before-is",
                                        "Step {0} makes the check \"{1}\" with {2} not yet in place.",
                                        m.number(),
                                        check.name(),
                                        m.sheet().names(m.partIds(List.of(missing)))),
                                TOO_EARLY);
            }
        }
    }

    private static final Pattern NUMBER = Pattern.compile("[-+]?\\d+(?:[.,]\\d+)?");

    /** The value that the step states, or that its sentence has, lies in the range of the sheet. */
    private void value(Moment m, Check check, Findings out) {
        if (check.least() == null || check.most() == null) {
            return;
        }
        String stated = m.action() instanceof Action.Measure a ? a.value() : null;
        Object range =
                "%s to %s %s"
                        .formatted(
                                Show.number(check.least()),
                                Show.number(check.most()),
                                check.unit() == null ? "" : check.unit())
                        .strip();
        Matcher n = NUMBER.matcher(stated == null ? "" : stated);
        boolean number = n.find();
        double value = number ? Double.parseDouble(n.group().replace(',', '.')) : 0;
        String unit = number ? n.replaceFirst("").strip() : "";
        boolean sameUnit =
                unit.isEmpty() || check.unit() == null || unit.equalsIgnoreCase(check.unit());
        if (stated != null && (!number || !sameUnit)) {
            out.report(info)
                    .items(List.of(check.part()))
                    .says(
                            Text.of(
                                    "measured-checks.states-for-the-check-the",
                                    "Step {0} states \"{1}\" for the check \"{2}\"; the sheet has it in {3}.",
                                    m.number(),
                                    stated,
                                    check.name(),
                                    check.unit() == null
                                            ? Text.of(
                                                    "measured-checks.a-plain-number",
                                                    "a plain number")
                                            : check.unit()),
                            Text.of(
                                    "measured-checks.a-number-in-another-unit",
                                    "A number in another unit is another value."));
        } else if (stated != null && (value < check.least() || value > check.most())) {
            out.report(info)
                    .items(List.of(check.part()))
                    .number("stated", value, check.unit() == null ? "" : check.unit())
                    .number("least", check.least(), check.unit() == null ? "" : check.unit())
                    .number("most", check.most(), check.unit() == null ? "" : check.unit())
                    .says(
                            Text.of(
                                    "measured-checks.sets-the-check-to-the",
                                    "Step {0} sets the check \"{1}\" to {2}; the sheet says {3}.",
                                    m.number(),
                                    check.name(),
                                    stated,
                                    range),
                            Text.of(
                                    "measured-checks.out-of-this-range-the",
                                    "Out of this range the machine wears, leaks or throws parts."));
        }
    }

    /** A check is no run: what it needs has to be so when it is made. */
    private void state(Moment m, Check check, Findings out) {
        List<String> wrong = new ArrayList<>();
        boolean test = m.action() instanceof Action.FunctionTest;
        boolean dead = anyDead(m);
        for (Check.State s : check.state()) {
            boolean holds =
                    switch (s) {
                        case POWER -> test || !dead;
                        case STOPPED -> !test;
                        case LOCKED_OUT -> !test && anyLocked(m);
                        case GUARDS_ON -> guardsOn(m);
                        case FILLED -> filled(m, check);
                    };
            if (!holds) {
                wrong.add(s.shown());
            }
        }
        if (!wrong.isEmpty()) {
            out.report(info)
                    .items(List.of(check.part()))
                    .says(
                            Text.of(
                                    "measured-checks.makes-the-check-which-is",
                                    "Step {0} makes the check \"{1}\", which is made {2}.",
                                    m.number(),
                                    check.name(),
                                    wrong),
                            Text.of(
                                    "measured-checks.in-another-state-it-shows",
                                    "In another state it shows nothing, or it puts a hand where it moves."));
        }
    }

    private static boolean anyDead(Moment m) {
        for (EnergyAt e : m.sheet().allEnergies()) {
            if (m.sheet().energy(e).kind().drives()
                    && !m.sheet().energy(e).keepLive()
                    && m.night().stageNumber(e) > 1) {
                return true;
            }
        }
        return false;
    }

    private static boolean anyLocked(Moment m) {
        for (EnergyAt e : m.sheet().allEnergies()) {
            if (m.night().harmless(e) && m.sheet().energy(e).kind().drives()) {
                return true;
            }
        }
        return false;
    }

    private static boolean guardsOn(Moment m) {
        for (PartAt p : m.sheet().allParts()) {
            if (m.sheet().part(p).guard() && !m.night().inTheWay(p)) {
                return false;
            }
        }
        return true;
    }

    private static boolean filled(Moment m, Check check) {
        for (PassageAt k : m.sheet().allPassages()) {
            List<String> wetted = m.sheet().passage(k).surfaces();
            boolean mine =
                    m.sheet().surfacesMeant(check.part()).stream()
                            .anyMatch(s -> wetted.contains(m.sheet().surface(s).id()));
            if (mine && !m.night().filled(k)) {
                return false;
            }
        }
        return true;
    }

    /**
     * A part that is still off or aside and comes back later: the one that is checked, or one that
     * the sheet says the check needs.
     */
    private static @Nullable PartAt missing(Moment m, Check check, PartAt checked) {
        List<PartAt> needed = new ArrayList<>(List.of(checked));
        check.needs().stream()
                .map(m.sheet()::partNamed)
                .filter(p -> p != null)
                .forEach(needed::add);
        for (PartAt p : needed) {
            String id = m.sheet().part(p).id();
            boolean open =
                    m.night().off(p) > 0
                            && m.later(a -> a instanceof Action.Install && a.items().contains(id));
            open |=
                    m.night().aside(p)
                            // What is left to run dry is looked at where it runs dry.
                            && !m.sheet().part(p).moving().washedAside()
                            && m.later(a -> a instanceof Action.Return && a.items().contains(id));
            if (open) {
                return p;
            }
        }
        return null;
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        Map<String, Integer> made = new HashMap<>();
        List<Step> steps = end.procedure().steps();
        for (int i = 0; i < steps.size(); i++) {
            if (end.context().configuration().holds(steps.get(i).when())) {
                for (String c : checks(steps.get(i).action())) {
                    made.put(c, i);
                }
            }
        }
        for (Check check : end.sheet().sheet().checks()) {
            PartAt part = end.sheet().partNamed(check.part());
            if (part == null) {
                continue;
            }
            boolean touched =
                    end.night().installedAt(part) != Facts.NEVER
                            || !end.sheet().part(part).removable();
            Integer at = made.get(check.id());
            Text early = touched && at != null ? early(end, check, part, at) : null;
            if (early != null && out.onCause(RuleId.T9, check.id()) == null) {
                out.report(info).items(List.of(check.part())).says(early, TOO_EARLY);
            }
            if (touched && at == null) {
                out.report(info)
                        .items(List.of(check.part()))
                        .says(
                                Text.of(
                                        "measured-checks.the-check-is-not-made",
                                        "The check \"{0}\" is not made{1}.",
                                        check.name(),
                                        check.least() == null
                                                ? ""
                                                : Text.of(
                                                        "measured-checks.it-has-to-be-to",
                                                        "; it has to be {0} to {1} {2}",
                                                        check.least(),
                                                        check.most(),
                                                        check.unit())),
                                Text.of(
                                        "measured-checks.half-of-all-faults-after",
                                        "Half of all faults after a clean are assembly faults."))
                        .propose(
                                Text.of(
                                        "measured-checks.check-it-after-assembly",
                                        "Check it after assembly"),
                                List.of(
                                        new Edit.InsertBefore(
                                                StepEdits.firstFrom(
                                                        end.procedure(),
                                                        lastInstall(end) + 1,
                                                        StepEdits::endsAssembly),
                                                StepEdits.fresh(
                                                        end.procedure(),
                                                        0,
                                                        new Action.Measure(List.of(check.id())),
                                                        "Check: " + check.name() + "."))));
            }
        }
    }

    /** What still changes after a check that was made at a place; null where nothing does. */
    private static @Nullable Text early(Ending end, Check check, PartAt part, int at) {
        String name = end.sheet().part(part).id();
        int installed = end.night().installedAt(part);
        if (at < installed) {
            return Text.of(
                    "measured-checks.makes-the-check-before-step",
                    "Step {0} makes the check \"{1}\" before step {2} puts {3} on.",
                    at + 1,
                    check.name(),
                    installed + 1,
                    end.sheet().names(List.of(name)));
        }
        int apart = end.last(a -> a instanceof Action.Remove);
        if (at < apart && end.sheet().part(part).surfaces().stream().anyMatch(s -> s.zone() <= 2)) {
            return Text.of(
                    "measured-checks.makes-the-check-before-it-comes-apart",
                    "Step {0} makes the check \"{1}\", and step {2} still takes something off.",
                    at + 1,
                    check.name(),
                    apart + 1);
        }
        // Only what is left to run dry says something else once water is on it again.
        int wetted =
                end.sheet().part(part).moving().washedAside()
                        ? end.last(
                                a ->
                                        (a instanceof Action.Wash || a instanceof Action.Rinse)
                                                && end.sheet().meant(a, part))
                        : -1;
        return at >= wetted
                ? null
                : Text.of(
                        "measured-checks.makes-the-check-before-it-is-washed",
                        "Step {0} makes the check \"{1}\", and step {2} still brings water onto {3}.",
                        at + 1,
                        check.name(),
                        wetted + 1,
                        end.sheet().names(List.of(name)));
    }

    private static List<String> checks(Action action) {
        return switch (action) {
            case Action.Measure a -> a.checks();
            case Action.FunctionTest a -> a.checks();
            default -> List.of();
        };
    }

    private static int lastInstall(Ending end) {
        int last = -1;
        for (int i = 0; i < end.procedure().steps().size(); i++) {
            if (end.procedure().steps().get(i).action() instanceof Action.Install) {
                last = i;
            }
        }
        return last;
    }
}
