package orthopur.formats.language;

import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import orthopur.chemical.ChemicalKind;
import orthopur.formats.ActionTable;
import orthopur.formats.Json;
import orthopur.formats.Schemas;
import orthopur.formats.StatedField;
import orthopur.instrument.Measures;
import orthopur.machine.Check;
import orthopur.machine.EndState;
import orthopur.machine.Frequency;
import orthopur.machine.Hazard;
import orthopur.machine.Limit;
import orthopur.procedure.Action;
import orthopur.procedure.Phase;
import orthopur.rules.AllRules;
import orthopur.runthrough.Rule;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Words that the program has beside its sentences, each by its id: titles of rules, verbs and
 * fields of actions, fields of the formats, and the words that a field can hold. They are read from
 * where they are stated, so that none is stated twice.
 */
public final class ProgramWords {
    /** The formats that are filled in as forms. */
    private static final List<String> FORMS = List.of("sheet", "chemicals", "site");

    private static final SortedMap<String, String> ALL = Collections.unmodifiableSortedMap(read());

    private ProgramWords() {}

    /** The English by its id, for instance "rule.soak-collected" or "sheet.parts.fastening". */
    public static SortedMap<String, String> all() {
        return ALL;
    }

    private static SortedMap<String, String> read() {
        SortedMap<String, String> all = new TreeMap<>();
        rules(all);
        actions(all);
        FORMS.forEach(name -> schema(name, Json.tree(Schemas.text(name)), all));
        shown(all, "frequency", Frequency.values(), Frequency::shown);
        shown(all, "phase", Phase.values(), Phase::shown);
        shown(all, "chemical", ChemicalKind.values(), ChemicalKind::shown);
        shown(all, "measures", Measures.values(), Measures::shown);
        // The one unit that is a word.
        all.put("measures.tension.unit", Measures.TENSION.unit());
        shown(all, "flow", Action.Flow.values(), Action.Flow::shown);
        shown(all, "end", EndState.values(), EndState::shown);
        shown(all, "limit", Limit.values(), Limit::shown);
        shown(all, "hazard", Hazard.values(), Hazard::shown);
        shown(all, "check-state", Check.State.values(), Check.State::shown);
        return all;
    }

    /** A rule that speaks of several things has a title for each. */
    private static void rules(Map<String, String> all) {
        Map<String, Set<String>> titles = new TreeMap<>();
        for (Rule rule : AllRules.list()) {
            titles.computeIfAbsent(named(rule), r -> new TreeSet<>()).add(rule.info().title());
        }
        for (Rule rule : AllRules.list()) {
            boolean one = titles.getOrDefault(named(rule), Set.of()).size() == 1;
            String which = one ? "" : "." + rule.info().id().toLowerCase(Locale.ROOT);
            all.put(named(rule) + which, rule.info().title());
        }
    }

    private static String named(Rule rule) {
        return "rule." + dashed(rule.getClass().getSimpleName());
    }

    private static void actions(Map<String, String> all) {
        Map<String, TreeSet<String>> labels = new TreeMap<>();
        for (ActionTable.ActionInfo a : ActionTable.all()) {
            all.put("action." + a.name(), a.label());
            a.fields()
                    .forEach(
                            f ->
                                    labels.computeIfAbsent(f.name(), n -> new TreeSet<>())
                                            .add(f.label()));
        }
        for (Action.Mode mode : Action.Mode.values()) {
            all.put("action.operate." + named(mode), mode.verbs().getFirst());
        }
        for (ActionTable.ActionInfo a : ActionTable.all()) {
            for (StatedField f : a.fields()) {
                // A field that is asked for in one way everywhere is one word.
                boolean one = labels.getOrDefault(f.name(), new TreeSet<>()).size() == 1;
                String id = (one ? "field." : "action." + a.name() + ".") + f.name();
                all.put(id, f.label());
                put(all, id + ".about", f.doc());
                put(all, id + ".word", f.word());
                f.choices().forEach(c -> word(all, c));
            }
        }
    }

    private static void schema(String path, JsonNode schema, Map<String, String> all) {
        texts(path, schema, all);
        if (!path.endsWith(".unit")) {
            schema.path("enum").forEach(choice -> word(all, choice.asString()));
        }
        schema.path("properties")
                .properties()
                .forEach(
                        p -> {
                            schema(path + "." + p.getKey(), p.getValue(), all);
                        });
        JsonNode each = schema.path("items");
        if (each.isObject()) {
            texts(path + ".each", each, all);
            schema(
                    path,
                    ((ObjectNode) each.deepCopy()).without(List.of("title", "description")),
                    all);
        }
    }

    private static void texts(String path, JsonNode schema, Map<String, String> all) {
        put(all, path, schema.path("title").asString(""));
        put(all, path + ".about", schema.path("description").asString(""));
    }

    private static void word(Map<String, String> all, String choice) {
        if (choice.chars().anyMatch(Character::isLowerCase)) {
            all.put("word." + choice, choice.replace('-', ' '));
        }
    }

    private static void put(Map<String, String> all, String id, String text) {
        if (!text.isEmpty()) {
            all.put(id, text);
        }
    }

    private static <E extends Enum<E>> void shown(
            Map<String, String> all, String group, E[] values, Function<E, String> words) {
        for (E value : values) {
            all.put(group + "." + named(value), words.apply(value));
        }
    }

    private static String named(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static String dashed(String name) {
        return name.replaceAll("(?<=.)([A-Z])", "-$1").toLowerCase(Locale.ROOT);
    }
}
