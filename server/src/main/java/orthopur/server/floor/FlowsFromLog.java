package orthopur.server.floor;

import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import orthopur.procedure.Action;
import orthopur.server.machines.LastServices;

/** The last services as the closed rounds of a machine tell them. */
@Component
class FlowsFromLog implements LastServices {
    /** Line cleans are every 14 days; this looks back far enough among rounds of other kinds. */
    private static final int LOOK_BACK = 60;

    private final RoundLog log;
    private final Map<String, Known> known = new ConcurrentHashMap<>();

    /** Asked at every key press of the workbench, so it is read anew only after another round. */
    private record Known(String round, Map<String, Action.Flow> flows) {}

    FlowsFromLog(RoundLog log) {
        this.log = log;
    }

    @Override
    public Map<String, Action.Flow> flows(String machine) {
        String newest = log.newestClosed(machine);
        if (newest == null) {
            return Map.of();
        }
        Known k = known.get(machine);
        if (k == null || !k.round().equals(newest)) {
            k = new Known(newest, read(machine));
            known.put(machine, k);
        }
        return k.flows();
    }

    private Map<String, Action.Flow> read(String machine) {
        Map<String, Action.Flow> last = new TreeMap<>();
        log.packsOf(machine, LOOK_BACK).stream()
                .map(log::pack)
                .flatMap(pack -> pack.steps().stream())
                .forEach(step -> step.flows().forEach(last::putIfAbsent));
        return last;
    }
}
