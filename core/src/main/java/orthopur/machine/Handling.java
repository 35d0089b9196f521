package orthopur.machine;

import java.util.List;
import org.jspecify.annotations.Nullable;
import orthopur.quantity.Mass;

/**
 * What it takes to move a part.
 *
 * @param mass where it is known
 * @param people how many it takes, 1 to 20; null means one
 * @param tools what must be at hand: wrench, lifting lever, step ladder
 * @param index the machine must be brought to a position before one of the part comes off
 * @param oneAtATime name of a group of which never all may be off at once
 * @param fittings ids of cleaning fittings that carry it, so that they are on before it is moved
 * @param aside whether it is washed, rinsed and left to run dry while it is moved aside, as a table
 *     that tilts to its drain; null for no
 * @param small goes down a drain, so it goes into a bath, tray or bag
 */
public record Handling(
        @Nullable Mass mass,
        @Nullable Integer people,
        List<String> tools,
        @Nullable Index index,
        @Nullable String oneAtATime,
        List<String> fittings,
        @Nullable Boolean aside,
        boolean small) {

    /** How the machine is brought from one position to the next. */
    public enum Index {
        BY_HAND,
        HOLD_TO_RUN
    }

    public static final Handling NONE = new Handling(null, null, List.of(), null, null, false);

    /** One that no fitting carries. */
    public Handling(
            @Nullable Mass mass,
            @Nullable Integer people,
            List<String> tools,
            @Nullable Index index,
            @Nullable String oneAtATime,
            boolean small) {
        this(mass, people, tools, index, oneAtATime, List.of(), null, small);
    }

    public Handling {
        tools = Lists.orNone(tools);
        fittings = Lists.orNone(fittings);
    }

    /** Whether water comes onto it only while it is moved aside. */
    public boolean washedAside() {
        return aside != null && aside;
    }
}
