package orthopur.drafting;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Check;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.EnergyStage;
import orthopur.machine.Handling;
import orthopur.machine.Part;
import orthopur.machine.Passage;
import orthopur.machine.Program;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.procedure.Solution;
import orthopur.quantity.Show;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.runthrough.Heats;
import orthopur.runthrough.SheetIndex;

/** Making the machine safe before a hand goes in, and live again once every hand is out. */
final class Safety {
    private final Work work;
    private final Script script;

    Safety(Work work, Script script) {
        this.work = work;
        this.script = script;
    }

    /** Programs that belong to each clean of this kind, on the machine as it stood in use. */
    void programs() {
        for (Program p : work.sheet.programs()) {
            if (p.frequency() == work.request.kind() && p.purpose() == Program.Purpose.PURGE) {
                script.add(
                        run(p, new Solution(null, null, null, null, null), p.earliestEnd()),
                        "Run to its end: " + p.name() + prompts(p),
                        "Nothing else does its work.");
            }
        }
    }

    private static String prompts(Program p) {
        return p.prompts().isEmpty() ? "" : ". It shows: " + String.join("; ", p.prompts());
    }

    void makeSafe() {
        if (work.sheet.safePosition() != null) {
            script.add(
                    new Action.Operate(Action.Mode.SAFE_POSITION, List.of(), List.of()),
                    "Set the machine safe: " + SheetIndex.spoken(work.sheet.safePosition()),
                    "Without power it stays where it stopped.");
        }
        List<Energy> stopped = work.having(EnergyStage.STOPPED);
        if (!stopped.isEmpty()) {
            script.add(
                    new Action.Operate(Action.Mode.STOP, ids(stopped), List.of()),
                    "Switch off: " + Words.energies(stopped),
                    null);
        }
        powered();
        cutOff(work.energies);
        work.energies.stream().filter(e -> e.kind() == EnergyKind.HEAT).forEach(this::cool);
    }

    /** From the plug to the proof, each energy on its own path. */
    private void cutOff(List<Energy> some) {
        each(
                having(some, EnergyStage.UNPLUGGED),
                e -> new Action.Isolate(List.of(e.id())),
                e -> "Pull the plug and keep it in sight: " + name(e) + at(e));
        each(
                having(some, EnergyStage.ISOLATED),
                e -> new Action.Isolate(List.of(e.id())),
                e -> "Cut off: " + name(e) + at(e));
        for (Energy e : having(some, EnergyStage.LOCKED)) {
            String own =
                    work.people == 1
                            ? "Tell everyone at the machine. Put on your own lock and tag: "
                            : "Tell everyone at the machine. Each of you puts on a lock and a tag: ";
            lock(
                    e,
                    e.tagOnly()
                            ? "Tell everyone at the machine. Hang up your tag, take the handle off and keep it: "
                            : own);
        }
        each(
                having(some, EnergyStage.RELIEVED),
                e -> new Action.Relieve(List.of(e.id())),
                e ->
                        e.kind() == EnergyKind.STORED
                                ? "Release or block: " + name(e) + at(e)
                                : "Release what is left: " + name(e));
        each(
                having(some, EnergyStage.PROVED),
                e -> new Action.Prove(List.of(e.id())),
                Safety::proof);
        backToOff();
    }

    private List<Energy> having(List<Energy> some, EnergyStage stage) {
        return work.having(stage).stream().filter(some::contains).toList();
    }

    private List<Energy> movers() {
        return work.energies.stream()
                .filter(e -> work.pumped().stream().anyMatch(p -> e.id().equals(p.movedBy())))
                .toList();
    }

    /** Power for what sends the liquid round, and for nothing else. */
    void liveForLines() {
        script.add(
                new Action.Clear(true, true, true),
                "Hands and tools away, every guard on: the lines are washed with power on",
                "A machine that starts with a hand or a tool in it hurts somebody.");
        giveBack(having(movers(), EnergyStage.LOCKED));
        script.add(
                new Action.Restore(ids(movers()), null),
                "Switch on for the lines: " + Words.energies(movers()),
                "Nothing runs through them otherwise.");
    }

    /** Safe once more before a hand takes off what closed the lines. */
    void deadAfterLines() {
        script.add(
                new Action.Operate(Action.Mode.STOP, ids(movers()), List.of()),
                "Switch off: " + Words.energies(movers()),
                null);
        List<Energy> again = new ArrayList<>(movers());
        work.energies.stream().filter(e -> !e.kind().drives()).forEach(again::add);
        cutOff(again);
    }

