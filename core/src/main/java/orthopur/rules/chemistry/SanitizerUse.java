package orthopur.rules.chemistry;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.mixing.SanitizerLimit;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Solution;
import orthopur.runthrough.Moment;
import orthopur.text.Text;

/**
 * A sanitize step with its chemical and what the limits say of it.
 *
 * @param use what the step states of the solution
 */
record SanitizerUse(
        Action.Sanitize step,
        Chemical chemical,
        SanitizerLimit.Use use,
        SanitizerLimit.Answer answer) {

    /**
     * Whether a step sanitizes only what touches no food: floors, drains, foot baths have figures
     * of their own on the label, and no food-contact limit.
     */
    static boolean beside(Moment m) {
        return !m.named().isEmpty()
                && m.named().stream().allMatch(s -> m.sheet().surface(s).zone() >= 3);
    }

    /**
     * Null where the step does not sanitize food-contact surfaces or what is next to them with a
     * chemical sanitizer of this site.
     */
    static @Nullable SanitizerUse of(Moment m) {
        return m.action() instanceof Action.Sanitize
                ? m.once(SanitizerUse.class, () -> read(m))
                : null;
    }

    private static @Nullable SanitizerUse read(Moment m) {
        if (!(m.action() instanceof Action.Sanitize step) || m.named().isEmpty() || beside(m)) {
            return null;
        }
        Chemical c = m.context().chemical(step.solution().chemical());
        if (c == null || !c.kind().sanitizes()) {
            return null;
        }
        SanitizerLimit.Use use =
                new SanitizerLimit.Use(
                        c.kind(),
                        c.label(),
                        SanitizerLimit.active(step.solution().strength()),
                        step.solution().temperature(),
                        step.solution().ph(),
                        m.context().hardness(),
                        m.procedure().schools().rinseAfterSanitizer());
        return new SanitizerUse(step, c, use, new SanitizerLimit(m.context().book()).judge(use));
    }

    /** The solution as the step states it, for a sentence. */
    Text shown() {
        List<String> figures = new ArrayList<>();
        if (use.strength() != null) {
            figures.add(use.strength().shown());
        }
        if (use.temperature() != null) {
            figures.add(use.temperature().shown());
        }
        if (use.ph() != null) {
            figures.add(use.ph().shown());
        }
        String all = String.join(", ", figures);
        return figures.isEmpty()
                ? Text.plain(chemical.name())
                : use.strength() == null
                        ? Text.figures("{0}, {1}", chemical.name(), all)
                        : Text.of("sanitizer-use.at", "{0} at {1}", chemical.name(), all);
    }

    /** The same step with another solution. */
    static Edit change(Moment m, Action.Sanitize s, Solution solution) {
        return new Edit.Change(
                m.step().id(),
                m.step()
                        .with(
                                new Action.Sanitize(
                                        s.items(),
                                        solution,
                                        s.method(),
                                        s.contact(),
                                        s.readings())));
    }
}
