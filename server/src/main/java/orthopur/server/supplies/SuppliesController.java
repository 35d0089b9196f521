package orthopur.server.supplies;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import orthopur.chemical.Chemical;
import orthopur.chemical.MaterialTable;
import orthopur.formats.ChemicalsFormat;
import orthopur.formats.Site;
import orthopur.formats.TextDocument;
import orthopur.quantity.Show;
import orthopur.round.Role;
import orthopur.server.machines.Premises;
import orthopur.server.people.Accounts;
import orthopur.server.people.Heavy;
import orthopur.server.people.Person;
import orthopur.server.people.Signature;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Otherwise;
import orthopur.server.platform.Said;
import orthopur.server.platform.SiteLog;
import orthopur.server.procedures.Effects;
import orthopur.text.Text;

@RestController
@MayUse
@RequestMapping("/api")
class SuppliesController {
    private final Premises premises;
    private final Supplies supplies;
    private final SiteLog log;
    private final Effects effects;
    private final Accounts accounts;

    SuppliesController(
            Premises premises, Supplies supplies, Effects effects, SiteLog log, Accounts accounts) {
        this.accounts = accounts;
        this.log = log;
        this.premises = premises;
        this.supplies = supplies;
        this.effects = effects;
    }

    record ChemicalView(
            String id,
            String name,
            String kind,
            boolean sanitizes,
            boolean washes,
            String directions,
            @Nullable String registration,
            @Nullable String stock,
            @Nullable String least,
            @Nullable String most,
            @Nullable String contact,
            List<String> uses,
            List<String> organisms,
            List<String> ppe,
            List<String> neverWith,
            List<TextDocument> notOn,
            double pricePerLitre,
            int shelfLifeDays) {}

    /**
     * A document as it is to be.
     *
     * @param document in its open format, as text
     */
    record Proposed(String document) {}

    /** The same, signed. */
    record Signed(String document, String pin) {}

    @GetMapping(value = "/chemicals/{id}", produces = MediaType.APPLICATION_JSON_VALUE)
    String document(@PathVariable String id) {
        return premises.now().chemicals().stream()
                .filter(c -> c.id().equals(id))
                .findFirst()
                .map(ChemicalsFormat::one)
                .orElseThrow(
                        () ->
                                Said.notFound(
                                        Text.of(
                                                "supplies-controller.there-is-no-chemical-on",
                                                "There is no chemical {0} on this site.",
                                                id)));
    }

    /** What a product would do to the approved procedures; nothing is saved. */
    @Heavy
    @PostMapping("/chemicals/effect")
    Effects.Effect effect(@RequestBody Proposed in) {
        Premises.Now s = premises.now();
        return effects.effect(
                s.site()
                        .context(
                                s.context().book(),
                                ChemicalsFormat.with(s.chemicals(), in.document())));
    }

    @MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.SUPPLIES)
    @PutMapping("/chemicals/{id}")
    List<ChemicalView> save(
            @PathVariable String id,
            @RequestBody Signed in,
            @AuthenticationPrincipal Person person) {
        supplies.chemical(id, in.document(), sign(in, person));
        return chemicals();
    }

    @GetMapping(value = "/vessels", produces = MediaType.APPLICATION_JSON_VALUE)
    String vessels() {
        return premises.now().site().vesselList();
    }

    /** What other vessels would do to the approved procedures; nothing is saved. */
    @Heavy
    @PostMapping("/vessels/effect")
    Effects.Effect vesselEffect(@RequestBody Proposed in) {
        Premises.Now s = premises.now();
        Site other = s.site().withVessels(in.document());
        return effects.effect(other.context(s.context().book(), s.chemicals()));
    }

    @MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.SUPPLIES)
    @PutMapping("/vessels")
    void saveVessels(@RequestBody Signed in, @AuthenticationPrincipal Person person) {
        supplies.vessels(in.document(), sign(in, person));
    }

    /** Name, town, time zone and mains of the site, as in its file. */
    @GetMapping(value = "/site/file", produces = "application/json")
    String siteFile() {
        return premises.now().site().write();
    }

    /** What other mains do to what is approved. */
    @Heavy
    @PostMapping("/site/effect")
    Effects.Effect siteEffect(@RequestBody Proposed in) {
        Premises.Now s = premises.now();
        Site other = s.site().withHead(in.document());
        return effects.effect(other.context(s.context().book(), s.chemicals()));
    }

    @MayUse(value = Role.SUPERVISOR, otherwise = Otherwise.SUPPLIES)
    @PutMapping("/site")
    void saveSite(@RequestBody Signed in, @AuthenticationPrincipal Person person) {
        supplies.head(in.document(), sign(in, person));
    }

    private Signature sign(Signed in, Person person) {
        return accounts.sign(person, in.pin());
    }

    @MayUse(
            value = {Role.SUPERVISOR, Role.AUDITOR},
            otherwise = Otherwise.CHANGES)
    @GetMapping("/supplies/changes")
    List<SiteLog.SiteChange> changes() {
        return log.changes();
    }

    @GetMapping("/chemicals")
    List<ChemicalView> chemicals() {
        return premises.now().chemicals().stream()
                .map(
                        (Chemical c) ->
                                new ChemicalView(
                                        c.id(),
                                        c.name(),
                                        c.kind().shown(),
                                        c.kind().sanitizes(),
                                        c.kind().washes(),
                                        c.label().directions(),
                                        c.registration(),
                                        c.stock() == null
                                                ? null
                                                : Show.number(c.stock().percent())
                                                        + " "
                                                        + c.stock().basis().shown(),
                                        c.label().least() == null
                                                ? null
                                                : c.label().least().shown(),
                                        c.label().most() == null ? null : c.label().most().shown(),
                                        c.label().contact() == null
                                                ? null
                                                : Show.duration(c.label().contact()),
                                        c.uses(),
                                        c.organisms(),
                                        c.ppe(),
                                        c.neverWith(),
                                        MaterialTable.ROWS.stream()
                                                .filter(r -> r.kinds().contains(c.kind()))
                                                .map(
                                                        r ->
                                                                TextDocument.of(
                                                                        Text.of(
                                                                                "supplies.not-on",
                                                                                "{0}: {1}",
                                                                                r.name(),
                                                                                r.why())))
                                                .toList(),
                                        c.pricePerLitre(),
                                        c.shelfLifeDays()))
                .toList();
    }
}