    private void giveBack(List<Energy> locked) {
        if (!locked.isEmpty()) {
            script.add(
                    new Action.Unlock(ids(locked), work.people == 1 ? null : "each owner", true),
                    work.people == 1
                            ? "Tell everyone at the machine. Take off your own lock or tag: "
                                    + Words.energies(locked)
                            : "Tell everyone at the machine. Each of you takes off their own lock or tag: "
                                    + Words.energies(locked),
                    null);
        }
    }

    private void lock(Energy e, String words) {
        script.things.add(
                e.tagOnly()
                        ? "tag"
                        : work.people == 1 ? "personal lock" : work.people + " personal locks");
        script.add(
                new Action.Lock(
                        List.of(e.id()),
                        work.people,
                        e.tagOnly() ? "handle taken off and kept" : null,
                        true),
                words + name(e) + at(e),
                "Only the person whose hands are in can switch it on again.",
                e.when());
    }

    private static String proof(Energy e) {
        return e.verify() == null
                ? "Try to start it; it must not come: " + name(e)
                : "Prove it: " + name(e) + ". " + Words.sentence(e.verify());
    }

    /** In the morning it is another hand: its own lock is on before that of the night comes off. */
    void takeOver() {
        for (Energy e : work.having(EnergyStage.LOCKED)) {
            String own = e.tagOnly() ? "tag" : "lock and tag";
            lock(
                    e,
                    "In the morning: your own "
                            + own
                            + " is on before that of the night comes off: ");
        }
        each(
                work.having(EnergyStage.PROVED),
                e -> new Action.Prove(List.of(e.id())),
                Safety::proof);
        backToOff();
    }

    /** A switch that stays where it is put was just tried. */
    private void backToOff() {
        List<Energy> tried = work.energies.stream().filter(Energy::startsAgain).toList();
        if (!tried.isEmpty() && !work.having(EnergyStage.PROVED).isEmpty()) {
            script.add(
                    new Action.Operate(Action.Mode.STOP, ids(tried), List.of()),
                    "Put the switch back to off: " + Words.energies(tried),
                    "It stays where it is put, and would start with the power.");
        }
    }

    private void cool(Energy e) {
        Temperature limit = work.context.book().temperature("touch.limit");
        Double minutes = Heats.minutesTo(work.sheet, e, limit);
        Duration standing =
                minutes == null ? null : Duration.ofMinutes((long) (Math.ceil(minutes / 5) * 5));
        script.things.add("surface thermometer");
        script.add(
                new Action.CoolDown(List.of(e.id()), limit, standing),
                (standing == null
                                ? "Let it cool"
                                : "Let it cool for about " + standing.toMinutes() + " minutes")
                        + ", then measure: "
                        + name(e)
                        + ", at most "
                        + limit.shown()
                        + " before you touch it",
                "Metal above that burns before you can let go.",
                e.when());
    }

    /** A part that is indexed under power is brought to its place before anything is cut off. */
    private void powered() {
        for (Part p : work.apart.inOrder()) {
            if (p.moving().index() == Handling.Index.HOLD_TO_RUN) {
                script.moving(
                        p,
                        new Action.Index(List.of(p.id()), p.count(), true),
                        "Hold to run, from outside, until it stands where it comes off: "
                                + Words.parts(List.of(p)));
            }
        }
    }

    private void each(
            List<Energy> some,
            java.util.function.Function<Energy, Action> action,
            java.util.function.Function<Energy, String> words) {
        some.forEach(e -> script.add(action.apply(e), words.apply(e), null, e.when()));
    }

    private static String name(Energy e) {
        return SheetIndex.spoken(e.name());
    }

    private static String at(Energy e) {
        return e.isolationPoint() == null ? "" : " – " + SheetIndex.spoken(e.isolationPoint());
    }

    private static List<String> ids(List<Energy> some) {
        return some.stream().map(Energy::id).toList();
    }

