package orthopur.rules.cleanchain;

import java.util.ArrayList;
import java.util.List;
import orthopur.machine.Passage;
import orthopur.rules.BookRule;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Facts;
import orthopur.runthrough.Findings;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** C14: every wetted part of a closed passage meets cleaner. */
public final class PassageCleaned extends BookRule {
    public PassageCleaned() {
        super(
                RuleId.C14,
                Severity.STOP,
                "Every wetted part of a passage meets cleaner",
                "Food Code 2022, 4-603.16 and 4-601.11",
                RuleId.T2);
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        for (int k = 0; k < end.sheet().passageCount(); k++) {
            Passage passage = end.sheet().passage(k);
            List<Integer> missed = new ArrayList<>();
            boolean some = false;
            for (int s : end.sheet().wettedIn(k)) {
                boolean washed = end.night().facts(s).washed() != Facts.NEVER;
                some |= washed;
                if (end.due(s) && !washed && !end.reached(s)) {
                    missed.add(s);
                }
            }
            if (missed.isEmpty()) {
                continue;
            }
            List<String> ids = missed.stream().map(s -> end.sheet().surface(s).id()).toList();
            out.report(info)
                    .items(ids)
                    .says(
                            Text.of(
                                    "passage-cleaned.in-no-cleaner-reaches",
                                    "In {0} no cleaner reaches {1}.",
                                    passage.name().toLowerCase(java.util.Locale.ROOT),
                                    some
                                            ? end.sheet().names(ids)
                                            : Text.of("passage-cleaned.anything", "anything")),
                            Text.of(
                                    "passage-cleaned.nobody-sees-into-it-what",
                                    "Nobody sees into it; what grows there goes into every portion."))
                    .deny(missed);
        }
    }
}
