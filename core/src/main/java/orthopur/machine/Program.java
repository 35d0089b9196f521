package orthopur.machine;

import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A program of the machine itself, that it runs on its own water and jets.
 *
 * @param startSign how one sees that it has begun
 * @param prompts what it asks for while it runs, in order
 * @param earliestEnd ended before this it has not done its work
 * @param cleans surfaces that its own jets reach; strainers and arms do not clean themselves
 * @param needs parts that have to be in place for it
 * @param energies that are live while it runs
 */
public record Program(
        String id,
        String name,
        Purpose purpose,
        @Nullable String startSign,
        List<String> prompts,
        Duration earliestEnd,
        List<String> cleans,
        List<String> needs,
        List<String> energies) {
    public Program {
        prompts = Lists.orNone(prompts);
        cleans = Lists.orNone(cleans);
        needs = Lists.orNone(needs);
        energies = Lists.orNone(energies);
    }

    /** What a program is for. */
    public enum Purpose {
        WASH,
        DESCALE,
        DRAIN,
        PURGE
    }
}
