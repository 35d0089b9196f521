package orthopur.drafting;

import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import orthopur.machine.Assembly;
import orthopur.machine.Check;
import orthopur.machine.EndState;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.Fitting;
import orthopur.machine.Frequency;
import orthopur.machine.Handling;
import orthopur.machine.Hazard;
import orthopur.machine.Heat;
import orthopur.machine.Limit;
import orthopur.machine.MachineSheet;
import orthopur.machine.OptionGroup;
import orthopur.machine.Part;
import orthopur.machine.Passage;
import orthopur.machine.Program;
import orthopur.machine.Regime;
import orthopur.machine.Surface;
import orthopur.machine.WarmUp;
import orthopur.quantity.Mass;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;

/**
 * A machine that nobody has built: parts behind and over one another, every kind of energy,
 * options, passages, index positions, pairs. The same seed gives the same sheet; what it has is
 * listed, so that a run can say what it covered.
 */
final class GeneratedSheet {
    private static final List<String> MATERIALS =
            List.of(
                    "stainless steel",
                    "polyethylene",
                    "polyacetal",
                    "silicone",
                    "anodized aluminum");
    private static final List<Frequency> DUE =
            List.of(
                    Frequency.DAILY,
                    Frequency.DAILY,
                    Frequency.DAILY,
                    Frequency.END_OF_SHIFT,
                    Frequency.WEEKLY,
                    Frequency.MONTHLY);

    private final Random dice;
    private final Set<String> has = new LinkedHashSet<>();
    private final List<Part> parts = new ArrayList<>();
    private final List<String> surfaces = new ArrayList<>();
    private final List<String> coverable = new ArrayList<>();

    private GeneratedSheet(long seed) {
        this.dice = new Random(seed);
    }

    /** A sheet and what it covers, in words. */
    record Made(MachineSheet sheet, Set<String> has) {}

    static Made of(long seed) {
        return new GeneratedSheet(seed).make();
    }

    private boolean chance(int percent) {
        return dice.nextInt(100) < percent;
    }

    private <T> T one(List<T> all) {
        return all.get(dice.nextInt(all.size()));
    }

    private Made make() {
        List<OptionGroup> groups = new ArrayList<>();
        if (chance(40)) {
            has.add("option group");
            groups.add(
                    new OptionGroup(
                            "drive",
                            "Drive",
                            List.of(
                                    new OptionGroup.Option("power", "powered"),
                                    new OptionGroup.Option("wheel", "hand wheel")),
                            chance(50) ? "power" : "wheel"));
        }
        int bodies = 1 + dice.nextInt(2);
        for (int i = 0; i < bodies; i++) {
            parts.add(part("body-" + i, false, List.of(), List.of(), null));
        }
        coverable.addAll(surfaces);
        int n = 2 + dice.nextInt(12);
        for (int i = 0; i < n; i++) {
            String when = groups.isEmpty() || !chance(20) ? null : "drive=power";
            parts.add(part("part-" + i, true, behind(), covers(), when));
        }
        return new Made(
                new MachineSheet(
                        "GEN",
                        "Generated",
                        "bench",
                        one(List.of(Regime.values())),
                        1 + dice.nextInt(5),
                        "room",
                        new Temperature(11),
                        "",
                        chance(50),
                        chance(10),
                        chance(50) ? Set.of("protein", "fat") : Set.of("sugar"),
                        parts,
                        energies(groups),
                        checks(),
                        groups,
                        passages(),
                        fittings(),
                        programs(),
                        null,
                        chance(40) ? "Everything at zero" : null,
                        false,
                        warmUp(),
                        null,
                        List.of(),
                        List.of(),
                        null,
                        null,
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(),
                        null,
                        null,
                        null),
                has);
    }

    /** Only parts that are there already, so that no circle closes; never one that stays. */
    private List<String> behind() {
        List<String> movable =
                parts.stream().filter(p -> p.removable() || p.shifts()).map(Part::id).toList();
        if (movable.isEmpty() || !chance(45)) {
            return List.of();
        }
        has.add("behind");
        return List.of(one(movable));
    }

