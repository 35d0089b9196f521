package orthopur.comparison;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.procedure.Procedure;
import orthopur.procedure.Step;
import orthopur.runthrough.Finding;
import orthopur.text.Text;
import orthopur.verdict.Verdict;

/**
 * What is different between two versions.
 *
 * @param steps that are not the same, in the order of the newer version; steps that went stand
 *     where they stood
 * @param head parts of the head that differ, in words
 * @param gone root findings of the older verdict that the newer one does not have
 * @param come root findings of the newer verdict that the older one did not have
 */
public record Comparison(
        List<StepChange> steps, List<Text> head, List<Finding> gone, List<Finding> come) {
    public Comparison {
        steps = List.copyOf(steps);
        head = List.copyOf(head);
        gone = List.copyOf(gone);
        come = List.copyOf(come);
    }

    /** What became of a step. */
    public enum Kind {
        ADDED,
        REMOVED,
        CHANGED,
        MOVED
    }

    /**
     * One step that is not the same.
     *
     * @param was its number in the older version, from 1; null where it is new
     * @param is its number in the newer one; null where it went
     * @param parts of the step that differ: action, words, because, caution, minutes, people,
     *     option
     */
    public record StepChange(
            Kind kind, String id, @Nullable Integer was, @Nullable Integer is, List<Text> parts) {}

    /** Holds two versions and their verdicts against each other. */
    public static Comparison of(
            Procedure before, Verdict verdictBefore, Procedure after, Verdict verdictAfter) {
        return new Comparison(
                steps(before.steps(), after.steps()),
                head(before, after),
                only(verdictBefore, verdictAfter),
                only(verdictAfter, verdictBefore));
    }

    /** What became of each step that is not the same. */
    public static List<StepChange> steps(List<Step> before, List<Step> after) {
        Map<String, Integer> was = places(before);
        Map<String, Integer> is = places(after);
        Set<String> stayed = inOrder(before, is);
        List<StepChange> all = new ArrayList<>();
        int next = 0;
        for (int i = 0; i < after.size(); i++) {
            Step s = after.get(i);
            Integer place = was.get(s.id());
            // Those that went stand before the next one that stayed.
            while (place != null && stayed.contains(s.id()) && next < place) {
                went(before.get(next), next, is, all);
                next++;
            }
            next = place != null && stayed.contains(s.id()) ? place + 1 : next;
            if (place == null) {
                all.add(new StepChange(Kind.ADDED, s.id(), null, i + 1, List.of()));
                continue;
            }
            List<Text> parts = parts(before.get(place), s);
            if (!stayed.contains(s.id())) {
                all.add(new StepChange(Kind.MOVED, s.id(), place + 1, i + 1, parts));
            } else if (!parts.isEmpty()) {
                all.add(new StepChange(Kind.CHANGED, s.id(), place + 1, i + 1, parts));
            }
        }
        for (; next < before.size(); next++) {
            went(before.get(next), next, is, all);
        }
        return all;
    }

    private static void went(Step s, int place, Map<String, Integer> is, List<StepChange> all) {
        if (!is.containsKey(s.id())) {
            all.add(new StepChange(Kind.REMOVED, s.id(), place + 1, null, List.of()));
        }
    }

    private static Map<String, Integer> places(List<Step> steps) {
        Map<String, Integer> at = new HashMap<>();
        for (int i = 0; i < steps.size(); i++) {
            at.put(steps.get(i).id(), i);
        }
        return at;
    }

    /**
     * The most steps that are in the same order in both; the fewest others have moved. The longest
     * rising sequence of new places, by patience sorting.
     */
    private static Set<String> inOrder(List<Step> before, Map<String, Integer> is) {
        List<Step> both = before.stream().filter(s -> is.containsKey(s.id())).toList();
        int[] ends = new int[both.size()];
        int[] prior = new int[both.size()];
        int length = 0;
        for (int i = 0; i < both.size(); i++) {
            int place = Objects.requireNonNull(is.get(both.get(i).id()));
            int low = 0;
            int high = length;
            while (low < high) {
                int middle = (low + high) / 2;
                if (Objects.requireNonNull(is.get(both.get(ends[middle]).id())) < place) {
                    low = middle + 1;
                } else {
                    high = middle;
                }
            }
            prior[i] = low == 0 ? -1 : ends[low - 1];
            ends[low] = i;
            length = Math.max(length, low + 1);
        }
        Set<String> stayed = new HashSet<>();
        for (int i = length == 0 ? -1 : ends[length - 1]; i >= 0; i = prior[i]) {
            stayed.add(both.get(i).id());
        }
        return stayed;
    }

    private static List<Text> parts(Step a, Step b) {
        List<Text> parts = new ArrayList<>();
        differs(parts, Text.of("comparison.action", "action"), a.action(), b.action());
        differs(parts, Text.of("comparison.words", "words"), a.words(), b.words());
        differs(parts, Text.of("comparison.because", "because"), a.because(), b.because());
        differs(parts, Text.of("comparison.caution", "caution"), a.caution(), b.caution());
        differs(parts, Text.of("comparison.minutes", "minutes"), a.minutes(), b.minutes());
        differs(parts, Text.of("comparison.people", "people"), a.people(), b.people());
        differs(parts, Text.of("comparison.option", "option"), a.when(), b.when());
        return parts;
    }

    private static List<Text> head(Procedure a, Procedure b) {
        List<Text> parts = new ArrayList<>();
        differs(parts, Text.of("comparison.title", "title"), a.title(), b.title());
        differs(
                parts,
                Text.of("comparison.sheet", "version of the sheet"),
                a.sheetVersion(),
                b.sheetVersion());
        differs(parts, Text.of("comparison.rule-book", "rule book"), a.ruleBook(), b.ruleBook());
        differs(parts, Text.of("comparison.frequency", "frequency"), a.kind(), b.kind());
        differs(parts, Text.of("comparison.schools", "schools"), a.schools(), b.schools());
        differs(parts, Text.of("comparison.people", "people"), a.people(), b.people());
        differs(parts, Text.of("comparison.ppe", "protective equipment"), a.ppe(), b.ppe());
        differs(parts, Text.of("comparison.scope", "scope"), a.scope(), b.scope());
        return parts;
    }

    private static void differs(
            List<Text> parts, Text name, @Nullable Object a, @Nullable Object b) {
        if (!Objects.equals(a, b)) {
            parts.add(name);
        }
    }

    /** Roots of one verdict for which the other has no counterpart, each counted once. */
    private static List<Finding> only(Verdict here, Verdict there) {
        Map<String, Integer> known = new HashMap<>();
        roots(there).forEach(f -> known.merge(key(f), 1, Integer::sum));
        return roots(here).stream().filter(f -> known.merge(key(f), -1, Integer::sum) < 0).toList();
    }

    private static List<Finding> roots(Verdict v) {
        return v.findings().stream().filter(f -> f.under() == null).toList();
    }

    /** The same fault: by rule and what it is about, whatever the number of its step is now. */
    private static String key(Finding f) {
        return f.rule()
                + "|"
                + f.severity()
                + "|"
                + f.stepId()
                + "|"
                + f.items()
                + "|"
                + f.energies();
    }
}
