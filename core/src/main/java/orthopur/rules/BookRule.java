package orthopur.rules;

import java.util.List;
import java.util.Set;
import orthopur.procedure.Edit;
import orthopur.procedure.Step;
import orthopur.runthrough.Moment;
import orthopur.runthrough.Rule;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.RuleInfo;
import orthopur.runthrough.Severity;
import orthopur.runthrough.Words;

/** A rule with its number, severity, title and source. */
public abstract class BookRule implements Rule {
    protected final RuleId id;
    protected final RuleInfo info;

    /**
     * @param follows rules whose findings explain one of this rule
     */
    protected BookRule(
            RuleId id, Severity severity, String title, String source, RuleId... follows) {
        this.id = id;
        info = new RuleInfo(id.name(), severity, title, source, Set.of(follows));
    }

    /** Those of its roots that concern energies or items of a step. */
    protected final RuleId[] roots() {
        return info.follows().toArray(RuleId[]::new);
    }

    @Override
    public final RuleInfo info() {
        return info;
    }

    /** Another step in place of the one that is looked at. */
    protected static List<Edit> change(Moment m, Step other) {
        return List.of(new Edit.Change(m.step().id(), other));
    }

    /** A step before the one that is looked at. */
    protected static List<Edit> insert(Moment m, Step step) {
        return List.of(new Edit.InsertBefore(m.step().id(), step));
    }

    /** Whether a list names a thing, as a whole entry or within one. */
    protected static boolean names(List<String> list, String thing) {
        return Words.wornFor(thing).stream()
                .map(w -> w.toLowerCase(java.util.Locale.ROOT))
                .anyMatch(
                        w ->
                                list.stream()
                                        .anyMatch(
                                                t ->
                                                        t.toLowerCase(java.util.Locale.ROOT)
                                                                .contains(w)));
    }
}
