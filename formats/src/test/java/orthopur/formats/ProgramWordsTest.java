package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import orthopur.formats.language.ProgramWords;
import orthopur.procedure.Action;
import orthopur.rules.AllRules;

class ProgramWordsTest {
    private static final Map<String, String> ALL = ProgramWords.all();

    /** A class may judge for several rules; a title that has no id has no language. */
    @Test
    void everyRuleHasItsTitle() {
        Set<String> titles =
                AllRules.list().stream()
                        .map(r -> r.info().title())
                        .collect(Collectors.toCollection(TreeSet::new));
        Set<String> named =
                ALL.entrySet().stream()
                        .filter(e -> e.getKey().startsWith("rule."))
                        .map(Map.Entry::getValue)
                        .collect(Collectors.toCollection(TreeSet::new));
        assertEquals(titles, named);
    }

    @Test
    void everyActionHasItsVerbAndEveryFieldItsLabel() {
        for (ActionTable.ActionInfo a : ActionTable.all()) {
            assertEquals(a.label(), ALL.get("action." + a.name()));
            for (StatedField f : a.fields()) {
                String own = ALL.get("action." + a.name() + "." + f.name());
                assertEquals(f.label(), own == null ? ALL.get("field." + f.name()) : own);
            }
        }
        for (Action.Mode mode : Action.Mode.values()) {
            String id = "action.operate." + mode.name().toLowerCase(java.util.Locale.ROOT);
            assertEquals(mode.verbs().getFirst(), ALL.get(id.replace('_', '-')));
        }
    }

    /** What a person reads has no word of the file in it. */
    @Test
    void noWordLooksLikeAKey() {
        ALL.forEach(
                (id, words) -> assertTrue(!words.matches("[a-z]+(-[a-z]+)+"), id + " " + words));
    }
}
