package orthopur.runthrough;

/**
 * What a rule is.
 *
 * @param id as in the rule book, for instance "L1"
 * @param title what it asks, as a plain sentence
 * @param source the code it comes from
 */
public record RuleInfo(String id, Severity severity, String title, String source) {}
