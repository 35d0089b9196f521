package orthopur.server.rulebook;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.comparison.Comparison;
import orthopur.examples.Examples;
import orthopur.formats.StepDocument;
import orthopur.formats.TextDocument;
import orthopur.formats.VerdictDocument;
import orthopur.machine.Regime;
import orthopur.round.Role;
import orthopur.rulebook.Citation;
import orthopur.rulebook.Figure;
import orthopur.rulebook.PublicCodes;
import orthopur.rulebook.RuleBook;
import orthopur.rules.AllRules;
import orthopur.runthrough.Context;
import orthopur.runthrough.Rule;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.RuleInfo;
import orthopur.runthrough.Severity;
import orthopur.server.machines.Premises;
import orthopur.server.machines.SiteBook;
import orthopur.server.people.Accounts;
import orthopur.server.people.Heavy;
import orthopur.server.people.Person;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Otherwise;
import orthopur.server.platform.Said;
import orthopur.server.procedures.Effects;
import orthopur.server.procedures.Procedures;
import orthopur.text.Text;
import orthopur.verdict.Ribbon;

@RestController
@MayUse
@RequestMapping("/api/rulebook")
class RuleBookController {
    private static final int LEAST_REASON = 10;

    private final SiteBook site;
    private final Premises premises;
    private final Procedures procedures;
    private final Effects effects;
    private final Accounts accounts;

    RuleBookController(
            SiteBook site,
            Premises premises,
            Procedures procedures,
            Effects effects,
            Accounts accounts) {
        this.site = site;
        this.premises = premises;
        this.procedures = procedures;
        this.effects = effects;
        this.accounts = accounts;
    }

    /**
     * @param shipped the figure of the public codes
     * @param cited how its source is cited, by regime
     * @param override the site asks for less than the codes
     */
    record FigureView(
            String id,
            String title,
            double value,
            double shipped,
            String unit,
            String source,
            Map<String, TextDocument> cited,
            boolean lowerIsStricter,
            boolean set,
            boolean override) {}

    /**
     * @param cited its source as a sentence that has a language
     */
    record RuleView(
            String id,
            Severity severity,
            String title,
            String source,
            TextDocument cited,
            Set<RuleId> follows) {}

    private static RuleView view(RuleInfo r) {
        TextDocument cited = TextDocument.of(Citation.said(r.source()));
        return new RuleView(r.id(), r.severity(), r.title(), r.source(), cited, r.follows());
    }

    record RuleBookView(
            String version,
            List<FigureView> figures,
            List<RuleView> rules,
            List<SiteBook.Change> changes) {}

    /**
     * One of the two examples of a rule.
     *
     * @param finding what the rule says; absent where it is kept
     * @param ribbon the threads that the rule speaks of
     * @param first number of the first step that is shown
     * @param steps a few around the one that differs
     */
    record ExampleView(
            String procedure,
            VerdictDocument.@Nullable FindingDocument finding,
            Ribbon ribbon,
            int first,
            List<ExampleStep> steps) {}

    /**
     * @param differs whether the other of the two has no such step here
     */
    record ExampleStep(StepDocument step, boolean differs) {}

    /**
     * What became of a step by the slip.
     *
     * @param kind added, removed, changed or moved
     * @param was its number as it is approved; absent where it is new
     * @param is its number with the slip; absent where it went
     */
    record ExampleSlip(String kind, @Nullable Integer was, @Nullable Integer is) {
        static ExampleSlip of(Comparison.StepChange c) {
            return new ExampleSlip(c.kind().name().toLowerCase(Locale.ROOT), c.was(), c.is());
        }
    }

    /**
     * @param slip what makes the one of the other; none where it is not in the steps
     * @param around what is otherwise where it is not in the steps
     * @param machine on which it is shown; absent where no machine of this site shows the rule
     * @param figures that the rule compares with, by id
     */
    record ExamplesView(
            String rule,
            @Nullable String machine,
            @Nullable ExampleView broken,
            @Nullable ExampleView kept,
            List<ExampleSlip> slip,
            @Nullable TextDocument around,
            List<String> figures) {}

    /**
     * Figures as a reader tries them, by id.
     *
     * @param title which of several rules of that number
     */
    record Tries(@Nullable String title, Map<String, Double> figures) {}

