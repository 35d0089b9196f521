package orthopur.formats;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * The actions a step can have, with the fields that each takes. The editor and the reader use it.
 */
public final class ActionCatalog {
    private static final List<String> SOLUTION =
            List.of("items", "chemical", "strength", "temperature", "ph", "volume", "place");

    private static final List<ActionInfo> ALL =
            List.of(
                    of("prepare", "Prepare", "things"),
                    of("operate", "Use the controls", "mode", "energies", "items"),
                    of("isolate", "Isolate", "energies"),
                    of("lock", "Lock", "energies", "locks", "secondMeasure"),
                    of("relieve", "Relieve", "energies"),
                    of("prove", "Prove", "energies"),
                    of("cool-down", "Cool down", "energies", "below", "standing"),
                    of("keep-product", "Keep product", "destination"),
                    of("mark", "Mark", "items"),
                    of("index", "Index", "items", "times", "powered"),
                    of("fit", "Fit for cleaning", "fittings"),
                    of("unfit", "Take off fitting", "fittings"),
                    of("remove", "Remove", "items", "count", "destination"),
                    of("shift", "Move aside", "items"),
                    of("return", "Move back", "items"),
                    of("wash-hands", "Wash hands"),
                    of("dry-clean", "Dry-clean", "items"),
                    of("rinse", "Rinse", "items", "temperature", "volume", "method", "endPoint"),
                    with("wash", "Wash", SOLUTION, "method", "tool", "direction"),
                    with("soak", "Soak", SOLUTION, "dwell"),
                    with(
                            "circulate",
                            "Circulate",
                            SOLUTION,
                            "dwell",
                            "velocity",
                            "flow",
                            "readings",
                            "purged"),
                    with(
                            "run-program",
                            "Run program",
                            SOLUTION,
                            "program",
                            "dwell",
                            "finalRinse",
                            "pressure",
                            "complete",
                            "readings"),
                    of("draw-off", "Draw off", "items", "places", "washedOut"),
                    of("collect", "Collect", "items"),
                    of("inspect", "Inspect", "items"),
                    with("sanitize", "Sanitize", SOLUTION, "method", "contact", "readings"),
                    of("dry", "Dry", "items", "method", "dwell"),
                    of("sharpen", "Sharpen", "items", "powered"),
                    of("replace", "Replace", "items"),
                    of("lubricate", "Lubricate", "items", "chemical"),
                    of("coat", "Coat", "items", "chemical"),
                    of("store", "Store", "items", "destination"),
                    of("install", "Install", "items", "count", "pattern"),
                    of("measure", "Check", "checks"),
                    of("clear", "Clear", "toolsOut", "peopleClear", "guardsOn"),
                    of("unlock", "Unlock", "energies"),
                    of("restore", "Make live", "energies"),
                    of("function-test", "Test run", "checks"),
                    of("chase-out", "Chase out", "items", "volume", "product"),
                    of("hold-point", "Hold", "who"),
                    of("record", "Record"));

    private static final Map<String, ActionInfo> BY_NAME =
            ALL.stream().collect(Collectors.toMap(ActionInfo::name, Function.identity()));

    private ActionCatalog() {}

    /**
     * @param name as it stands in a file
     * @param label as people read it
     * @param fields what the action takes beside the words
     */
    public record ActionInfo(String name, String label, List<String> fields) {}

    public static List<ActionInfo> all() {
        return ALL;
    }

    static @Nullable ActionInfo named(String name) {
        return BY_NAME.get(name);
    }

    /** The action of a step that was read. */
    static ActionInfo known(String name) {
        return Objects.requireNonNull(named(name), name);
    }

    private static ActionInfo of(String name, String label, String... fields) {
        return new ActionInfo(name, label, List.of(fields));
    }

    private static ActionInfo with(String name, String label, List<String> fields, String... more) {
        List<String> all = new java.util.ArrayList<>(fields);
        all.addAll(List.of(more));
        return new ActionInfo(name, label, List.copyOf(all));
    }
}
