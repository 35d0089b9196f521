package orthopur.calculation;

import java.util.List;
import orthopur.rulebook.RuleBook;

/**
 * A named calculation with named inputs; the same on the command line, over HTTP and in the core.
 */
public interface Calculation {
    /** The name under which it is asked for, for instance "dilute". */
    String name();

    /** The keys it takes, in order; a trailing "?" marks one that may be left out. */
    List<String> keys();

    /**
     * @throws RefusedInput when a key is missing, unknown or out of its domain
     */
    CalcAnswer compute(CalcInputs inputs, RuleBook book);
}
