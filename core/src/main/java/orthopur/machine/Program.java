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
 * @param off energies that have to be stopped while it runs: a humidifier during a dry-out
 * @param aside parts that have to be moved aside while it runs: a door that stands ajar
 * @param frequency of the clean to which it belongs, and of no other; null where nothing asks for
 *     it
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
        List<String> energies,
        List<String> off,
        List<String> aside,
        @Nullable Frequency frequency) {
    /** One that runs closed, whatever else is on. */
    public Program(
            String id,
            String name,
            Purpose purpose,
            @Nullable String startSign,
            List<String> prompts,
            Duration earliestEnd,
            List<String> cleans,
            List<String> needs,
            List<String> energies) {
        this(
                id,
                name,
                purpose,
                startSign,
                prompts,
                earliestEnd,
                cleans,
                needs,
                energies,
                List.of(),
                List.of(),
                null);
    }

    public Program {
        prompts = Lists.orNone(prompts);
        cleans = Lists.orNone(cleans);
        needs = Lists.orNone(needs);
        energies = Lists.orNone(energies);
        off = Lists.orNone(off);
        aside = Lists.orNone(aside);
    }

    /** What a program is for. */
    public enum Purpose {
        WASH,
        DESCALE,
        DRAIN,
        PURGE,
        /** Heat and moving air until what it reaches is dry. */
        DRY_OUT
    }
}
