package orthopur.testbench;

import static orthopur.testbench.Records.with;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import orthopur.chemical.Chemical;
import orthopur.machine.Assembly;
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
import orthopur.machine.Vessel;
import orthopur.machine.WasherType;
import orthopur.procedure.Procedure;
import orthopur.quantity.Hardness;
import orthopur.quantity.Temperature;
import orthopur.rulebook.PublicCodes;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.verdict.Verdict;
import orthopur.verdict.Verifier;

/** The machine of the bench with one thing changed. */
public record Rig(
        MachineSheet sheet, List<Chemical> chemicals, Integer years, List<Vessel> vessels) {
    public static Rig bench() {
        return new Rig(Bench.SHEET, List.of(Bench.CHLORINE, Bench.DETERGENT), null, List.of());
    }

    public Verdict verify(Procedure p) {
        Context c =
                new Context(PublicCodes.book(), chemicals, new Hardness(310)).withVessels(vessels);
        return Verifier.verify(p, sheet, years == null ? c : c.withYoungest(years));
    }

    public List<Finding> findings(Procedure p) {
        return verify(p).findings();
    }

    private Rig sheet(String component, Object value) {
        return new Rig(with(sheet, component, value), chemicals, years, vessels);
    }

    private Rig part(String id, UnaryOperator<Part> change) {
        return sheet(
                "parts",
                sheet.parts().stream().map(p -> p.id().equals(id) ? change.apply(p) : p).toList());
    }

    private Rig surface(String id, UnaryOperator<Surface> change) {
        return sheet(
                "parts",
                sheet.parts().stream()
                        .map(
                                p ->
                                        with(
                                                p,
                                                "surfaces",
                                                p.surfaces().stream()
                                                        .map(
                                                                s ->
                                                                        s.id().equals(id)
                                                                                ? change.apply(s)
                                                                                : s)
                                                        .toList()))
                        .toList());
    }

    public Rig energy(String id, UnaryOperator<Energy> change) {
        return sheet(
                "energies",
                sheet.energies().stream()
                        .map(e -> e.id().equals(id) ? change.apply(e) : e)
                        .toList());
    }

    public Rig heat(String part, Heat heat) {
        List<Energy> all = new ArrayList<>(sheet.energies());
        // The flap is in its reach, so that folding it away is the first touch.
        Energy oven = Bench.energy("oven", EnergyKind.HEAT, part, null, part, "flap");
        all.add(with(oven, "heat", heat));
        return sheet("energies", all);
    }

    public Rig hazard(String part, Hazard hazard) {
        return part(part, p -> with(p, "hazards", Set.of(hazard)));
    }

    public Rig handling(String part, Handling handling) {
        return part(part, p -> with(p, "handling", handling));
    }

    public Rig assembly(String part, Assembly assembly) {
        return part(part, p -> with(p, "assembly", assembly));
    }

    public Rig mark(String part, String mark) {
        return part(part, p -> with(p, "mark", mark));
    }

    public Rig wipe(String surface, String way) {
        return surface(surface, s -> with(s, "wipe", way));
    }

    public Rig above(String surface, String above) {
        return surface(surface, s -> with(s, "above", above));
    }

    public Rig zone(String surface, int zone) {
        return surface(surface, s -> with(s, "zone", zone));
    }

    public Rig material(String surface, String material) {
        return surface(surface, s -> with(s, "materials", List.of(material)));
    }

    public Rig limit(String surface, Limit limit) {
        return surface(surface, s -> with(s, "limits", Set.of(limit)));
    }

    public Rig banned(String surface, String chemical) {
        return surface(surface, s -> with(s, "banned", List.of(chemical)));
    }

    public Rig highest(String surface, double celsius) {
        return surface(surface, s -> with(s, "highest", new Temperature(celsius)));
    }

    public Rig regime(Regime regime) {
        return sheet("regime", regime);
    }

    public Rig frequency(String surface, Frequency frequency) {
        return surface(surface, s -> with(s, "frequency", frequency));
    }

    public Rig family(String family) {
        return sheet("family", family);
    }

    public Rig soils(String soil) {
        return sheet("soils", Set.of(soil));
    }

    public Rig organic() {
        return sheet("organic", true);
    }

    public Rig cleanMode() {
        return sheet("cleanMode", true);
    }

    public Rig version(int version) {
        return sheet("version", version);
    }

    public Rig safePosition(String words) {
        return sheet("safePosition", words);
    }

    public Rig fitting(Fitting fitting) {
        return sheet("fittings", List.of(fitting));
    }

    public Rig passage(Passage passage) {
        return sheet("passages", List.of(passage));
    }

    public Rig program(Program program, WasherType type) {
        return sheet("programs", List.of(program)).sheet("washer", type);
    }

    public Rig vessel(Vessel vessel) {
        return new Rig(sheet, chemicals, years, List.of(vessel));
    }

    /** A group of two options; the part is there with the first, which is fitted. */
    public Rig option(String group, String first, String second, String part) {
        OptionGroup g =
                new OptionGroup(
                        group,
                        group,
                        List.of(
                                new OptionGroup.Option(first, first),
                                new OptionGroup.Option(second, second)),
                        first);
        return sheet("optionGroups", List.of(g))
                .part(part, p -> with(p, "when", group + "=" + first));
    }

    public Rig youngest(int age) {
        return new Rig(sheet, chemicals, age, vessels);
    }

    /** With a product more, or another of the same id. */
    public Rig chemical(Chemical other) {
        List<Chemical> all = new ArrayList<>(chemicals);
        all.removeIf(c -> c.id().equals(other.id()));
        all.add(other);
        return new Rig(sheet, all, years, vessels);
    }
}
