package orthopur.machine;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.text.Text;

/**
 * One way in which a machine can be fitted.
 *
 * @param choices the option of each group
 */
public record Configuration(Map<String, String> choices) {
    public Configuration {
        choices = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(choices));
    }

    /** As the machine of the sheet is fitted. */
    public static Configuration fitted(MachineSheet sheet) {
        Map<String, String> choices = new LinkedHashMap<>();
        sheet.optionGroups().forEach(g -> choices.put(g.id(), g.fitted()));
        return new Configuration(choices);
    }

    /** The same with another choice in one group. */
    public Configuration with(String group, String option) {
        Map<String, String> other = new java.util.TreeMap<>(choices);
        other.put(group, option);
        return new Configuration(other);
    }

    /**
     * Whether something that stands under a condition is there.
     *
     * @param condition "group=option", or null for always
     */
    public boolean holds(@Nullable String condition) {
        if (condition == null) {
            return true;
        }
        int at = condition.indexOf('=');
        return at > 0
                && condition.substring(at + 1).equals(choices.get(condition.substring(0, at)));
    }

    /** The sheet with only what is there in this configuration. */
    public MachineSheet of(MachineSheet sheet) {
        if (sheet.optionGroups().isEmpty()) {
            return sheet;
        }
        List<Part> parts = sheet.parts().stream().filter(p -> holds(p.when())).toList();
        Set<String> here = new LinkedHashSet<>();
        Set<String> surfaces = new LinkedHashSet<>();
        parts.forEach(
                p -> {
                    here.add(p.id());
                    p.surfaces().forEach(s -> surfaces.add(s.id()));
                });
        return sheet.withParts(parts.stream().map(p -> p.among(here, surfaces)).toList())
                .withEnergies(
                        sheet.energies().stream()
                                .filter(e -> holds(e.when()))
                                .map(e -> e.among(here))
                                .toList())
                .withChecks(
                        sheet.checks().stream()
                                .filter(c -> here.contains(c.part()))
                                .map(c -> c.among(here))
                                .toList())
                .withPassages(
                        sheet.passages().stream()
                                .filter(p -> surfaces.containsAll(p.surfaces()))
                                .map(p -> p.among(here))
                                .toList());
    }

    /** In words: "scraper: comes off", "carriage: tilts". */
    public List<Text> said(MachineSheet sheet) {
        List<Text> words = new ArrayList<>();
        for (OptionGroup g : sheet.optionGroups()) {
            for (OptionGroup.Option o : g.options()) {
                if (o.id().equals(choices.get(g.id()))) {
                    words.add(Text.of("machine.option", "{0}: {1}", g.name(), o.name()));
                }
            }
        }
        return words;
    }

    /**
     * Every configuration of a scope, the first option of each group first.
     *
     * @param scope options by group; a group that is not in it has the fitted one
     * @param most more than so many are not counted out
     * @return null where there are more
     */
    public static @Nullable List<Configuration> all(
            MachineSheet sheet, Map<String, List<String>> scope, int most) {
        List<Map<String, String>> all = new ArrayList<>();
        all.add(new LinkedHashMap<>());
        for (OptionGroup g : sheet.optionGroups()) {
            List<String> options = scope.getOrDefault(g.id(), List.of(g.fitted()));
            if ((long) all.size() * options.size() > most) {
                return null;
            }
            List<Map<String, String>> more = new ArrayList<>();
            for (Map<String, String> choices : all) {
                for (String option : options) {
                    Map<String, String> next = new LinkedHashMap<>(choices);
                    next.put(g.id(), option);
                    more.add(next);
                }
            }
            all = more;
        }
        return all.stream().map(Configuration::new).toList();
    }
}
