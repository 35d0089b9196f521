package orthopur.round;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import orthopur.roundpack.ReadingJudge.Outcome;
import orthopur.roundpack.RoundPack.Trouble;
import orthopur.text.Text;

/**
 * How far a round is, at one moment: complete, so that folding can go on from it anywhere.
 *
 * @param current id of the step that comes next; null once all are done
 * @param timers epoch milliseconds at which each timer was started, by step
 * @param redo steps that are done again, each with the parts that it concerns
 * @param deviated steps that are done otherwise than written
 * @param statusAt epoch milliseconds since when it stands so; null while it was never handed over
 * @param until epoch milliseconds at which a conditional release ends
 * @param plan what has to be found before it is released; null until it is handed over, and in
 *     rounds from before it was written down
 * @param furthest number of the last step that was ever done; 0 for none
 * @param workers those who did work in it
 * @param secondPerson whether somebody else than those has to look and release
 * @param solutions label of the solution that each step used, where one was named
 */
public record State(
        @Nullable String current,
        List<String> done,
        List<String> off,
        Map<String, Long> timers,
        Map<String, ReadingState> readings,
        Map<String, Map<String, Outcome>> checks,
        Map<String, List<String>> confirmed,
        List<Lock> locks,
        List<TroubleState> troubles,
        Map<String, List<String>> redo,
        List<String> deviated,
        Map<String, ProofState> proofs,
        Status status,
        @Nullable Long statusAt,
        @Nullable Long until,
        @Nullable List<ReleaseSite> plan,
        int furthest,
        List<String> workers,
        boolean secondPerson,
        Map<String, String> solutions) {

    /** A round in which nothing has happened. */
    public static final State START =
            new State(
                    null,
                    List.of(),
                    List.of(),
                    Map.of(),
                    Map.of(),
                    Map.of(),
                    Map.of(),
                    List.of(),
                    List.of(),
                    Map.of(),
                    List.of(),
                    Map.of(),
                    Status.OPEN,
                    null,
                    null,
                    null,
                    0,
                    List.of(),
                    false,
                    Map.of());

    /** Where a round stands between the first step and production. */
    public enum Status {
        OPEN,
        /** Handed over; somebody else looks before production may start. */
        WAITING,
        RELEASED,
        /** Released until a time. */
        CONDITIONAL
    }

    /**
     * The last reading of a step.
     *
     * @param strength in mg/L, as shown
     * @param temperature in °C
     * @param corrected whether something was done since a reading that was not in
     * @param at epoch milliseconds
     */
    public record ReadingState(
            double strength,
            double temperature,
            Outcome outcome,
            Text advice,
            boolean corrected,
            long at) {}

    /**
     * A lock that is on.
     *
     * @param at epoch milliseconds
     * @param person whose it is; null where only the name was kept
     */
    public record Lock(String energy, String lock, String who, long at, @Nullable String person) {
        /** Whether it belongs to this person, whatever name they have now. */
        public boolean isOf(Actor actor) {
            return person == null ? who.equals(actor.name()) : person.equals(actor.person());
        }
    }

    /**
     * Something that went wrong in this round.
     *
     * @param at epoch milliseconds
     * @param late whether it came in after the round was handed over; null when it did not
     */
    public record TroubleState(
            Trouble.Kind kind,
            @Nullable String item,
            String text,
            String step,
            String who,
            long at,
            @Nullable Boolean late) {}

    /** The last finding at a site of the release. */
    public record ProofState(
            @Nullable Double value, @Nullable String unit, boolean passed, String who) {}

    /** Whether a danger that came in after the hand-over holds the machine. */
    public boolean heldByDanger() {
        return status == Status.WAITING
                && troubles.stream().anyMatch(t -> Boolean.TRUE.equals(t.late()));
    }
}
