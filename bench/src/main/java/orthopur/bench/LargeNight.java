package orthopur.bench;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import orthopur.chemical.Chemical;
import orthopur.chemical.ChemicalKind;
import orthopur.chemical.Label;
import orthopur.chemical.Stock;
import orthopur.machine.EndState;
import orthopur.machine.Energy;
import orthopur.machine.EnergyKind;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.machine.Part;
import orthopur.machine.Regime;
import orthopur.machine.Surface;
import orthopur.procedure.Action;
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

/**
 * A made-up machine and a procedure for it, of any size. Steps touch a tenth of the surfaces each.
 */
public final class LargeNight {
    private LargeNight() {}

    public static MachineSheet sheet(int surfaces) {
        List<Part> parts = new ArrayList<>();
        List<String> zone = new ArrayList<>();
        for (int i = 0; i < surfaces; i++) {
            Surface s =
                    new Surface(
                            "s" + i,
                            "Surface " + i,
                            1,
                            List.of("steel"),
                            Set.of(),
                            null,
                            EndState.SANITIZED,
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
                            null);
            parts.add(
                    new Part(
                            "p" + i,
                            "Part " + i,
                            1,
                            i % 2 == 0,
                            false,
                            List.of(),
                            List.of(),
                            Set.of(),
                            false,
                            "sink",
                            null,
                            null,
                            null,
                            null,
                            null,
                            null,
                            List.of(s),
                            null,
                            null));
            zone.add("p" + i);
        }
        return new MachineSheet(
                "LARGE",
                "Large",
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
                List.of(
                        new Energy(
                                "power",
                                "Power",
                                EnergyKind.SUPPLIED,
                                zone,
                                "switch",
                                "try it",
                                null,
                                null,
                                false,
                                false,
                                null,
                                null,
                                null)),
                List.of(),
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

    static Context context() {
        Label label =
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
                        "");
        return new Context(
                PublicCodes.book(),
                List.of(
                        chemical("halvern-h12", ChemicalKind.CHLORINE, label),
                        chemical("sudmere-n", ChemicalKind.NEUTRAL_DETERGENT, Label.silent())),
                new Hardness(310));
    }

    private static Chemical chemical(String id, ChemicalKind kind, Label label) {
        return new Chemical(
                id,
                id,
                kind,
                "T",
                new Stock(12.5, Stock.Basis.MASS_IN_MASS, 1.17),
                label,
                List.of("food-contact surfaces"),
                List.of("listeria"),
                List.of(),
                List.of(),
                1,
                1,
                null,
                null,
                null);
    }

    /**
     * Safe, apart, then groups of surfaces through the whole chain, then together: {@code steps} in
     * all.
     */
    public static Procedure procedure(int steps, int surfaces) {
        List<Step> all = new ArrayList<>();
        List<String> power = List.of("power");
        add(all, new Action.Operate(Action.Mode.STOP, power, List.of()));
        add(all, new Action.Isolate(power));
        add(all, new Action.Lock(power, null, null, true));
        add(all, new Action.Relieve(power));
        add(all, new Action.Prove(power));
        List<String> removable = new ArrayList<>();
        for (int i = 0; i < surfaces; i += 2) {
            removable.add("p" + i);
        }
        add(all, new Action.Remove(removable, null, "sink"));
        int middle = steps - 13;
        int share = Math.max(1, surfaces / 10);
        Solution soap =
                new Solution("sudmere-n", new Share(1), new Temperature(45), null, new Volume(20));
        Solution plain = new Solution(null, null, null, null, null);
        Solution chlor =
                new Solution(
                        "halvern-h12",
                        new Strength(100),
                        new Temperature(18),
                        new Ph(7.4),
                        new Volume(20));
        for (int i = 0; i < middle; i++) {
            // Each group is scraped once and goes through the chain again and again.
            int group = i * 10 / Math.max(1, middle);
            int first = (group * Math.max(1, middle) + 9) / 10;
            int kind = i == first ? 0 : 1 + (i - first - 1) % 4;
            List<String> items = new ArrayList<>();
            for (int k = 0; k < share; k++) {
                items.add("s" + (group * share + k) % surfaces);
            }
            add(
                    all,
                    switch (kind) {
                        case 0 -> new Action.DryClean(items);
                        case 1 -> new Action.Wash(items, soap, Action.Method.BRUSH);
                        case 2 ->
                                new Action.Rinse(
                                        items, plain, Action.Method.SPRAY, Action.EndPoint.CLEAR);
                        case 3 -> new Action.Inspect(items);
                        default ->
                                new Action.Sanitize(
                                        items,
                                        chlor,
                                        Action.Method.SPRAY,
                                        Duration.ofSeconds(60),
                                        Set.of(
                                                Action.Reading.STRENGTH,
                                                Action.Reading.TEMPERATURE));
                    });
        }
        add(all, new Action.Dry(removable, Action.Drying.AIR, Duration.ofMinutes(20)));
        add(all, new Action.WashHands());
        add(all, new Action.Install(removable, null));
        add(all, new Action.Clear(true, true, true));
        add(all, new Action.Unlock(power, null, true));
        add(all, new Action.Restore(power));
        add(all, new Action.Record());
        return new Procedure(
                "large",
                "Large",
                "LARGE",
                1,
                "public-codes-1",
                Frequency.DAILY,
                new Schools(false),
                1,
                List.of(),
                all);
    }

    private static void add(List<Step> all, Action a) {
        all.add(new Step("s" + all.size(), a, "", null, null, 1, 1));
    }
}
