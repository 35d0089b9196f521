package orthopur.runthrough;

/**
 * One rule. Stateless: it looks at a moment or at the end of the night and reports. It declares by
 * which of the two it implements whether it speaks at the first impossible step or at the last
 * chance.
 */
public interface Rule {
    RuleInfo info();

    /** Looks at a step just before its effects. */
    default void look(Moment moment, Findings out) {}

    /** Looks at how the night ended. */
    default void atEnd(Ending ending, Findings out) {}
}
