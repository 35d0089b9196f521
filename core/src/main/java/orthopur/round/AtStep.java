package orthopur.round;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What is before somebody at a step, as the round stands.
 *
 * @param pieces keys of what is tapped here, as the step is done now
 * @param aside those of them that this turn of the step does not concern
 * @param holds ids of what is confirmed already
 * @param energies how far each energy that is asked about here is along its path
 * @param missingLocks energies on which this person still has no lock of their own
 * @param soaking milliseconds until what is collected here has soaked for long enough; 0 once it
 *     has
 * @param contact milliseconds that the surface still has to stay wet; null while nothing is wet, or
 *     where nothing has to be
 * @param in whether what was read is in, or nothing has to be read
 * @param ready whether the step is done if this person says so now
 */
public record AtStep(
        List<String> pieces,
        List<String> aside,
        List<String> holds,
        Map<String, Stage> energies,
        List<String> missingLocks,
        long soaking,
        @Nullable Long contact,
        boolean in,
        boolean ready) {

    /** How far an energy is along its path, by what was confirmed and locked. */
    public enum Stage {
        LIVE,
        CUT_OFF,
        LOCKED,
        PROVED
    }
}
