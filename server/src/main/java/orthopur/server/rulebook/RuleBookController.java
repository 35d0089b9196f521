package orthopur.server.rulebook;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.rulebook.Figure;
import orthopur.rulebook.PublicCodes;
import orthopur.rulebook.RuleBook;
import orthopur.rules.AllRules;
import orthopur.runthrough.Rule;
import orthopur.runthrough.RuleInfo;

@RestController
class RuleBookController {
    record RuleBookView(String version, List<Figure> figures, List<RuleInfo> rules) {}

    @GetMapping("/api/rulebook")
    RuleBookView book() {
        RuleBook book = PublicCodes.book();
        return new RuleBookView(
                book.version(), book.figures(), AllRules.list().stream().map(Rule::info).toList());
    }
}
