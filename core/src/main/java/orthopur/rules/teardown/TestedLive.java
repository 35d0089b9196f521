package orthopur.rules.teardown;

import java.util.List;
import orthopur.machine.Energy;
import orthopur.machine.Program;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.rules.BookRule;
import orthopur.rules.StepEdits;
import orthopur.runthrough.Ending;
import orthopur.runthrough.EnergyAt;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Moment;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** T9 for a test run: a machine that has no power is not tested, nor run. */
public final class TestedLive extends BookRule {
    public TestedLive() {
        super(
                RuleId.T9,
                Severity.FIX,
                "A test run is made on a machine that is live",
                "machine manual");
    }

    @Override
    public void look(Moment m, Findings out) {
        // Whoever starts it in between puts power on with the same step; a test of the whole does
        // not.
        if (!(m.action() instanceof Action.FunctionTest)) {
            return;
        }
        List<Energy> driving =
                m.sheet().sheet().energies().stream()
                        .filter(e -> e.kind().drives() && !e.keepLive())
                        .toList();
        List<Energy> cut = driving.stream().filter(e -> isCut(m, e)).toList();
        // Beside what runs, a pump that only sends cleaner round may stay unplugged.
        List<Energy> missing =
                cut.size() == driving.size()
                        ? cut
                        : cut.stream().filter(e -> !movesCleaner(m, e)).toList();
        List<String> off = missing.stream().map(Energy::id).toList();
        List<String> names = missing.stream().map(Energy::name).toList();
        if (off.isEmpty()) {
            return;
        }
        out.report(info)
                .cause("dead")
                .says(
                        Text.of(
                                "tested-live.tests-the-machine-but-is",
                                "Step {0} tests the machine, but this is still off: {1}.",
                                m.number(),
                                names),
                        Text.of(
                                "tested-live.what-does-not-run-proves",
                                "What does not run proves nothing, and somebody will put power on by themselves to get it done."))
                .propose(
                        Text.of("tested-live.make-it-live-first", "Make it live first"),
                        insert(
                                m,
                                StepEdits.fresh(
                                        m.procedure(),
                                        0,
                                        new Action.Restore(off, null),
                                        "Make live for the test run.")));
    }

    private static boolean isCut(Moment m, Energy e) {
        EnergyAt at = m.sheet().energyNamed(e.id());
        return at != null && m.night().cutOff(at);
    }

    private static boolean movesCleaner(Moment m, Energy e) {
        return m.sheet().sheet().passages().stream().anyMatch(k -> e.id().equals(k.movedBy()));
    }

    /** A test says something of the machine as it is used: nothing of it moves afterwards. */
    @Override
    public void atEnd(Ending end, Findings out) {
        int tested = end.last(a -> a instanceof Action.FunctionTest);
        int moved =
                end.last(
                        a ->
                                a instanceof Action.Install
                                        || a instanceof Action.Return
                                        || a instanceof Action.Unfit
                                        || descales(end, a));
        if (tested < 0 || moved < tested || out.onCause(RuleId.T9, "dead") != null) {
            return;
        }
        String test = end.procedure().steps().get(tested).id();
        out.report(info)
                .cause("early")
                .at(tested, test)
                .says(
                        Text.of(
                                "tested-live.tests-before-it-is-together",
                                "Step {0} tests the machine, and step {1} still changes how it stands.",
                                tested + 1,
                                moved + 1),
                        Text.of(
                                "tested-live.what-is-tested-before",
                                "The test says nothing of how it stands when it is used; what sits wrong shows in the product, or flies off."))
                .propose(
                        Text.of("tested-live.test-after", "Test after step {0}", moved + 1),
                        List.of(new Edit.Move(test, end.firstFrom(moved + 1, s -> true))));
    }

    private static boolean descales(Ending end, Action action) {
        return action instanceof Action.RunProgram r
                && end.sheet().sheet().programs().stream()
                        .filter(p -> p.id().equals(r.program()))
                        .anyMatch(
                                p ->
                                        p.purpose() == Program.Purpose.DESCALE
                                                || p.purpose() == Program.Purpose.PURGE);
    }
}
