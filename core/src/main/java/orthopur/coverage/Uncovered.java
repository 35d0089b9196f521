package orthopur.coverage;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import orthopur.machine.Assembly;
import orthopur.machine.Configuration;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.runthrough.SheetIndex;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/**
 * F2: something on the sheet has a frequency and no procedure covers it. A procedure covers it when
 * it is of a kind in which it is due and one of its steps works on it.
 *
 * @param item id of the surface or part
 * @param name as people read it
 * @param oil whether it is lubricated and not cleaned
 * @param frequency how often the sheet asks for it
 */
public record Uncovered(String item, String name, boolean oil, Frequency frequency) {

    /** As a finding would say it. */
    public Text said() {
        return oil
                ? Text.of(
                        "uncovered.oil",
                        "{0} is to be lubricated {1}, and no approved procedure does it.",
                        name,
                        frequency.shown())
                : Text.of(
                        "uncovered.clean",
                        "{0} is to be cleaned {1}, and no approved procedure does it.",
                        name,
                        frequency.shown());
    }

    /**
     * @param procedures the approved ones of this machine
     */
    public static List<Uncovered> of(MachineSheet sheet, List<Procedure> procedures) {
        MachineSheet fitted = Configuration.fitted(sheet).of(sheet);
        SheetIndex index = new SheetIndex(fitted);
        List<Uncovered> none = new ArrayList<>();
        for (SurfaceAt s : index.allSurfaces()) {
            Frequency due = index.surface(s).frequency();
            if (due != Frequency.EVENT && procedures.stream().noneMatch(p -> cleans(p, index, s))) {
                none.add(new Uncovered(index.surface(s).id(), index.surface(s).name(), false, due));
            }
        }
        for (Part part : fitted.parts()) {
            for (Assembly.Lubrication point : part.fitting().lubrication()) {
                if (!point.never()
                        && point.frequency() != Frequency.EVENT
                        && procedures.stream().noneMatch(p -> oils(p, part, point.frequency()))) {
                    none.add(new Uncovered(part.id(), part.name(), true, point.frequency()));
                }
            }
        }
        return none;
    }

    private static boolean cleans(Procedure p, SheetIndex sheet, SurfaceAt surface) {
        if (!sheet.surface(surface).frequency().dueIn(p.kind())) {
            return false;
        }
        Set<SurfaceAt> named =
                p.steps().stream()
                        .map(Step::action)
                        .filter(
                                a ->
                                        a instanceof Action.Wash
                                                || a instanceof Action.Circulate
                                                || a instanceof Action.Soak
                                                || a instanceof Action.RunProgram)
                        .flatMap(a -> a.items().stream())
                        .flatMap(item -> sheet.surfacesMeant(item).stream())
                        .collect(Collectors.toSet());
        return named.contains(surface);
    }

    private static boolean oils(Procedure p, Part part, Frequency frequency) {
        // Oiling has a list of its own, which is no clean of any depth.
        return (p.kind() == Frequency.EVENT || frequency.dueIn(p.kind()))
                && p.steps().stream()
                        .anyMatch(
                                s ->
                                        (s.action() instanceof Action.Lubricate
                                                        || s.action() instanceof Action.Coat)
                                                && s.action().items().stream()
                                                        .anyMatch(
                                                                i ->
                                                                        i.equals(part.id())
                                                                                || part
                                                                                        .surfaces()
                                                                                        .stream()
                                                                                        .anyMatch(
                                                                                                x ->
                                                                                                        x.id().equals(
                                                                                                                        i))));
    }
}
