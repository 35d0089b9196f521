package orthopur.server.rulebook;

import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.Nullable;
import orthopur.rulebook.Figure;
import orthopur.rulebook.PublicCodes;
import orthopur.rulebook.RuleBook;
import orthopur.rules.AllRules;
import orthopur.runthrough.Rule;
import orthopur.runthrough.RuleInfo;
import orthopur.server.machines.Sheets;
import orthopur.server.machines.SiteBook;
import orthopur.server.people.Accounts;
import orthopur.server.people.Person;
import orthopur.server.platform.Said;
import orthopur.server.procedures.Procedures;

@RestController
@RequestMapping("/api/rulebook")
class RuleBookController {
    private static final int LEAST_REASON = 10;

    private final SiteBook site;
    private final Sheets sheets;
    private final Procedures procedures;
    private final Accounts accounts;

    RuleBookController(SiteBook site, Sheets sheets, Procedures procedures, Accounts accounts) {
        this.site = site;
        this.sheets = sheets;
        this.procedures = procedures;
        this.accounts = accounts;
    }

    /**
     * @param shipped the figure of the public codes
     * @param override the site asks for less than the codes
     */
    record FigureView(
            String id,
            String title,
            double value,
            double shipped,
            String unit,
            String source,
            boolean lowerIsStricter,
            boolean set,
            boolean override) {}

    record RuleBookView(
            String version,
            List<FigureView> figures,
            List<RuleInfo> rules,
            List<SiteBook.Change> changes) {}

    /** The figure as it might become. */
    record Try(double value) {}

    /** A change that is signed; no value means back to the shipped figure. */
    record NewValue(@Nullable Double value, String reason, String pin) {}

    @GetMapping
    RuleBookView book() {
        RuleBook book = site.book();
        return new RuleBookView(
                book.version(),
                book.figures().stream().map(RuleBookController::view).toList(),
                AllRules.list().stream().map(Rule::info).toList(),
                site.changes());
    }

    private static FigureView view(Figure f) {
        Figure shipped = PublicCodes.book().figure(f.id());
        return new FigureView(
                f.id(),
                f.title(),
                f.value(),
                shipped.value(),
                f.unit(),
                f.source(),
                f.lowerIsStricter(),
                f.value() != shipped.value(),
                shipped.loosenedBy(f.value()));
    }

    /** What a figure would do to the approved procedures; nothing is saved. */
    @PostMapping("/figures/{id}/effect")
    Procedures.Effect effect(@PathVariable String id, @RequestBody Try in) {
        known(id, in.value());
        return procedures.effect(site.with(id, in.value()));
    }

    @PutMapping("/figures/{id}")
    RuleBookView set(
            @PathVariable String id,
            @RequestBody NewValue in,
            @AuthenticationPrincipal Person person) {
        if (!person.role().writes()) {
            throw Said.forbidden("Only a supervisor changes the rule book of the site.");
        }
        Figure shipped = known(id, in.value());
        String reason = in.reason() == null ? "" : in.reason().strip();
        if (reason.length() < LEAST_REASON) {
            throw new Said(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    in.value() != null && shipped.loosenedBy(in.value())
                            ? "This asks for less than "
                                    + shipped.source()
                                    + ". Write why, at least 10 characters; it stands on every print."
                            : "Write why it is changed, at least 10 characters.");
        }
        accounts.sign(person, in.pin());
        site.set(id, in.value(), reason, person.name());
        sheets.changed();
        return book();
    }

    private static Figure known(String id, @Nullable Double value) {
        Figure f =
                PublicCodes.book().figures().stream()
                        .filter(x -> x.id().equals(id))
                        .findFirst()
                        .orElseThrow(
                                () -> Said.notFound("The rule book has no figure " + id + "."));
        if (value != null && !(value > 0 && value <= 100_000)) {
            throw new Said(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    f.title()
                            + ": "
                            + value
                            + " is not possible; allowed is above 0 to 100,000 "
                            + f.unit()
                            + ".");
        }
        if (value != null && f.unit().equals("pH") && value > 14) {
            throw new Said(HttpStatus.UNPROCESSABLE_ENTITY, f.title() + ": allowed is pH 0 to 14.");
        }
        return f;
    }
}
