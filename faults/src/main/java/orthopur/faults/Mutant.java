package orthopur.faults;

import java.util.Set;
import orthopur.procedure.Procedure;

/**
 * A procedure with one fault in it.
 *
 * @param kind what was done to it: drop, forget, weaken, move, …
 * @param what the fault in words
 * @param rules the rules of which one has to be the root; empty where the injector cannot say
 * @param steps ids of the steps at which it has to be told; empty where it is told of the whole
 * @param benign it is no fault at all: nothing may be stopped
 */
public record Mutant(
        Procedure procedure,
        String kind,
        String what,
        Set<String> rules,
        Set<String> steps,
        boolean benign) {
    public Mutant {
        rules = Set.copyOf(rules);
        steps = Set.copyOf(steps);
    }
}
