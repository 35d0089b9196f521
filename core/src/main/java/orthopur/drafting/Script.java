package orthopur.drafting;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.machine.Part;
import orthopur.procedure.Action;
import orthopur.procedure.Step;

/** The steps as they are written, with what has to be worn and fetched for them. */
final class Script {
    private final Work work;
    final List<Step> steps = new ArrayList<>();
    final Set<String> ppe = new LinkedHashSet<>();
    final Set<String> things = new LinkedHashSet<>();
    private final Map<String, Integer> ids = new LinkedHashMap<>();

    Script(Work work) {
        this.work = work;
    }

    void add(Action action, String words, @Nullable String because) {
        add(action, words, because, null, 1);
    }

    void add(Action action, String words, @Nullable String because, @Nullable String when) {
        add(action, words, because, when, 1);
    }

    void add(
            Action action,
            String words,
            @Nullable String because,
            @Nullable String when,
            double minutes) {
        steps.add(
                new Step(
                        id(action),
                        action,
                        Words.sentence(words),
                        because,
                        null,
                        Math.min(600, minutes),
                        1,
                        when));
    }

    private String id(Action action) {
        String verb = action.verb().toLowerCase(Locale.ROOT).replace(' ', '-');
        return verb + "-" + ids.merge(verb, 1, Integer::sum);
    }

    /**
     * A step that moves one part, or some that move alike: with its caution and as many hands as it
     * takes.
     */
    void moving(Part p, Action action, String words) {
        int n = Math.max(1, action.items().size());
        steps.add(
                new Step(
                        id(action),
                        action,
                        Words.sentence(words),
                        null,
                        TakeApart.caution(p),
                        n,
                        work.crew(p),
                        p.when()));
    }

    /** The last steps are done one after the other at each position. */
    void loop(String name, int last) {
        for (int i = steps.size() - last; i < steps.size(); i++) {
            steps.set(i, steps.get(i).withLoop(name));
        }
    }

    /** It is fetched, and worn for it is what its label asks. */
    void product(Chemical c) {
        ppe.addAll(c.ppe());
        things.add(c.name());
    }

    /** First of all: what the steps that stand here by now ask for. */
    void fetch() {
        List<String> all = new ArrayList<>(ppe);
        things.stream().filter(t -> !all.contains(t)).forEach(all::add);
        steps.addFirst(
                new Step(
                        "fetch-1",
                        new Action.Prepare(all),
                        "Fetch everything before you begin: " + String.join(", ", all) + ".",
                        "What is missing half-way costs the night, or something else is used instead.",
                        null,
                        3,
                        1));
    }
}
