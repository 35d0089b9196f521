package orthopur.runthrough;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Regime;
import orthopur.procedure.Edit;
import orthopur.procedure.Remedy;
import orthopur.text.Text;

/** Where rules report. Keeps what follows from what: one cause, one finding. */
public final class Findings {
    private final List<Report> reports = new ArrayList<>();
    private final Map<SurfaceAt, Report> blame = new HashMap<>();
    private Set<SurfaceAt> denied = new HashSet<>();
    private Set<SurfaceAt> unsanitized = new HashSet<>();
    private int place = -1;
    private @Nullable String stepId;

    /** As it stands between two steps; the two go their own ways afterwards. */
    Findings copy() {
        Findings other = new Findings();
        Map<Report, Report> twins = new java.util.IdentityHashMap<>();
        for (Report r : reports) {
            Report twin = other.new Report(r);
            twins.put(r, twin);
            other.reports.add(twin);
        }
        twins.forEach((r, twin) -> twin.root = r.root == null ? null : twins.get(r.root));
        for (Map.Entry<SurfaceAt, Report> b : blame.entrySet()) {
            Report twin = twins.get(b.getValue());
            if (twin != null) {
                other.blame.put(b.getKey(), twin);
            }
        }
        return other;
    }

    void enter(int place, String stepId) {
        this.place = place;
        this.stepId = stepId;
        denied = new HashSet<>();
        unsanitized = new HashSet<>();
    }

    void leaveSteps() {
        place = -1;
        stepId = null;
        denied = new HashSet<>();
    }

    boolean denied(SurfaceAt surface) {
        return denied.contains(surface);
    }

    /** Whether a step that both washes and sanitizes had only the latter denied. */
    boolean unsanitized(SurfaceAt surface) {
        return unsanitized.contains(surface);
    }

    /** A claim was granted: whatever denied an earlier one no longer explains anything. */
    void granted(SurfaceAt surface) {
        blame.remove(surface);
    }

    /** A new finding at the current step, or for the whole procedure once all steps are through. */
    public Report report(RuleInfo rule) {
        Report r = new Report(rule, place, stepId);
        reports.add(r);
        return r;
    }

    /**
     * The report that denied the claim on this surface, or null where none did since it was
     * granted.
     */
    public @Nullable Report blameFor(SurfaceAt surface) {
        return blame.get(surface);
    }

    /** The first report of one of these rules that concerns this energy, or null. */
    public @Nullable Report onEnergy(String energy, RuleId... rules) {
        return first(Arrays.asList(rules), r -> r.energies.contains(energy));
    }

    /** The same of a step before the one that is looked at. */
    public @Nullable Report onEnergyBefore(String energy, RuleId rule) {
        return first(List.of(rule), r -> r.energies.contains(energy) && r.place < place);
    }

    /** The first report of one of these rules that concerns this part or surface, or null. */
    public @Nullable Report onItem(String item, RuleId... rules) {
        return first(Arrays.asList(rules), r -> r.items.contains(item));
    }

    /** The report of this rule with the same cause, or null. */
    public @Nullable Report onCause(RuleId rule, String cause) {
        return first(List.of(rule), r -> cause.equals(r.cause));
    }

    /**
     * Findings of these rules that are still roots and concern nothing but these items follow from
     * this one: it became known only after them.
     */
    public void adopt(Report root, java.util.Collection<String> items, RuleId... rules) {
        for (Report r : reports) {
            boolean its = !r.items.isEmpty() && items.containsAll(r.items);
            if (its
                    && r.root == null
                    && Arrays.asList(rules).contains(RuleId.valueOf(r.rule.id()))) {
                r.under(root);
            }
        }
    }

    private @Nullable Report first(
            List<RuleId> rules, java.util.function.Predicate<Report> concerns) {
        for (Report r : reports) {
            if (rules.contains(RuleId.valueOf(r.rule.id())) && concerns.test(r)) {
                return r;
            }
        }
        return null;
    }

    /** All findings, roots in the order of their steps, each followed by what follows from it. */
    List<Finding> all(Regime regime) {
        List<Report> roots =
                reports.stream()
                        .filter(r -> r.rootOf() == r)
                        .sorted(
                                Comparator.comparingInt(
                                        (Report r) -> r.place < 0 ? Integer.MAX_VALUE : r.place))
                        .toList();
        List<Finding> all = new ArrayList<>();
        for (Report root : roots) {
            int index = all.size();
            all.add(root.finding(regime).under(null));
            for (Report r : reports) {
                if (r != root && r.rootOf() == root) {
                    all.add(r.finding(regime).under(index));
                }
            }
        }
        return all;
    }