    /** Scale that only the machine's own jets reach: its program, with acid, then flushed. */
    private void ownDescale() {
        Program descales = program(Program.Purpose.DESCALE);
        Program flushes = program(Program.Purpose.PURGE);
        Means.Use acid = work.means.acid(work.scale);
        if (descales == null || flushes == null || acid == null) {
            return;
        }
        script.product(acid.chemical());
        List<Part> feeding = work.sheet.parts().stream().filter(Part::feedsDetergent).toList();
        List<String> tubes = feeding.stream().map(Part::id).toList();
        if (!tubes.isEmpty()) {
            script.add(
                    new Action.Shift(tubes),
                    "Set aside so that no detergent runs in: " + Words.parts(feeding),
                    "Acid on chlorinated detergent gives off a gas that kills.");
            nobodyAtIt();
        }
        script.add(
                run(flushes, new Solution(null, null, null, null, null), flushes.earliestEnd()),
                (tubes.isEmpty() ? "Shut off the dosing of detergent first, then: " : "")
                        + flushes.name(),
                "Acid on chlorinated detergent gives off a gas that kills.");
        script.add(
                run(descales, acid.solution(), descales.earliestEnd()),
                "Pour the acid in when it asks for it: " + descales.name() + prompts(descales),
                "Only an acid takes lime off.");
        script.add(
                run(
                        flushes,
                        new Solution(null, null, null, null, null),
                        flushes.earliestEnd().multipliedBy(2)),
                "Drain it, then twice: " + flushes.name(),
                "Acid that stays meets chlorine in the next wash.");
        if (!tubes.isEmpty()) {
            script.add(
                    new Action.Return(tubes),
                    "Put it back, to the bottom of its drum: " + Words.parts(feeding),
                    "Without it the next ware is washed with water alone.");
            nobodyAtIt();
        }
    }

    private void nobodyAtIt() {
        script.add(
                new Action.Clear(true, true, true),
                "Hands and tools out, nobody at the machine, every guard on",
                null);
    }

    private @Nullable Program program(Program.Purpose purpose) {
        List<String> ids = work.scale.stream().map(Surface::id).toList();
        return ids.isEmpty()
                ? null
                : work.sheet.programs().stream()
                        .filter(p -> p.purpose() == purpose && p.cleans().containsAll(ids))
                        .findFirst()
                        .orElse(null);
    }

    private static Action run(Program program, Solution solution, Duration lasting) {
        return new Action.RunProgram(
                program.id(), List.of(), solution, lasting, null, null, List.of(), Set.of());
    }

    void release() {
        script.add(
                new Action.Clear(true, true, true),
                "Count the tools out, see that nobody is at the machine and every guard is on",
                "A machine that starts with a hand or a tool in it hurts somebody.");
        giveBack(work.having(EnergyStage.LOCKED));
        List<Energy> live =
                work.energies.stream()
                        .filter(e -> e.kind() == EnergyKind.CORD || e.kind() == EnergyKind.SUPPLIED)
                        .toList();
        if (!live.isEmpty()) {
            Duration wait =
                    live.stream()
                            .map(Energy::restartWait)
                            .filter(Objects::nonNull)
                            .max(Comparator.naturalOrder())
                            .orElse(null);
            script.add(
                    new Action.Restore(ids(live), wait),
                    (wait == null ? "Switch" : "Wait " + Show.duration(wait) + ", then switch")
                            + " on again: "
                            + Words.energies(live),
                    wait == null ? null : "Gas that hangs in it has to leave before it is lit.");
            ownDescale();
            tried();
        }
        for (Passage p : work.filled()) {
            double litres =
                    Math.ceil(
                                    p.volume().litres()
                                            * work.context.book().number("chase-out.factor")
                                            * 10)
                            / 10;
            script.add(
                    new Action.ChaseOut(List.of(p.id()), new Volume(litres), p.product()),
                    "Let the first "
                            + new Volume(litres).shown()
                            + (p.product() == null ? "" : " of " + p.product())
                            + " out and throw it away: "
                            + SheetIndex.spoken(p.name()),
                    "It is what pushes the sanitizer out.");
        }
        yes();
    }

    /** Only a program is due: nobody's hands go in, so nothing is locked. */
    void descaled() {
        script.add(
                new Action.Operate(Action.Mode.SAFE_POSITION, List.of(), List.of()),
                "Empty the tank",
                "What is left of the wash water thins the acid and may hold chlorine.");
        ownDescale();
        tried();
        yes();
    }

    private void tried() {
        List<Check> checks = work.checks(true);
        script.add(
                new Action.FunctionTest(checks.stream().map(Check::id).toList()),
                "Run it empty and watch and listen for a minute"
                        + (checks.isEmpty() ? "" : ". Check: " + Words.checks(checks)),
                null);
    }

    private void yes() {
        script.add(
                new Action.HoldPoint("quality"),
                "Wait until quality has looked and said yes",
                null);
        script.add(
                new Action.Record(),
                "Write down the readings and sign" + Words.warmUp(work.sheet),
                null);
    }
}
