package orthopur.testbench;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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

    private static final List<String> PARTS = List.of("spring", "hopper", "seal", "guard");
    private static final List<String> ALL =
            List.of("frame", "hopper", "drum", "flap", "spring", "seal", "shaft", "guard");

    private Bench() {}

    /** Every step by its own id, so that tests can speak of them. */
    public static Procedure good() {
        List<Step> steps = new ArrayList<>();
        add(steps, "stop", new Action.Operate(Action.Mode.STOP, List.of("motor"), List.of()));
        add(steps, "isolate", new Action.Isolate(List.of("motor")));
        add(steps, "lock", new Action.Lock(List.of("motor"), null, null, true));
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
        add(steps, "measure", new Action.Measure(List.of("gap")));
        add(steps, "clear", new Action.Clear(true, true, true));
        add(steps, "unlock", new Action.Unlock(List.of("motor"), null, true));
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
        return new Solution("soap", new Share(1), new Temperature(45), null, new Volume(20));
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

    /** A procedure with a new step before another; {@code new} steps carry their id as words. */
    public static Procedure before(String step, String id, Action action, Procedure p) {
        return p.apply(
                List.of(new Edit.InsertBefore(step, new Step(id, action, id, null, null, 1, 1))));
    }

    public static Procedure change(Procedure p, String id, Action action) {
        return p.apply(List.of(new Edit.Change(id, step(p, id).with(action))));
    }

    public static Procedure without(Procedure p, String id) {
        return p.apply(List.of(new Edit.Delete(id)));
    }

    /** Makes the motor and the spring safe once more before a step, and unlocks nothing. */
    public static Procedure safeAgain(Procedure p, String step) {
        Procedure next = p;
        for (String id : List.of("stop", "isolate", "lock", "relieve", "prove")) {
            next = before(step, id + "-2", step(p, id).action(), next);
        }
        return next;
    }

    public static Procedure people(int n, Procedure p) {
        return Records.with(p, "people", n);
    }

    public static Procedure ppe(String thing, Procedure p) {
        return Records.with(p, "ppe", List.of(thing));
    }

    public static Procedure kind(Frequency kind, Procedure p) {
        return Records.with(p, "kind", kind);
    }

    public static Procedure schoolB(Procedure p) {
        return Records.with(p, "schools", new Schools(false, true));
    }

    public static Procedure sheetVersion(int version, Procedure p) {
        return Records.with(p, "sheetVersion", version);
    }

    public static Procedure scope(Map<String, List<String>> scope, Procedure p) {
        return Records.with(p, "scope", scope);
    }

    public static Procedure when(String id, String condition, Procedure p) {
        return edited(p, id, "when", condition);
    }

    public static Procedure caution(String id, Procedure p) {
        return edited(p, id, "caution", "Fingers out of the hinge.");
    }

    public static Procedure stepPeople(String id, int n, Procedure p) {
        return edited(p, id, "people", n);
    }

    public static Procedure minutes(String id, double minutes, Procedure p) {
        return edited(p, id, "minutes", minutes);
    }

    private static Procedure edited(Procedure p, String id, String component, Object value) {
        return p.apply(List.of(new Edit.Change(id, Records.with(step(p, id), component, value))));
    }

    public static Step step(Procedure p, String id) {
        return p.steps().get(p.placeOf(id));
    }

    /** The hopper and the guard each off and on again before the other leaves. */
    public static Procedure oneByOne() {
        Procedure p = with("off-1", new Action.Remove(List.of("hopper"), null, "cart"));
        p = before("on", "hopper-on", new Action.Install(List.of("spring", "hopper"), null), p);
        p = before("on", "guard-off", new Action.Remove(List.of("guard"), null, "cart"), p);
        return change(p, "on", new Action.Install(List.of("seal", "guard"), null));
    }

    /** Sharpened clean and dry, then washed, rinsed, looked at and sanitized with the rest. */
    public static Procedure sharpened(boolean afterwards) {
        List<String> drum = List.of("drum");
        Procedure p = good();
        p = before("scrape", "scrape-1", new Action.DryClean(drum), p);
        p = before("scrape", "wash-1", new Action.Wash(drum, soap(), Action.Method.CLOTH), p);
        p =
                before(
                        "scrape",
                        "rinse-1",
                        new Action.Rinse(drum, plain(), Action.Method.CLOTH, Action.EndPoint.CLEAR),
                        p);
        p = before("scrape", "dry-1", new Action.Dry(drum, Action.Drying.TOWEL, null), p);
        return before(afterwards ? "scrape" : "back", "grind", new Action.Sharpen(drum, false), p);
    }

    public static Action.Sanitize hotWater(double celsius, long seconds) {
        return new Action.Sanitize(
                ALL,
                new Solution(null, null, new Temperature(celsius), null, new Volume(40)),
                Action.Method.IMMERSE,
                Duration.ofSeconds(seconds),
                Set.of(Action.Reading.TEMPERATURE));
    }

    public static Solution in(String vessel, Solution s) {
        return Records.with(s, "vessel", vessel);
    }

    public static Energy tagOnly(Energy e) {
        return Records.with(e, "tagOnly", true);
    }

    /** A quat with the figures that such labels have. */
    public static Chemical quat() {
        return chemical(
                "quat",
                ChemicalKind.QUAT,
                new Label(
                        new Strength(200),
                        new Strength(400),
                        Duration.ofSeconds(60),
                        new Temperature(24),
                        null,
                        null,
                        new Hardness(500),
                        false,
                        false,
                        ""));
    }

    /** A grease that may touch food by accident. */
    public static Chemical foodGrade(String id) {
        return Records.with(
                made(id, ChemicalKind.GREASE), "foodGrade", Chemical.FoodGrade.INCIDENTAL);
    }

    public static Chemical made(String id, ChemicalKind kind) {
        return chemical(id, kind, Label.silent());
    }

    public static Chemical ppeOf(Chemical c, String thing) {
        return Records.with(c, "ppe", List.of(thing));
    }

    public static Chemical labelled(String id, Share least, Share most) {
        return chemical(
                id,
                ChemicalKind.NEUTRAL_DETERGENT,
                Records.with(Records.with(Label.silent(), "least", least), "most", most));
    }

    public static Chemical unregistered() {
        return CHLORINE.unregistered();
    }

    public static Chemical grease(Chemical.FoodGrade grade) {
        return Records.with(made("grease", ChemicalKind.GREASE), "foodGrade", grade);
    }

    public static Verdict verify(Procedure p) {
        return Verifier.verify(p, SHEET, CONTEXT);
    }

    public static Verdict withoutRemedies(Procedure p) {
        return Verifier.withoutRemedies(p, SHEET, CONTEXT, 0);
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
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                null,
                null,
                false,
                null,
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
                null);
    }

    public static Energy energy(
            String id, EnergyKind kind, String holder, String fedBy, String... zone) {
        return new Energy(
                id,
                id,
                kind,
                List.of(zone),
                "switch",
                "try it",
                holder,
                fedBy,
                false,
                false,
                null,
                null,
                null);
    }

    private static Chemical chemical(String id, ChemicalKind kind, Label label) {
        return new Chemical(
                id,
                id,
                kind,
                "T-1",
                new Stock(12.5, Stock.Basis.MASS_IN_MASS, 1.17),
                label,
                List.of("food-contact surfaces"),
                List.of("listeria"),
                List.of(),
                List.of(),
                1,
                100,
                null,
                null,
                null);
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
                            null,
                            null,
                            List.of(),
                            false,
                            null,
                            null,
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
                    null, null, null, null, null, surfaces, null, null);
        }
    }

    /** Drops, moves and doubles steps by numbers; any list of numbers is some broken procedure. */
    public static Procedure broken(Procedure of, List<Integer> hits) {
        Procedure p = of;
        for (int hit : hits) {
            int n = p.steps().size();
            if (n < 3) {
                return p;
            }
            String one = p.steps().get(hit % n).id();
            String other = p.steps().get(hit / 7 % n).id();
            List<Edit> edits = new ArrayList<>();
            switch (hit % 3) {
                case 0 -> edits.add(new Edit.Delete(one));
                case 1 -> {
                    if (!one.equals(other)) {
                        edits.add(new Edit.Move(one, other));
                    }
                }
                default ->
                        edits.add(
                                new Edit.InsertBefore(
                                        other,
                                        new Step(
                                                p.freshId(0),
                                                p.steps().get(hit % n).action(),
                                                "",
                                                null,
                                                null,
                                                1,
                                                1)));
            }
            p = p.apply(edits);
        }
        return p;
    }
}
