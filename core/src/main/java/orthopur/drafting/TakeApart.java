package orthopur.drafting;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.machine.Hazard;
import orthopur.machine.Part;
import orthopur.machine.Surface;
import orthopur.text.Text;

/**
 * Which parts come off or move aside so that every due surface is reached, and in which order: what
 * is in front first, with as few trips as the order allows.
 */
final class TakeApart {
    private static final Set<Hazard> TOLD = Set.of(Hazard.PINCH, Hazard.CRUSH, Hazard.SNAG);

    private final List<Part> all;
    private final Set<String> moving = new LinkedHashSet<>();
    private final List<Part> order = new ArrayList<>();

    TakeApart(List<Part> parts, List<Surface> due) {
        this.all = parts;
        Set<String> wanted = new HashSet<>();
        due.forEach(s -> wanted.add(s.id()));
        for (Part p : parts) {
            boolean cleans = p.surfaces().stream().anyMatch(s -> wanted.contains(s.id()));
            boolean hides = p.covers().stream().anyMatch(wanted::contains);
            // Those of which never all are off are cleaned where they hang.
            boolean hangs = p.moving().oneAtATime() != null;
            boolean tilts = cleans && p.moving().washedAside();
            if ((cleans && p.removable() && !hangs) || hides || tilts) {
                need(p);
            }
        }
        sort();
    }

    /** It and all that is in front of it. */
    private void need(Part p) {
        if ((p.removable() || p.shifts()) && moving.add(p.id())) {
            p.behind().forEach(f -> all.stream().filter(x -> x.id().equals(f)).forEach(this::need));
        }
    }

    private void sort() {
        Set<String> open = new HashSet<>();
        String last = null;
        while (order.size() < moving.size()) {
            Part next = null;
            for (Part p : all) {
                boolean free =
                        moving.contains(p.id())
                                && !open.contains(p.id())
                                && p.behind().stream()
                                        .allMatch(f -> open.contains(f) || !moving.contains(f));
                // Stay at the same place as long as something there is free.
                if (free
                        && (next == null || (!place(next).equals(last) && place(p).equals(last)))) {
                    next = p;
                }
            }
            if (next == null) {
                throw new DraftRefused(
                        List.of(
                                Text.of(
                                        "draft-refused.some-parts-are-each-behind-the",
                                        "Some parts are each behind the other.")));
            }
            open.add(next.id());
            order.add(next);
            last = place(next);
        }
    }

    /** Everything that moves, in order. */
    List<Part> inOrder() {
        return List.copyOf(order);
    }

    /** Whether it comes off; what only moves aside stays on the machine. */
    static boolean comesOff(Part p) {
        return p.removable();
    }

    /** What is small goes down no drain, whatever its sheet says. */
    static String place(Part p) {
        boolean small = p.moving().small();
        String told = p.destination();
        if (told != null && (!small || orthopur.runthrough.Words.keepsSmall(told))) {
            return told;
        }
        return small ? "small-parts bath" : "parts cart";
    }

    /** Whether something about a part has to be minded or done each time it is moved. */
    static boolean minded(Part p) {
        return p.caution() != null
                || p.moving().people() != null
                || p.moving().index() != null
                || p.fitting().pattern() != null
                || p.hazards().stream().anyMatch(TOLD::contains);
    }

    /** What to mind, where the sheet has a hazard and no words for it. */
    static @Nullable String caution(Part p) {
        if (p.caution() != null) {
            return p.caution();
        }
        if (p.hazards().contains(Hazard.PINCH) || p.hazards().contains(Hazard.CRUSH)) {
            return "Mind your fingers: it can pinch.";
        }
        if (p.hazards().contains(Hazard.SNAG)) {
            return "Mind your sleeves: it can snag.";
        }
        return p.hazards().contains(Hazard.EDGE) ? "The edge is sharp." : null;
    }
}