    private List<String> covers() {
        if (coverable.isEmpty() || !chance(35)) {
            return List.of();
        }
        has.add("cover");
        return List.of(coverable.remove(dice.nextInt(coverable.size())));
    }

    private Part part(
            String id, boolean loose, List<String> behind, List<String> covers, String when) {
        boolean shifts = loose && chance(20);
        int count = loose && chance(25) ? 2 + dice.nextInt(8) : 1;
        List<Surface> own = new ArrayList<>();
        int n = 1 + dice.nextInt(3);
        for (int i = 0; i < n; i++) {
            own.add(surface(id + "-s" + i, loose));
        }
        Set<Hazard> hazards = EnumSet.noneOf(Hazard.class);
        for (Hazard h : List.of(Hazard.EDGE, Hazard.PINCH, Hazard.SNAG, Hazard.CRUSH)) {
            if (chance(12)) {
                hazards.add(h);
                has.add("hazard");
            }
        }
        Handling.Index index =
                loose && !shifts && chance(12)
                        ? count > 1 || chance(70)
                                ? Handling.Index.BY_HAND
                                : Handling.Index.HOLD_TO_RUN
                        : null;
        if (index != null) {
            has.add("index " + index);
        }
        boolean heavy = loose && chance(10);
        Handling handling =
                new Handling(
                        heavy ? new Mass(30) : null,
                        chance(10) ? 2 : null,
                        chance(15) ? List.of("wrench " + id) : List.of(),
                        index,
                        null,
                        chance(15));
        if (heavy || handling.people() != null) {
            has.add("two people");
        }
        return new Part(
                id,
                "Part " + id,
                count,
                loose && !shifts,
                shifts,
                behind,
                covers,
                hazards,
                loose && chance(15),
                chance(60) && !handling.small() ? "sink 1" : null,
                chance(30) ? "Half a turn to the left" : null,
                chance(15) ? "It drops when it is loose" : null,
                loose && chance(20) ? "A" : null,
                handling,
                assembly(id, loose && !shifts),
                when,
                own,
                null,
                null);
    }

    private Assembly assembly(String id, boolean loose) {
        List<Assembly.Lubrication> points = new ArrayList<>();
        if (chance(12)) {
            has.add("lubrication");
            boolean never = chance(30);
            points.add(new Assembly.Lubrication("ring", never, never ? null : "grease", one(DUE)));
        }
        String pair = null;
        if (loose && chance(10) && !parts.isEmpty()) {
            has.add("pair");
            pair = parts.getLast().id();
        }
        return new Assembly(
                List.of(),
                chance(20) ? "crosswise" : null,
                loose && chance(25) ? "no cut" : null,
                pair,
                points);
    }

    private Surface surface(String id, boolean loose) {
        int zone = loose ? 1 + dice.nextInt(2) : 1 + dice.nextInt(4);
        String material = one(MATERIALS);
        EndState end =
                zone == 1
                        ? chance(90) ? EndState.SANITIZED : EndState.CLEAN
                        : zone == 2 ? EndState.CLEAN : EndState.WIPED;
        String above = !loose && !surfaces.isEmpty() && chance(40) ? surfaces.getLast() : null;
        if (above != null) {
            has.add("above");
        }
        Set<Limit> limits = EnumSet.noneOf(Limit.class);
        for (Limit l : List.of(Limit.NO_HOSE, Limit.NO_IMMERSION, Limit.NO_MACHINE_WASH)) {
            if (chance(15)) {
                limits.add(l);
            }
        }
        if (chance(8)) {
            limits.add(Limit.NO_CHLORINE);
            has.add("no chlorine");
        }
        surfaces.add(id);
        return new Surface(
                id,
                "Surface " + id,
                zone,
                List.of(material),
                limits,
                chance(10) ? new Temperature(43 + dice.nextInt(20)) : null,
                end,
                end == EndState.CLEAN && zone == 1 ? "it runs at 250 °C" : null,
                one(DUE),
                above,
                chance(20) ? "groove brush" : null,
                chance(8) ? "centre outward" : null,
                List.of(),
                false,
                null,
                null,
                null,
                chance(5) ? true : null);
    }