    /** One finding while it is being written. */
    public final class Report {
        private final RuleInfo rule;
        private int place;
        private @Nullable String stepId;
        private final List<String> items = new ArrayList<>();
        private final List<String> energies = new ArrayList<>();
        private final List<Finding.Measured> numbers = new ArrayList<>();
        private final List<Remedy> proposals = new ArrayList<>();
        private Text said = Text.plain("");
        private Text why = Text.plain("");
        private String source;
        private Severity severity;
        private @Nullable Report root;
        private @Nullable String cause;

        private Report(RuleInfo rule, int place, @Nullable String stepId) {
            this.rule = rule;
            this.place = place;
            this.stepId = stepId;
            this.severity = rule.severity();
            this.source = rule.source();
        }

        private Report(Report other) {
            this.rule = other.rule;
            this.place = other.place;
            this.stepId = other.stepId;
            this.items.addAll(other.items);
            this.energies.addAll(other.energies);
            this.numbers.addAll(other.numbers);
            this.proposals.addAll(other.proposals);
            this.said = other.said;
            this.why = other.why;
            this.source = other.source;
            this.severity = other.severity;
            this.cause = other.cause;
        }

        public Report at(int place, String stepId) {
            this.place = place;
            this.stepId = stepId;
            return this;
        }

        public Report items(List<String> ids) {
            items.addAll(ids);
            return this;
        }

        public Report energy(String id) {
            energies.add(id);
            return this;
        }

        /** What is wrong and why it matters. */
        public Report says(Text what, Text because) {
            said = what;
            why = because;
            return this;
        }

        public Report number(String what, double value, String unit) {
            numbers.add(new Finding.Measured(what, value, unit));
            return this;
        }

        public Report source(String other) {
            source = other;
            return this;
        }

        public Report severity(Severity other) {
            severity = other;
            return this;
        }

        /** A way to mend it; offered only if a re-run shows that it helps. */
        public Report propose(Text label, List<Edit> edits) {
            if (!edits.isEmpty()) {
                proposals.add(new Remedy(label, edits));
            }
            return this;
        }

        /** The claim of this step does not hold on these surfaces. */
        public Report deny(List<SurfaceAt> surfaces) {
            denied.addAll(surfaces);
            surfaces.forEach(this::blamed);
            return this;
        }

        /** Of a step that washes and sanitizes in one, only the sanitizing does not hold. */
        public Report denySanitizing(List<SurfaceAt> surfaces) {
            unsanitized.addAll(surfaces);
            surfaces.forEach(this::blamed);
            return this;
        }

        /**
         * The first step that denied it is the cause, and of one step the rule that comes first; a
         * later one only adds to it.
         */
        private void blamed(SurfaceAt surface) {
            blame.merge(
                    surface, this, (was, is) -> is.place == was.place && is.leads(was) ? is : was);
        }

        private boolean leads(Report other) {
            if (rule.id().equals(other.rule.id())) {
                return rule.title().compareTo(other.rule.title()) < 0;
            }
            return other.rule.mayFollow(rule)
                    || (!rule.mayFollow(other.rule)
                            && RuleId.valueOf(rule.id()).compareTo(RuleId.valueOf(other.rule.id()))
                                    < 0);
        }

        /** Names what brought this about, so that the same thing met again is not a new finding. */
        public Report cause(String name) {
            cause = name;
            return this;
        }

        /** This finding follows from that one; null leaves it a root. */
        public Report under(@Nullable Report cause) {
            if (cause != null && cause.rootOf() != this) {
                assert rule.mayFollow(cause.rule)
                        : rule.id() + " does not declare that it follows from " + cause.rule.id();
                root = cause;
            }
            return this;
        }

        private Report rootOf() {
            Report r = this;
            while (r.root != null) {
                r = r.root;
            }
            return r;
        }

        public List<String> items() {
            return items;
        }

        private Finding finding(Regime regime) {
            return new Finding(
                    rule.id(),
                    severity,
                    place + 1,
                    stepId,
                    List.copyOf(new java.util.LinkedHashSet<>(items)),
                    List.copyOf(energies),
                    said,
                    List.copyOf(numbers),
                    why,
                    regime.cite(source),
                    null,
                    List.copyOf(proposals));
        }
    }
}