    /** Runs the two examples of a rule, by the site's book with the figures that are tried. */
    @PostMapping("/rules/{id}/examples")
    ExamplesView examples(@PathVariable String id, @RequestBody Tries in) {
        Rule rule =
                AllRules.list().stream()
                        .filter(r -> r.info().id().equals(id))
                        .filter(r -> in.title() == null || r.info().title().equals(in.title()))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        Said.notFound(
                                                Text.of(
                                                        "rule-book-controller.there-is-no-rule",
                                                        "There is no rule {0}.",
                                                        id)));
        in.figures().forEach(RuleBookController::known);
        Context shipped = premises.now().context().by(PublicCodes.book());
        List<Examples.Source> sources =
                procedures.allApproved().stream()
                        .map(a -> new Examples.Source(a.procedure(), a.sheet()))
                        .toList();
        Examples.Example e = Examples.find(rule, sources, shipped);
        if (e == null) {
            return new ExamplesView(id, null, null, null, List.of(), null, List.of());
        }
        Context tried = shipped.by(Examples.tried(site.book(), in.figures()));
        List<ExampleSlip> slip =
                Comparison.steps(e.kept().procedure().steps(), e.broken().procedure().steps())
                        .stream()
                        .map(ExampleSlip::of)
                        .toList();
        return new ExamplesView(
                id,
                e.kept().sheet().code(),
                new ExampleOf(e, e.broken(), e.kept(), tried).view(),
                new ExampleOf(e, e.kept(), e.broken(), tried).view(),
                slip,
                slip.isEmpty() ? around(id, shipped) : null,
                List.copyOf(Examples.figures(e, shipped)));
    }

    /** What a rule looks at that is not in the steps. */
    private static @Nullable TextDocument around(String rule, Context context) {
        Text said =
                switch (rule) {
                    case "L11" ->
                            Text.of(
                                    "example.young",
                                    "the crew has somebody of {0}",
                                    Math.round(context.book().number("age.power-driven")) - 1);
                    case "S16" ->
                            Text.of(
                                    "example.unregistered",
                                    "the products that it sanitizes with were never registered");
                    case "C27" ->
                            Text.of(
                                    "example.no-drinking-water",
                                    "the water of the site is no drinking water");
                    case "S11" -> Text.of("example.organic", "the line is organic");
                    case "S9" ->
                            Text.of(
                                    "example.no-instrument",
                                    "the site has nothing that reads its sanitizers");
                    default -> null;
                };
        return said == null ? null : TextDocument.of(said);
    }

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
                AllRules.list().stream().map(Rule::info).map(RuleBookController::view).toList(),
                site.changes());
    }

    /** How the source is cited under each regime. */
    private static Map<String, TextDocument> cited(String source) {
        Map<String, TextDocument> all = new LinkedHashMap<>();
        for (Regime r : Regime.values()) {
            TextDocument cited = TextDocument.of(Citation.said(r.cite(source)));
            all.put(r.name().toLowerCase(Locale.ROOT), cited);
        }
        return all;
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
                cited(f.source()),
                f.lowerIsStricter(),
                f.value() != shipped.value(),
                shipped.loosenedBy(f.value()));
    }

    /** What a figure would do to the approved procedures; nothing is saved. */
    @Heavy
    @PostMapping("/figures/{id}/effect")
    Effects.Effect effect(@PathVariable String id, @RequestBody Try in) {
        known(id, in.value());
        return effects.effect(site.with(id, in.value()));
    }

    @MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.RULE_BOOK)
    @PutMapping("/figures/{id}")
    RuleBookView set(
            @PathVariable String id,
            @RequestBody NewValue in,
            @AuthenticationPrincipal Person person) {
        Figure shipped = known(id, in.value());
        String reason = in.reason() == null ? "" : in.reason().strip();
        if (reason.length() < LEAST_REASON) {
            throw new Said(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    in.value() != null && shipped.loosenedBy(in.value())
                            ? Text.of(
                                    "rule-book-controller.this-asks-for-less-than",
                                    "This asks for less than {0}. Write why, at least 10 characters; it stands on every print.",
                                    shipped.source())
                            : Text.of(
                                    "rule-book-controller.write-why-it-is-changed",
                                    "Write why it is changed, at least 10 characters."));
        }
        site.set(id, in.value(), reason, accounts.sign(person, in.pin()));
        premises.changed();
        return book();
    }

    private static Figure known(String id, @Nullable Double value) {
        Figure f =
                PublicCodes.book().figures().stream()
                        .filter(x -> x.id().equals(id))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        Said.notFound(
                                                Text.of(
                                                        "rule-book-controller.the-rule-book-has-no",
                                                        "The rule book has no figure {0}.",
                                                        id)));
        if (value != null && !(value > 0 && value <= 100_000)) {
            throw new Said(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    Text.of(
                            "rule-book-controller.is-not-possible-allowed-is",
                            "{0}: {1} is not possible; allowed is above 0 to 100,000 {2}.",
                            f.title(),
                            value,
                            f.unit()));
        }
        if (value != null && f.unit().equals("pH") && value > 14) {
            throw new Said(
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    Text.of(
                            "rule-book-controller.allowed-is-ph-0-to",
                            "{0}: allowed is pH 0 to 14.",
                            f.title()));
        }
        return f;
    }
}
