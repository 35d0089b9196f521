package orthopur.runthrough;

import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.procedure.Remedy;
import orthopur.rulebook.Citation;
import orthopur.text.Text;

/**
 * What a rule found.
 *
 * @param step number from 1 of the step where it happens; 0 when it concerns the whole procedure
 * @param items ids of the parts and surfaces it concerns
 * @param energies ids of the energies it concerns
 * @param said what is wrong, as a plain sentence with the numbers in it
 * @param numbers the figures that were compared
 * @param why why it matters, in one plain sentence
 * @param under index of the root finding it follows from, or null for a root
 * @param remedies ways to mend it, each re-run before it is offered
 */
public record Finding(
        String rule,
        Severity severity,
        int step,
        @Nullable String stepId,
        List<String> items,
        List<String> energies,
        Text said,
        List<Measured> numbers,
        Text why,
        String source,
        @Nullable Integer under,
        List<Remedy> remedies) {

    /** What is wrong, in English. */
    public String message() {
        return said.sentence();
    }

    /** Why it matters, in English. */
    public String because() {
        return why.sentence();
    }

    /** What it rests on, as a sentence that has a language. */
    public Text cited() {
        return Citation.said(source);
    }

    /** One figure that was compared. */
    public record Measured(String what, double value, String unit) {}

    /** The same with the configuration in which it shows. */
    public Finding in(Text configuration) {
        return new Finding(
                rule,
                severity,
                step,
                stepId,
                items,
                energies,
                Text.of("finding.with", "{0} (With {1}.)", said, configuration),
                numbers,
                why,
                source,
                under,
                remedies);
    }

    public Finding under(@Nullable Integer root) {
        return new Finding(
                rule, severity, step, stepId, items, energies, said, numbers, why, source, root,
                remedies);
    }

    public Finding withRemedies(List<Remedy> others) {
        return new Finding(
                rule,
                severity,
                step,
                stepId,
                items,
                energies,
                said,
                numbers,
                why,
                source,
                under,
                List.copyOf(others));
    }
}