    private List<Energy> energies(List<OptionGroup> groups) {
        List<Energy> all = new ArrayList<>();
        List<String> ids = parts.stream().map(Part::id).toList();
        boolean cord = chance(40);
        String feed = cord ? "cord" : "supply";
        all.add(
                energy(
                        feed,
                        cord ? EnergyKind.CORD : EnergyKind.SUPPLIED,
                        some(ids),
                        null,
                        null,
                        null,
                        groups.isEmpty() || chance(50) ? null : "drive=power"));
        if (chance(40)) {
            all.add(energy("air", EnergyKind.SUPPLIED, some(ids), null, null, null, null));
        }
        if (chance(45)) {
            String holder = one(ids);
            all.add(
                    energy(
                            "spring",
                            EnergyKind.STORED,
                            List.of(holder),
                            holder,
                            chance(50) ? feed : null,
                            null,
                            null));
        }
        if (chance(35)) {
            String holder = one(ids);
            Heat heat = new Heat(new Temperature(120), chance(70) ? 0.02 : null);
            all.add(energy("heat", EnergyKind.HEAT, List.of(holder), holder, null, heat, null));
        }
        all.forEach(e -> has.add("energy " + e.kind() + (e.tagOnly() ? ", tag" : "")));
        return all;
    }

    private List<String> some(List<String> ids) {
        List<String> zone = new ArrayList<>(ids);
        zone.removeIf(i -> chance(40));
        return zone.isEmpty() ? List.of(ids.getFirst()) : zone;
    }

    private Energy energy(
            String id,
            EnergyKind kind,
            List<String> zone,
            String holder,
            String fedBy,
            Heat heat,
            String when) {
        return new Energy(
                id,
                "Energy " + id,
                kind,
                zone,
                "switch of " + id,
                chance(70) ? "Press start: it stands" : null,
                holder,
                fedBy,
                false,
                kind == EnergyKind.SUPPLIED && chance(20),
                heat,
                when,
                null);
    }

    private WarmUp warmUp() {
        if (!chance(20)) {
            return null;
        }
        has.add("warm-up");
        return new WarmUp(
                Duration.ofMinutes(5 + dice.nextInt(30)),
                chance(50) ? new Temperature(180) : null,
                chance(50) ? "Throw away the first ten" : null);
    }

    private List<Fitting> fittings() {
        if (!chance(20)) {
            return List.of();
        }
        has.add("fitting");
        return List.of(new Fitting("rail", "Rail", 1 + dice.nextInt(3)));
    }

    private List<Check> checks() {
        List<Check> all = new ArrayList<>();
        for (int i = 0; i < dice.nextInt(3); i++) {
            has.add("check");
            boolean measured = chance(50);
            all.add(
                    new Check(
                            "check-" + i,
                            "Check " + i,
                            one(parts).id(),
                            measured ? 0.5 : null,
                            measured ? 1.5 : null,
                            measured ? "mm" : null));
        }
        return all;
    }

    private List<Passage> passages() {
        if (!chance(30)) {
            return List.of();
        }
        has.add("passage");
        return List.of(
                new Passage(
                        "line",
                        "Line",
                        List.of(parts.getFirst().surfaces().getFirst().id()),
                        new Volume(0.5 + dice.nextInt(5)),
                        null,
                        chance(50) ? "horchata" : null,
                        null,
                        List.of()));
    }

    private List<Program> programs() {
        if (!chance(15)) {
            return List.of();
        }
        has.add("program");
        return List.of(
                new Program(
                        "drain",
                        "Drain",
                        Program.Purpose.DRAIN,
                        null,
                        List.of(),
                        java.time.Duration.ofMinutes(2),
                        List.of(),
                        List.of(),
                        List.of()));
    }
}
