package orthopur.server.mixing;

import java.util.Map;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import orthopur.calculation.Calculations;
import orthopur.formats.CalcDocument;
import orthopur.server.machines.SiteBook;
import orthopur.server.platform.MayUse;

@RestController
@MayUse
class CalcController {
    private final SiteBook book;

    CalcController(SiteBook book) {
        this.book = book;
    }

    @PostMapping("/api/calc/{name}")
    CalcDocument compute(@PathVariable String name, @RequestBody Map<String, String> inputs) {
        return CalcDocument.of(Calculations.compute(name, inputs, book.book()));
    }
}
