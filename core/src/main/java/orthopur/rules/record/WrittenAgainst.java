package orthopur.rules.record;

import java.util.ArrayList;
import java.util.List;
import orthopur.rules.BookRule;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Findings;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** R6: written against the sheet and the rule book that hold now. */
public final class WrittenAgainst extends BookRule {
    public WrittenAgainst() {
        super(
                RuleId.R6,
                Severity.FIX,
                "Written against the sheet and the rule book that hold now",
                "21 CFR 117.165; 29 CFR 1910.147(c)(6)");
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        List<Object> old = new ArrayList<>();
        int now = end.sheet().sheet().version();
        if (end.procedure().sheetVersion() != now) {
            old.add(
                    Text.of(
                            "written-against.version-of-the-sheet-it",
                            "version {0} of the sheet; it is version {1} now",
                            end.procedure().sheetVersion(),
                            now));
        }
        String book = end.context().book().version();
        if (!book.equals(end.procedure().ruleBook())) {
            old.add(
                    Text.of(
                            "written-against.rule-book-it-is-now",
                            "rule book {0}; it is {1} now",
                            end.procedure().ruleBook(),
                            book));
        }
        if (!old.isEmpty()) {
            out.report(info)
                    .says(
                            Text.of(
                                    "written-against.the-procedure-was-written-against",
                                    "The procedure was written against {0}.",
                                    old),
                            Text.of(
                                    "written-against.what-has-changed-since-then",
                                    "What has changed since then was not checked."));
        }
    }
}
