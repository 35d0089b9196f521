package orthopur.verdict;

import java.util.List;
import orthopur.runthrough.Finding;
import orthopur.runthrough.Run;
import orthopur.text.Text;

/**
 * What the program says of a procedure.
 *
 * @param stops,fixes,advice groups by their highest severity; consequences are not counted again
 * @param judged ids of the rules that were judged; others were not looked at and are not passed
 * @param configurations the ways of being fitted in which the machine was run
 */
public record Verdict(
        List<Finding> findings,
        int stops,
        int fixes,
        int advice,
        Run.Coverage coverage,
        Run.Totals totals,
        Ribbon ribbon,
        List<String> judged,
        List<ByConfiguration> configurations) {

    /**
     * What one way of being fitted gives by itself.
     *
     * @param shown in English
     * @param options what is chosen in each group
     * @param fitted whether the machine is fitted so; it stands first where the scope has it
     */
    public record ByConfiguration(
            String shown, List<Text> options, boolean fitted, int stops, int fixes) {
        public ByConfiguration {
            options = List.copyOf(options);
        }

        static ByConfiguration of(List<Text> options, boolean fitted, int stops, int fixes) {
            String shown = String.join(", ", options.stream().map(Text::toString).toList());
            return new ByConfiguration(shown, options, fitted, stops, fixes);
        }
    }
}
