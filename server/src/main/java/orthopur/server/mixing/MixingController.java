package orthopur.server.mixing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.chemical.Chemical;
import orthopur.chemical.Label;
import orthopur.formats.EntryEnvelope;
import orthopur.formats.Site;
import orthopur.instrument.Instrument;
import orthopur.quantity.Dosage;
import orthopur.quantity.Share;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.round.State;
import orthopur.roundpack.RoundPack;
import orthopur.rulebook.PublicCodes;
import orthopur.rulebook.RuleBook;
import orthopur.server.floor.Replay;
import orthopur.server.floor.RoundLog;
import orthopur.server.floor.Rounds;
import orthopur.server.machines.Premises;
import orthopur.server.people.Accounts;
import orthopur.server.platform.MayUse;

/** What a device needs to mix, check and correct by itself, with or without signal. */
@RestController
@MayUse
@RequestMapping("/api/mixing")
class MixingController {
    private static final int MOST_USES = 100;

    private final Premises premises;
    private final RoundLog log;
    private final Rounds rounds;
    private final Accounts accounts;

    MixingController(Premises premises, RoundLog log, Rounds rounds, Accounts accounts) {
        this.accounts = accounts;
        this.premises = premises;
        this.log = log;
        this.rounds = rounds;
    }

    /**
     * A round that used a solution.
     *
     * @param step number of the step; 0 for one that this round does not have
     * @param at epoch milliseconds
     * @param status of the round now
     */
    record UseOfSolution(
            String round,
            String machine,
            String title,
            int step,
            long at,
            String who,
            State.Status status) {}

    /** Which rounds used the solution with a label, newest first. */
    @GetMapping("/solutions/{label}/rounds")
    List<UseOfSolution> uses(@PathVariable String label) {
        List<UseOfSolution> uses = new ArrayList<>();
        Map<Long, String> names = accounts.names();
        for (EntryEnvelope kept : log.naming(List.of("solution-used"), label, 0, MOST_USES)) {
            EntryEnvelope e = kept.named(names);
            Replay r = rounds.load(e.round());
            int step =
                    r.pack().steps().stream()
                            .filter(s -> s.id().equals(e.step()))
                            .mapToInt(RoundPack.PackStep::number)
                            .findFirst()
                            .orElse(0);
            uses.add(
                    new UseOfSolution(
                            e.round(),
                            r.round().getMachine(),
                            r.round().getTitle(),
                            step,
                            e.made(),
                            e.who(),
                            r.progress().status()));
        }
        return uses;
    }

    /**
     * A product as the bench needs it. Strengths are in mg/L of what works, or in percent of the
     * product.
     *
     * @param lifeMinutes how long a solution may be used; the book's where its label does not say
     * @param lifeOfLabel whether its label says how long
     * @param shelfLifeDays of the concentrate, from delivery; 0 where nobody has said
     */
    record Product(
            String id,
            String name,
            String kind,
            boolean sanitizes,
            @Nullable Double stockMgPerL,
            @Nullable Double leastMgPerL,
            @Nullable Double mostMgPerL,
            @Nullable Double leastPercent,
            @Nullable Double mostPercent,
            @Nullable Double contactSeconds,
            @Nullable Double leastCelsius,
            @Nullable Double highestCelsius,
            @Nullable Double highestPh,
            @Nullable Double hardestMgPerL,
            boolean rinseDirected,
            String directions,
            List<String> ppe,
            List<String> neverWith,
            double pricePerLitre,
            double lifeMinutes,
            boolean lifeOfLabel,
            int shelfLifeDays) {}

    record MixingVessel(String id, String name, String kind, double brim) {}

    /** A figure that this site has set otherwise. */
    record OwnFigure(double value, String why) {}

    /**
     * @param version of the rule book
     * @param figures those that the site has set otherwise, by id
     * @param instruments that read the strength of something
     * @param register all instruments of the site
     * @param checkDays for which a check of an instrument with a display holds
     */
    record MixingPack(
            String version,
            Map<String, OwnFigure> figures,
            List<Product> products,
            List<MixingVessel> vessels,
            List<Instrument> instruments,
            List<Instrument> register,
            double checkDays,
            double hardness,
            double ph,
            double tapCelsius,
            boolean rinseAfter) {}

    @GetMapping("/pack")
    MixingPack pack() {
        Premises.Now now = premises.now();
        Site site = now.site();
        RuleBook book = now.context().book();
        RuleBook shipped = PublicCodes.book();
        Map<String, OwnFigure> own = new TreeMap<>();
        shipped.figures()
                .forEach(
                        f -> {
                            if (book.number(f.id()) != shipped.number(f.id())) {
                                own.put(
                                        f.id(),
                                        new OwnFigure(
                                                book.figure(f.id()).value(),
                                                book.figure(f.id()).source()));
                            }
                        });
        List<Product> products = new ArrayList<>();
        double usual = book.duration("solution.life").toMillis() / 60_000.0;
        now.chemicals().stream()
                .filter(c -> c.kind().sanitizes() || c.kind().washes() || c.kind().acidic())
                .forEach(c -> products.add(product(c, usual)));
        return new MixingPack(
                book.version(),
                own,
                products,
                site.vessels() == null
                        ? List.of()
                        : site.vessels().stream()
                                .map(
                                        v ->
                                                new MixingVessel(
                                                        v.id(),
                                                        v.name(),
                                                        v.kind(),
                                                        v.brim().litres()))
                                .toList(),
                site.instruments().stream().filter(Instrument::readsStrength).toList(),
                site.instruments(),
                book.number("instrument.check-every"),
                site.mains().hardness().mgPerL(),
                site.mains().ph().value(),
                site.mains().temperature().celsius(),
                site.habits().rinseAfterSanitizer());
    }

    private static Product product(Chemical c, double usual) {
        Label l = c.label();
        return new Product(
                c.id(),
                c.name(),
                c.kind().name(),
                c.kind().sanitizes(),
                c.stock() == null ? null : c.stock().strength().mgPerL(),
                mgPerL(l.least()),
                mgPerL(l.most()),
                percent(l.least()),
                percent(l.most()),
                l.contact() == null ? null : l.contact().toMillis() / 1000.0,
                celsius(l.leastTemperature()),
                celsius(l.highestTemperature()),
                l.highestPh() == null ? null : l.highestPh().value(),
                l.hardestWater() == null ? null : l.hardestWater().mgPerL(),
                l.rinseDirected(),
                l.directions(),
                c.ppe(),
                c.neverWith(),
                c.pricePerLitre(),
                c.solutionLife() == null ? usual : c.solutionLife().toMillis() / 60_000.0,
                c.solutionLife() != null,
                c.shelfLifeDays());
    }

    private static @Nullable Double mgPerL(@Nullable Dosage d) {
        return d instanceof Strength s ? s.mgPerL() : null;
    }

    private static @Nullable Double percent(@Nullable Dosage d) {
        return d instanceof Share s ? s.percent() : null;
    }

    private static @Nullable Double celsius(@Nullable Temperature t) {
        return t == null ? null : t.celsius();
    }
}
