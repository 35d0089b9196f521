package orthopur.release;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.EndState;
import orthopur.machine.MachineSheet;
import orthopur.machine.Surface;
import orthopur.quantity.Show;
import orthopur.round.ReleaseSite;
import orthopur.roundpack.RoundPack;
import orthopur.roundpack.RoundPack.CheckPlan;
import orthopur.roundpack.RoundPack.PackStep;
import orthopur.rulebook.RuleBook;
import orthopur.runthrough.SheetIndex;
import orthopur.runthrough.SurfaceAt;
import orthopur.text.Text;

/**
 * What has to be found before a machine is released after a round.
 *
 * @param sites in the order in which they are taken: sight, last rinse, swabs
 */
public record ReleasePlan(List<ReleaseSite> sites) {
    /** The names under which the sites that every machine has are kept. */
    public static final String SIGHT = ReleaseSite.SIGHT;

    public static final String LAST_RINSE = "last-rinse";

    public ReleasePlan {
        sites = List.copyOf(sites);
    }

    /**
     * @param sheet as it is fitted
     * @param round how many rounds of this procedure there were before, from 0
     * @param history ATP values of each surface in order of time, by its id
     */
    public static ReleasePlan of(
            MachineSheet sheet,
            RoundPack pack,
            RuleBook book,
            long round,
            Map<String, List<Double>> history) {
        List<ReleaseSite> sites = new ArrayList<>();
        sites.add(
                new ReleaseSite(
                        SIGHT,
                        ReleaseSite.Kind.LOOK,
                        Text.of(
                                "inspection.sight",
                                "All food-contact surfaces: no soil, no water, no bristle, no damage"),
                        null,
                        null,
                        null,
                        null,
                        Text.of(
                                "inspection.sight-how",
                                "with flashlight and mirror, into corners and under edges")));
        CheckPlan ph = lastRinse(pack);
        if (ph != null && ph.ranged()) {
            sites.add(
                    new ReleaseSite(
                            LAST_RINSE,
                            ReleaseSite.Kind.PH,
                            Text.of("inspection.last-rinse", "pH of the last rinse"),
                            ph.least(),
                            ph.most(),
                            null,
                            "pH",
                            Text.of("inspection.as-the-tap", "back to that of the tap")));
        }
        List<SwabRota.Site> swabs = swabSites(sheet, sanitizedIn(pack));
        if (!swabs.isEmpty()) {
            int every = (int) book.number("swab.every-rounds");
            new SwabRota(swabs, every, sheet.code().hashCode())
                    .of(round)
                    .forEach(s -> sites.add(swab(sheet, s, book, history)));
        }
        return new ReleasePlan(sites);
    }

    private static @Nullable CheckPlan lastRinse(RoundPack pack) {
        CheckPlan last = null;
        for (PackStep s : pack.steps()) {
            for (CheckPlan c : s.checks()) {
                last = c.id().equals("ph") ? c : last;
            }
        }
        return last;
    }

    /** Parts that this kind of round sanitizes: oiling the slide makes nothing to swab. */
    private static Set<String> sanitizedIn(RoundPack pack) {
        Set<String> parts = new HashSet<>();
        pack.steps().stream().filter(PackStep::sanitizes).forEach(s -> parts.addAll(s.where()));
        return parts;
    }

    /** What has to be sanitized; what hides under a cover or inside a passage is riskier. */
    private static List<SwabRota.Site> swabSites(MachineSheet sheet, Set<String> parts) {
        SheetIndex index = new SheetIndex(sheet);
        List<SwabRota.Site> sites = new ArrayList<>();
        for (SurfaceAt at : index.allSurfaces()) {
            Surface s = index.surface(at);
            boolean treated = parts.contains(index.part(index.ownerOf(at)).id());
            if (treated && s.zone() == 1 && s.end() == EndState.SANITIZED) {
                boolean hidden = !index.coversOf(at).isEmpty();
                boolean inside =
                        sheet.passages().stream().anyMatch(x -> x.surfaces().contains(s.id()));
                sites.add(new SwabRota.Site(s.id(), hidden ? 3 : inside ? 2 : 1));
            }
        }
        return sites;
    }

    private static ReleaseSite swab(
            MachineSheet sheet, String id, RuleBook book, Map<String, List<Double>> history) {
        SheetIndex index = new SheetIndex(sheet);
        SurfaceAt s = index.surfaceNamed(id);
        Text name =
                s == null
                        ? Text.plain(id)
                        : Text.of(
                                "inspection.swab",
                                "{0}: {1}",
                                index.part(index.ownerOf(s)).name(),
                                index.surface(s).name());
        List<Double> own = history.getOrDefault(id, List.of());
        if (own.size() < OwnLimits.FIRM) {
            return new ReleaseSite(
                    id,
                    ReleaseSite.Kind.SWAB,
                    name,
                    0.0,
                    book.number("atp.pass"),
                    book.number("atp.fail"),
                    "RLU",
                    Text.of(
                            "inspection.default",
                            "default of this program: this site has {0} values of its own, {1} make limits; the meter's maker stands above",
                            own.size(),
                            OwnLimits.FIRM));
        }
        OwnLimits limits = OwnLimits.of(own);
        return new ReleaseSite(
                id,
                ReleaseSite.Kind.SWAB,
                name,
                0.0,
                Math.floor(limits.passUpTo()),
                Math.floor(limits.failAbove()),
                "RLU",
                Text.of(
                        "inspection.own-history",
                        "own history of {0} values, mean {1}",
                        own.size(),
                        Show.number(Math.round(limits.mean()))));
    }
}
