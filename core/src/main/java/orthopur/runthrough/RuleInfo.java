package orthopur.runthrough;

import java.util.Set;

/**
 * What a rule is.
 *
 * @param id as in the rule book, for instance "L1"
 * @param title what it asks, as a plain sentence
 * @param source the code it comes from
 * @param follows rules whose findings explain one of this rule: one cause, one finding. At each
 *     step they are asked before it
 */
public record RuleInfo(
        String id, Severity severity, String title, String source, Set<RuleId> follows) {
    public RuleInfo {
        follows = Set.copyOf(follows);
    }

    /** Whether a finding of this rule may hang under one of that. */
    boolean mayFollow(RuleInfo root) {
        return id.equals(root.id) || follows.contains(RuleId.valueOf(root.id));
    }
}
