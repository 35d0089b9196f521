package orthopur.server.machines;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import orthopur.formats.Site;
import orthopur.machine.Check;
import orthopur.machine.Configuration;
import orthopur.machine.MachineSheet;
import orthopur.machine.Outline;
import orthopur.machine.Part;
import orthopur.machine.Surface;
import orthopur.server.platform.MayUse;
import orthopur.server.platform.Said;
import orthopur.takeapart.TakeApartMap;
import orthopur.text.Text;

@RestController
@MayUse
@RequestMapping("/api")
class MachinesController {
    private final Sheets sheets;
    private final Premises premises;

    MachinesController(Sheets sheets, Premises premises) {
        this.sheets = sheets;
        this.premises = premises;
    }

    record MachineRow(
            String code, String name, String room, int version, @Nullable Outline outline) {}

    /** What the screens need of a sheet; the whole of it is in its file format. */
    record SheetView(
            String code,
            String name,
            int version,
            String configuration,
            List<PartView> parts,
            List<EnergyView> energies,
            List<CheckView> checks,
            List<NamedView> passages,
            List<NamedView> fittings,
            List<NamedView> programs,
            List<OptionView> options,
            List<String> allergens,
            @Nullable Outline outline) {}

    record NamedView(String id, String name) {}

    record OptionView(String id, String name, String fitted, List<NamedView> choices) {}

    record PartView(
            String id,
            String name,
            int count,
            boolean removable,
            boolean shifts,
            @Nullable String destination,
            @Nullable String fastening,
            @Nullable String caution,
            List<SurfaceView> surfaces) {}

    record SurfaceView(String id, String name, int zone, String end) {}

    record EnergyView(
            String id,
            String name,
            String kind,
            @Nullable String isolationPoint,
            @Nullable String verify) {}

    record CheckView(String id, String name) {}

    @GetMapping("/machines")
    List<MachineRow> machines() {
        return sheets.all().stream()
                .map(s -> new MachineRow(s.code(), s.name(), s.room(), s.version(), s.outline()))
                .toList();
    }

    @GetMapping("/machines/{code}")
    SheetView machine(@PathVariable String code) {
        MachineSheet s = sheets.newest(code);
        return new SheetView(
                s.code(),
                s.name(),
                s.version(),
                s.configuration(),
                s.parts().stream().map(MachinesController::view).toList(),
                s.energies().stream()
                        .map(
                                e ->
                                        new EnergyView(
                                                e.id(),
                                                e.name(),
                                                e.kind().name(),
                                                e.isolationPoint(),
                                                e.verify()))
                        .toList(),
                s.checks().stream().map((Check c) -> new CheckView(c.id(), c.name())).toList(),
                s.passages().stream().map(p -> new NamedView(p.id(), p.name())).toList(),
                s.fittings().stream().map(f -> new NamedView(f.id(), f.name())).toList(),
                s.programs().stream().map(p -> new NamedView(p.id(), p.name())).toList(),
                s.optionGroups().stream()
                        .map(
                                g ->
                                        new OptionView(
                                                g.id(),
                                                g.name(),
                                                g.fitted(),
                                                g.options().stream()
                                                        .map(o -> new NamedView(o.id(), o.name()))
                                                        .toList()))
                        .toList(),
                s.allergens(),
                s.outline());
    }

    /**
     * The machine as it comes apart.
     *
     * @param fitted choices that differ from the fitted ones, as "group:option"
     */
    @GetMapping("/machines/{code}/map")
    TakeApartMap map(
            @PathVariable String code, @RequestParam(defaultValue = "") List<String> fitted) {
        MachineSheet s = sheets.newest(code);
        Configuration c = Configuration.fitted(s);
        for (String choice : fitted) {
            String[] two = choice.split(":", 2);
            boolean known =
                    two.length == 2
                            && s.optionGroups().stream()
                                    .filter(g -> g.id().equals(two[0]))
                                    .flatMap(g -> g.options().stream())
                                    .anyMatch(o -> o.id().equals(two[1]));
            if (!known) {
                throw Said.notFound(
                        Text.of(
                                "machines-controller.has-no-option",
                                "{0} has no option \"{1}\".",
                                code,
                                choice));
            }
            c = c.with(two[0], two[1]);
        }
        return TakeApartMap.of(s, c);
    }

    private static PartView view(Part p) {
        return new PartView(
                p.id(),
                p.name(),
                p.count(),
                p.removable(),
                p.shifts(),
                p.destination(),
                p.fastening(),
                p.caution(),
                p.surfaces().stream().map(MachinesController::view).toList());
    }

    private static SurfaceView view(Surface s) {
        return new SurfaceView(s.id(), s.name(), s.zone(), s.end().shown());
    }

    record SiteView(
            String name, String town, String zone, List<VesselView> vessels, Site.Ways ways) {}

    record VesselView(String name, String kind, String brim) {}

    @GetMapping("/site")
    SiteView site() {
        Site s = premises.now().site();
        return new SiteView(
                s.name(),
                s.town(),
                s.zone(),
                s.vessels() == null
                        ? List.of()
                        : s.vessels().stream()
                                .map(v -> new VesselView(v.name(), v.kind(), v.brim().shown()))
                                .toList(),
                s.habits());
    }
}
