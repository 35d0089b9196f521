package orthopur.sitestream;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orthopur.machine.Counter;
import orthopur.machine.Kit;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.machine.Setting;
import orthopur.machine.Symptom;
import orthopur.machine.Upkeep;
import orthopur.round.Refused;
import orthopur.round.Refused.Why;

/**
 * What a site has and how it is named, so that nothing is written down of what it does not have: it
 * would never be seen again. Where somebody reads an older log this is not asked, since sheets
 * change.
 *
 * @param machines by code
 * @param products ids
 */
public record SiteNames(Map<String, OfMachine> machines, Set<String> products) {
    public SiteNames {
        machines = Map.copyOf(machines);
        products = Set.copyOf(products);
    }

    /** The ids on the sheet of one machine; spares are kits or parts. */
    record OfMachine(
            Set<String> kits,
            Set<String> spares,
            Set<String> settings,
            Set<String> counters,
            Set<String> symptoms,
            Set<String> upkeep) {}

    /** The names on the sheets of a site. */
    public static SiteNames of(List<MachineSheet> sheets, Set<String> products) {
        Map<String, OfMachine> machines = new HashMap<>();
        for (MachineSheet s : sheets) {
            Set<String> kits = new HashSet<>();
            s.kits().stream().map(Kit::id).forEach(kits::add);
            Set<String> spares = new HashSet<>(kits);
            s.parts().stream().map(Part::id).forEach(spares::add);
            Set<String> settings = new HashSet<>();
            s.settings().stream().map(Setting::id).forEach(settings::add);
            Set<String> counters = new HashSet<>();
            s.counters().stream().map(Counter::id).forEach(counters::add);
            Set<String> symptoms = new HashSet<>();
            s.symptoms().stream().map(Symptom::id).forEach(symptoms::add);
            Set<String> upkeep = new HashSet<>();
            s.upkeep().stream().map(Upkeep::id).forEach(upkeep::add);
            machines.put(
                    s.code(), new OfMachine(kits, spares, settings, counters, symptoms, upkeep));
        }
        return new SiteNames(machines, products);
    }

    /**
     * Refuses what is about something that the site does not have.
     *
     * @throws Refused with what it is and its name
     */
    public void check(SiteEntry entry) {
        switch (entry) {
            case SiteEntry.BucketMade e -> product(e.chemical());
            case SiteEntry.ContainerOpened e -> product(e.chemical());
            case SiteEntry.StockCounted e -> product(e.chemical());
            case SiteEntry.KitFitted e ->
                    has(machine(e.machine()).kits(), "kit", e.kit(), e.machine());
            case SiteEntry.SparesCounted e ->
                    has(machine(e.machine()).spares(), "spare", e.part(), e.machine());
            case SiteEntry.SettingRead e ->
                    has(machine(e.machine()).settings(), "setting", e.setting(), e.machine());
            case SiteEntry.SettingLetRun e ->
                    has(machine(e.machine()).settings(), "setting", e.setting(), e.machine());
            case SiteEntry.CountRead e ->
                    has(machine(e.machine()).counters(), "counter", e.counter(), e.machine());
            case SiteEntry.TroubleCured e ->
                    has(machine(e.machine()).symptoms(), "symptom", e.symptom(), e.machine());
            case SiteEntry.PlateRead e -> machine(e.machine());
            case SiteEntry.OutOfUse e -> machine(e.machine());
            case SiteEntry.EventSaid e -> machine(e.machine());
            case SiteEntry.SignSeen e -> machine(e.machine());
            case SiteEntry.ProductKept e -> machine(e.machine());
            case SiteEntry.ProductGone e -> machine(e.machine());
            case SiteEntry.TaskDone e -> task(e.task());
            case SiteEntry.TaskLetGo e -> task(e.task());
            case SiteEntry.SolutionRead e -> {}
            case SiteEntry.SolutionCorrected e -> {}
            case SiteEntry.VesselEmptied e -> {}
            case SiteEntry.InstrumentChecked e -> {}
            case SiteEntry.LotOpened e -> {}
            case SiteEntry.Signed e -> {}
            case SiteEntry.NightSaid e -> {}
        }
    }

    /** Upkeep and kits name their machine; a procedure may have been retired since. */
    private void task(String task) {
        String[] named = task.split("/", 3);
        if (named.length == 3 && named[1].equals("upkeep")) {
            has(machine(named[0]).upkeep(), "upkeep", named[2], named[0]);
        } else if (named.length == 3 && named[1].equals("kit")) {
            has(machine(named[0]).kits(), "kit", named[2], named[0]);
        }
    }

    private void product(String id) {
        if (!products.contains(id)) {
            throw new Refused(Why.NOT_OF_SITE, "product", id);
        }
    }

    private OfMachine machine(String code) {
        OfMachine m = machines.get(code);
        if (m == null) {
            throw new Refused(Why.NOT_OF_SITE, "machine", code);
        }
        return m;
    }

    private static void has(Set<String> known, String what, String id, String machine) {
        if (!known.contains(id)) {
            throw new Refused(Why.NOT_ON_SHEET, machine, what, id);
        }
    }
}
