package orthopur.testbench;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.chemical.Label;
import orthopur.chemical.Stock;
import orthopur.machine.Check;
import orthopur.machine.EndState;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.machine.Regime;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
import orthopur.procedure.Edit;
import orthopur.procedure.Procedure;
import orthopur.procedure.Schools;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Hardness;
import orthopur.quantity.Ph;
import orthopur.quantity.Share;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;
import orthopur.quantity.Volume;
import orthopur.rulebook.PublicCodes;
import orthopur.runthrough.Context;
import orthopur.runthrough.Finding;
import orthopur.verdict.Verdict;
import orthopur.verdict.Verifier;

/**
 * A small machine on the test bench and a correct procedure for it: a hopper that lifts off in
 * front of a drum, a flap folded over the drum's back, two seals over a groove, a guard; fed by a
 * hard-wired motor and by a spring in the drum.
 */
public final class Bench {
    public static final MachineSheet SHEET =
            sheet(
                    List.of(
                            part("frame").fixed().surface("frame-1", 2, EndState.CLEAN).build(),
                            part("hopper").build(),
                            part("drum")
                                    .fixed()
                                    .surface("drum-1", 1, EndState.SANITIZED)
                                    .surface("drum-back", 1, EndState.SANITIZED)
                                    .build(),
                            part("flap").fixed().shifts().covers("drum-back").build(),
                            part("spring").behind("hopper").build(),
                            part("seal").count(2).covers("groove").build(),
                            part("shaft").fixed().surface("groove", 1, EndState.SANITIZED).build(),
                            part("guard").guard().build()),
                    List.of(
                            energy(
                                    "motor",
                                    EnergyKind.SUPPLIED,
                                    null,
                                    null,
                                    "drum",
                                    "flap",
                                    "shaft"),
                            energy("tension", EnergyKind.STORED, "spring", "motor", "spring")));

    public static final Chemical CHLORINE =
            chemical(
                    "chlor",
                    ChemicalKind.CHLORINE,
                    new Label(
                            null,
                            new Strength(200),
                            Duration.ofSeconds(60),
                            null,
                            null,
                            null,
                            null,
                            false,
                            false,
                            ""));
    public static final Chemical DETERGENT =
            chemical("soap", ChemicalKind.NEUTRAL_DETERGENT, Label.silent());
    public static final Context CONTEXT =
            new Context(PublicCodes.book(), List.of(CHLORINE, DETERGENT), new Hardness(310));

    private static final List<String> PARTS = List.of("hopper", "spring", "seal", "guard");
    private static final List<String> ALL =
            List.of("frame", "hopper", "drum", "flap", "spring", "seal", "shaft", "guard");

    private Bench() {}

    /** Every step by its own id, so that tests can speak of them. */
    public static Procedure good() {
        List<Step> steps = new ArrayList<>();
        add(steps, "stop", new Action.Operate(Action.Mode.STOP, List.of("motor"), List.of()));
        add(steps, "isolate", new Action.Isolate(List.of("motor")));
        add(steps, "lock", new Action.Lock(List.of("motor")));
        add(steps, "relieve", new Action.Relieve(List.of("motor", "tension")));
        add(steps, "prove", new Action.Prove(List.of("motor", "tension")));
        add(steps, "off-1", new Action.Remove(List.of("hopper", "guard"), null, "cart"));
        add(steps, "off-2", new Action.Remove(List.of("spring", "seal"), null, "sink"));
        add(steps, "aside", new Action.Shift(List.of("flap")));
        add(steps, "scrape", new Action.DryClean(ALL));
        add(steps, "wash", new Action.Wash(ALL, soap(), Action.Method.BRUSH));
        add(
                steps,
                "rinse",
                new Action.Rinse(ALL, plain(), Action.Method.SPRAY, Action.EndPoint.NO_SUDS));
        add(steps, "inspect", new Action.Inspect(ALL));
        add(steps, "hands", new Action.WashHands());
        add(steps, "sanitize", sanitize(100, 18, 7.4, Duration.ofSeconds(60)));
        add(steps, "dry", new Action.Dry(ALL, Action.Drying.AIR, Duration.ofMinutes(20)));
        add(steps, "back", new Action.Return(List.of("flap")));
        add(steps, "on", new Action.Install(PARTS, null));
        add(steps, "clear", new Action.Clear(true, true, true));
        add(steps, "unlock", new Action.Unlock(List.of("motor")));
        add(steps, "live", new Action.Restore(List.of("motor")));
        add(steps, "record", new Action.Record());
        return new Procedure(
                "bench",
                "Bench",
                "BENCH",
                1,
                "public-codes-1",
                Frequency.DAILY,
                new Schools(false),
                1,
                List.of(),
                steps);
    }

