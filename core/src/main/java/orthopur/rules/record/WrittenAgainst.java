package orthopur.rules.record;

import java.util.ArrayList;
import java.util.List;
import orthopur.rules.BookRule;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Findings;
import orthopur.runthrough.Severity;

/** R6: written against the sheet and the rule book that hold now. */
public final class WrittenAgainst extends BookRule {
    public WrittenAgainst() {
        super(
                "R6",
                Severity.FIX,
                "Written against the sheet and the rule book that hold now",
                "21 CFR 117.165; 29 CFR 1910.147(c)(6)");
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        List<String> old = new ArrayList<>();
        int now = end.sheet().sheet().version();
        if (end.procedure().sheetVersion() != now) {
            old.add(
                    "version %d of the sheet; it is version %d now"
                            .formatted(end.procedure().sheetVersion(), now));
        }
        String book = end.context().book().version();
        if (!book.equals(end.procedure().ruleBook())) {
            old.add("rule book %s; it is %s now".formatted(end.procedure().ruleBook(), book));
        }
        if (!old.isEmpty()) {
            out.report(info)
                    .says(
                            "The procedure was written against %s."
                                    .formatted(String.join(" and ", old)),
                            "What has changed since then was not checked.");
        }
    }
}
