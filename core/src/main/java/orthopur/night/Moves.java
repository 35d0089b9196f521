package orthopur.night;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import orthopur.night.Plan.Placed;

/** What is otherwise in one plan than in another, and for whom. */
public final class Moves {
    /** Nobody is told of less. */
    static final int WORTH_SAYING = 10;

    private Moves() {}

    /** What has become of a task. */
    public enum What {
        /** It is another's now, at whatever time. */
        OTHER_PERSON,
        /** It is at another time. */
        OTHER_TIME,
        /** It was not there before. */
        NEW,
        /** It is left out, or done. */
        GONE
    }

    /**
     * @param was,now where it stood and stands; null where it did not, or does not any more
     */
    public record Move(String task, What what, @Nullable Placed was, @Nullable Placed now) {}

    /** Every task that somebody has to be told of, in the order of the plan after. */
    public static List<Move> between(Plan before, Plan after) {
        Map<String, Placed> was = before.byId();
        Map<String, Placed> now = after.byId();
        List<Move> all = new ArrayList<>();
        for (Placed n : after.tasks()) {
            Placed w = was.get(n.id());
            if (w == null) {
                all.add(new Move(n.id(), What.NEW, null, n));
            } else if (!Set.copyOf(w.people()).equals(Set.copyOf(n.people()))) {
                all.add(new Move(n.id(), What.OTHER_PERSON, w, n));
            } else if (Math.abs(w.from() - n.from()) >= WORTH_SAYING) {
                all.add(new Move(n.id(), What.OTHER_TIME, w, n));
            }
        }
        for (Placed w : before.tasks()) {
            if (!now.containsKey(w.id())) {
                all.add(new Move(w.id(), What.GONE, w, null));
            }
        }
        all.sort(
                Comparator.comparingInt(
                                (Move m) -> m.now() == null ? Integer.MAX_VALUE : m.now().from())
                        .thenComparing(Move::task));
        return all;
    }
}
