package orthopur.server.mixing;

import java.util.Map;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import orthopur.calculation.CalcAnswer;
import orthopur.calculation.Calculations;
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
    CalcAnswer compute(@PathVariable String name, @RequestBody Map<String, String> inputs) {
        return Calculations.compute(name, inputs, book.book());
    }
}
