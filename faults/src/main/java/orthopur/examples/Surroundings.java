package orthopur.examples;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import orthopur.chemical.Chemical;
import orthopur.machine.MachineSheet;
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
     * @param what is wrong, in words
     * @param kept what it should be like
     * @param broken what it is like
     */
    record Slip(
            String rule,
            String what,
            MachineSheet sheet,
            UnaryOperator<Context> kept,
            UnaryOperator<Context> broken) {}

    static List<Slip> of(Examples.Source source, Context context) {
        MachineSheet sheet = source.sheet();
        int adult = (int) context.book().number("age.power-driven");
        return List.of(
                new Slip(
                        "L11",
                        "the crew has somebody of " + (adult - 1),
                        sheet,
                        c -> c.withYoungest(adult),
                        c -> c.withYoungest(adult - 1)),
                new Slip(
                        "S16",
                        "the products that it sanitizes with were never registered",
                        sheet,
                        c -> c,
                        c -> c.withChemicals(unregistered(source, c))),
                new Slip(
                        "C27",
                        "the water of the site is no drinking water",
                        sheet,
                        c -> c,
                        c ->
                                c.withTap(
                                        new Context.Tap(
                                                c.tapPh(), c.tapTemperature(), false, null))),
                new Slip("S11", "the line is organic", sheet.asOrganic(), c -> c, c -> c));
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