    public static Action.Sanitize sanitize(double mg, double celsius, double ph, Duration contact) {
        return new Action.Sanitize(
                ALL,
                new Solution(
                        "chlor",
                        new Strength(mg),
                        new Temperature(celsius),
                        new Ph(ph),
                        new Volume(40)),
                Action.Method.SPRAY,
                contact,
                Set.of(Action.Reading.STRENGTH, Action.Reading.TEMPERATURE));
    }

    public static Solution soap() {
        return new Solution("soap", new Share(1), new Temperature(45), null, null);
    }

    public static Solution plain() {
        return new Solution(null, null, null, null, null);
    }

    public static List<String> allParts() {
        return ALL;
    }

    /** The good procedure without some steps. */
    public static Procedure without(String... ids) {
        Procedure p = good();
        for (String id : ids) {
            p = p.apply(List.of(new Edit.Delete(id)));
        }
        return p;
    }

    /** The good procedure with another action at a step. */
    public static Procedure with(String id, Action action) {
        Procedure p = good();
        Step s = p.steps().get(p.placeOf(id));
        return p.apply(List.of(new Edit.Change(id, s.with(action))));
    }

    /** The good procedure with a step moved before another. */
    public static Procedure moved(String id, String before) {
        return good().apply(List.of(new Edit.Move(id, before)));
    }

    public static Verdict verify(Procedure p) {
        return Verifier.verify(p, SHEET, CONTEXT);
    }

    /** Rules of the root findings with their step ids, as "L1@wash". */
    public static List<String> roots(Procedure p) {
        return verify(p).findings().stream()
                .filter(f -> f.under() == null)
                .map(f -> f.rule() + "@" + f.stepId())
                .toList();
    }

    /** The only finding of a rule. */
    public static Finding only(Procedure p, String rule) {
        List<Finding> found =
                verify(p).findings().stream().filter(f -> f.rule().equals(rule)).toList();
        if (found.size() != 1) {
            throw new AssertionError(rule + " " + found.size() + " times: " + found);
        }
        return found.getFirst();
    }

    private static void add(List<Step> steps, String id, Action a) {
        steps.add(new Step(id, a, id, null, null, 1, 1));
    }

    public static MachineSheet sheet(List<Part> parts, List<Energy> energies) {
        return new MachineSheet(
                "BENCH",
                "Bench",
                "bench",
                Regime.PLANT,
                1,
                "room",
                new Temperature(11),
                "",
                true,
                false,
                Set.of(),
                parts,
                energies,
                List.of(new Check("gap", "Gap", parts.getFirst().id(), 0.5, 1.5, "mm")),
                null);
    }

    public static Energy energy(
            String id, EnergyKind kind, String holder, String fedBy, String... zone) {
        return new Energy(id, id, kind, List.of(zone), "switch", "try it", holder, fedBy, false);
    }

    private static Chemical chemical(String id, ChemicalKind kind, Label label) {
        return new Chemical(
                id,
                id,
                kind,
                "T-1",
                new Stock(12.5, Stock.Basis.MASS_IN_MASS, 1.17),
                label,
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                1,
                100);
    }

    public static PartBuilder part(String id) {
        return new PartBuilder(id);
    }

    /** Builds a part; removable, one of it, with one zone-1 surface unless told otherwise. */
    public static final class PartBuilder {
        private final String id;
        private final List<Surface> surfaces = new ArrayList<>();
        private List<String> behind = List.of();
        private List<String> covers = List.of();
        private int count = 1;
        private boolean removable = true;
        private boolean shifts;
        private boolean guard;

        private PartBuilder(String id) {
            this.id = id;
        }

        public PartBuilder behind(String... ids) {
            behind = List.of(ids);
            return this;
        }

        public PartBuilder covers(String... ids) {
            covers = List.of(ids);
            return this;
        }

        public PartBuilder count(int n) {
            count = n;
            return this;
        }

        public PartBuilder fixed() {
            removable = false;
            return this;
        }

        public PartBuilder shifts() {
            shifts = true;
            return this;
        }

        public PartBuilder guard() {
            guard = true;
            return this;
        }

        public PartBuilder surface(String surface, int zone, EndState end) {
            surfaces.add(
                    new Surface(
                            surface,
                            surface,
                            zone,
                            List.of("steel"),
                            Set.of(),
                            null,
                            end,
                            null,
                            Frequency.DAILY,
                            null,
                            null));
            return this;
        }

        public Part build() {
            if (surfaces.isEmpty()) {
                surface(id + "-1", 1, EndState.SANITIZED);
            }
            return new Part(
                    id, id, count, removable, shifts, behind, covers, Set.of(), guard, "sink", null,
                    null, null, surfaces);
        }
    }
}
