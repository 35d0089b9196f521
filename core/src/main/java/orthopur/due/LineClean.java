package orthopur.due;

import java.util.HashSet;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import orthopur.chemical.ChemicalKind;
import orthopur.machine.MachineSheet;
import orthopur.machine.Passage;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;

/**
 * A procedure that runs a cleaner through the lines of a machine.
 *
 * @param procedure its id
 */
public record LineClean(String machine, String procedure, By by) {
    /** What runs through them, as far as it makes a difference to what stays. */
    public enum By {
        ALKALI,
        ACID
    }

    /**
     * What a procedure runs through the lines of its machine; both where it does both.
     *
     * @param kindOf the kind of a product by its id
     */
    public static Stream<LineClean> of(
            Procedure procedure,
            MachineSheet sheet,
            java.util.function.Function<String, ChemicalKind> kindOf) {
        Set<String> lines = new HashSet<>();
        sheet.passages().stream().map(Passage::id).forEach(lines::add);
        Set<By> by = new TreeSet<>();
        for (Step s : procedure.steps()) {
            if (s.action() instanceof Action.Circulate c
                    && c.solution().chemical() != null
                    && c.items().stream().anyMatch(lines::contains)) {
                ChemicalKind kind = kindOf.apply(c.solution().chemical());
                if (kind == ChemicalKind.ACID) {
                    by.add(By.ACID);
                } else if (kind == ChemicalKind.CAUSTIC
                        || kind == ChemicalKind.CHLORINATED_ALKALINE
                        || kind == ChemicalKind.ALKALINE_DETERGENT) {
                    by.add(By.ALKALI);
                }
            }
        }
        return by.stream().map(b -> new LineClean(sheet.code(), procedure.id(), b));
    }
}
