package orthopur.machine;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** What goes wrong after a clean, and what is looked at, easy and safe ones first. */
public record Symptom(String id, String symptom, List<Look> looks) {
    public Symptom {
        looks = List.copyOf(looks);
    }

    /**
     * One thing to look at.
     *
     * @param state the state in which the machine has to be
     * @param part that it concerns
     * @param look what is looked for
     * @param cure what is done when it is so
     * @param qualified whether only a qualified person may look
     */
    public record Look(
            State state, @Nullable String part, String look, String cure, boolean qualified) {}

    /** The state a machine is in when somebody looks. */
    public enum State {
        RUNNING,
        STOPPED,
        LOCKED_OUT,
        COLD
    }
}
