package orthopur.runthrough;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.chemical.Chemical;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Action;
import orthopur.procedure.Procedure;
import orthopur.procedure.Solution;
import orthopur.procedure.Step;
import orthopur.quantity.Share;
import orthopur.quantity.Strength;
import orthopur.quantity.Temperature;

/**
 * What a procedure takes: one crew in order; soaks and drying run on, collecting and assembling
 * wait for them. A vessel that is used again as it was filled is filled once.
 */
final class NightTotals {
    private static final double MILLIS = 60_000;

    private final MachineSheet sheet;
    private final Context context;
    private final Map<String, Solution> filled = new HashMap<>();
    private final Map<String, List<Double>> used = new LinkedHashMap<>();
    private double clock;
    private double hands;
    private double waited;
    private double soakReady;
    private double dryReady;
    private int people = 1;
    private @Nullable Double water;
    private @Nullable Double warm;

    private NightTotals(MachineSheet sheet, Context context) {
        this.sheet = sheet;
        this.context = context;
    }

    static Run.Totals of(Procedure procedure, MachineSheet sheet, Context context) {
        NightTotals t = new NightTotals(sheet, context);
        procedure.steps().stream()
                .filter(s -> context.configuration().holds(s.when()))
                .forEach(t::step);
        return new Run.Totals(
                Math.max(t.clock, Math.max(t.soakReady, t.dryReady)),
                t.hands,
                t.waited,
                t.people,
                t.water,
                t.warm,
                t.chemicals());
    }

    private void step(Step s) {
        Action a = s.action();
        double ready =
                a instanceof Action.Collect
                        ? soakReady
                        : a instanceof Action.Install ? dryReady : 0;
        waited += Math.max(0, ready - clock);
        clock = Math.max(clock, ready) + s.minutes();
        hands += s.minutes() * s.people();
        people = Math.max(people, s.people());
        double stands = minutes(a.waits());
        waited += stands;
        clock += stands;
        if (a instanceof Action.Soak soak) {
            soakReady = Math.max(soakReady, clock + minutes(soak.dwell()));
        }
        if (a instanceof Action.Dry dry) {
            dryReady = Math.max(dryReady, clock + minutes(dry.time()));
        }
        Solution liquid = a.solution();
        if (liquid != null && !standsThere(liquid)) {
            take(liquid);
        }
    }

    private boolean standsThere(Solution liquid) {
        return liquid.vessel() != null && liquid.equals(filled.put(liquid.vessel(), liquid));
    }

    private void take(Solution liquid) {
        Double litres = liquid.volume() == null ? null : liquid.volume().litres();
        if (litres != null) {
            water = (water == null ? 0 : water) + litres;
            if (liquid.temperature() != null && liquid.temperature().celsius() > cold()) {
                warm = (warm == null ? 0 : warm) + litres;
            }
        }
        if (liquid.chemical() != null) {
            used.computeIfAbsent(liquid.chemical(), k -> new ArrayList<>())
                    .add(concentrate(liquid, litres));
        }
    }

    /** What comes from the tap; where nobody has measured it, the machine's room. */
    private double cold() {
        Temperature tap = context.tapTemperature();
        return tap == null ? sheet.roomTemperature().celsius() : tap.celsius();
    }

    /** Litres of the product in a solution; NaN where the step does not say enough. */
    private double concentrate(Solution liquid, @Nullable Double litres) {
        Chemical c = context.chemical(liquid.chemical());
        if (litres == null || c == null) {
            return Double.NaN;
        }
        return switch (liquid.strength()) {
            case Share share -> litres * share.percent() / 100;
            case Strength s when c.stock() != null ->
                    litres * s.mgPerL() / c.stock().strength().mgPerL();
            case null, default -> Double.NaN;
        };
    }

    private List<Run.Used> chemicals() {
        List<Run.Used> all = new ArrayList<>();
        used.forEach(
                (id, amounts) -> {
                    Chemical c = context.chemical(id);
                    double known =
                            amounts.stream()
                                    .filter(Double::isFinite)
                                    .mapToDouble(Double::doubleValue)
                                    .sum();
                    all.add(
                            new Run.Used(
                                    id,
                                    c == null ? id : c.name(),
                                    known,
                                    c == null ? 0 : known * c.pricePerLitre(),
                                    (int) amounts.stream().filter(x -> x.isNaN()).count()));
                });
        return all;
    }

    static double minutes(@Nullable Duration d) {
        return d == null ? 0 : d.toMillis() / MILLIS;
    }
}
