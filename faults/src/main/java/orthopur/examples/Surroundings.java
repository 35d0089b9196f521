package orthopur.examples;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.machine.MachineSheet;
import orthopur.machine.Passage;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.runthrough.Context;

/**
 * Slips around a procedure: not a word of it is wrong, but somebody on the crew is too young, the
 * line is organic, a product was never registered.
 */
final class Surroundings {
    private Surroundings() {}

    /**
     * One slip.
     *
     * @param rule that has to speak
     * @param procedure as it is run where the slip is in
     * @param kept what it should be like
     * @param broken what it is like
     */
    record Slip(
            String rule,
            Procedure procedure,
            MachineSheet sheet,
            UnaryOperator<Context> kept,
            UnaryOperator<Context> broken) {}

    static List<Slip> of(Examples.Source source, Context context) {
        List<Slip> all = new ArrayList<>(around(source, context));
        all.addAll(within(source, context));
        return all;
    }

    private static List<Slip> around(Examples.Source source, Context context) {
        Procedure p = source.procedure();
        MachineSheet sheet = source.sheet();
        int adult = (int) context.book().number("age.power-driven");
        return List.of(
                new Slip(
                        "L11",
                        p,
                        sheet,
                        c -> c.withYoungest(adult),
                        c -> c.withYoungest(adult - 1)),
                new Slip("S16", p, sheet, c -> c, c -> c.withChemicals(unregistered(source, c))),
                new Slip(
                        "C27",
                        p,
                        sheet,
                        c -> c,
                        c ->
                                c.withTap(
                                        new Context.Tap(
                                                c.tapPh(), c.tapTemperature(), false, null))),
                new Slip("S11", p, sheet.asOrganic(), c -> c, c -> c),
                new Slip("S9", p, sheet, c -> c, c -> c.withInstruments(List.of())));
    }

    /** Slips that other rules stop first; this rule says why the claim cannot hold. */
    private static List<Slip> within(Examples.Source source, Context context) {
        List<Slip> all = new ArrayList<>();
        Action.@Nullable Wash wash = null;
        for (Step s : source.procedure().steps()) {
            if (s.action() instanceof Action.Wash w && w.chemical() != null) {
                wash = w;
            }
            if (s.action() instanceof Action.CoolDown) {
                all.add(slip(source, "S6", new Edit.Delete(s.id())));
            }
            if (s.action() instanceof Action.Rinse z && !source.sheet().neighbors().isEmpty()) {
                Action sprayed =
                        new Action.Rinse(z.items(), z.water(), Action.Method.HOSE, z.endPoint());
                all.add(slip(source, "C5", new Edit.Change(s.id(), s.with(sprayed))));
            }
            Chemical c = context.chemical(s.action().chemical());
            boolean quat = c != null && c.kind() == ChemicalKind.QUAT;
            if (quat && wash != null && s.action() instanceof Action.Sanitize a) {
                Step again = new Step("zz-suds", wash.about(a.items()), "", null, null, 2, 1);
                all.add(slip(source, "S4", new Edit.InsertBefore(s.id(), again)));
            }
            if (s.action() instanceof Action.Remove a && a.items().size() == 1) {
                all.add(
                        slip(
                                source,
                                "C14",
                                new Edit.Change(
                                        s.id(),
                                        s.with(new Action.Remove(a.items(), 1, a.destination())))));
            }
        }
        for (Passage k : source.sheet().passages()) {
            Edit[] cleaning =
                    source.procedure().steps().stream()
                            .filter(s -> s.action().items().contains(k.id()))
                            .filter(s -> s.action() instanceof Action.Circulate)
                            .map(s -> (Edit) new Edit.Delete(s.id()))
                            .toArray(Edit[]::new);
            all.add(slip(source, "C14", cleaning));
        }
        return all;
    }

    private static Slip slip(Examples.Source source, String rule, Edit... edits) {
        return new Slip(
                rule, source.procedure().apply(List.of(edits)), source.sheet(), c -> c, c -> c);
    }

    private static Map<String, Chemical> unregistered(Examples.Source source, Context context) {
        Map<String, Chemical> all = new TreeMap<>(context.chemicals());
        for (Step s : source.procedure().steps()) {
            String used = s.action().chemical();
            if (used != null) {
                all.computeIfPresent(used, (id, c) -> c.unregistered());
            }
        }
        return all;
    }
}
