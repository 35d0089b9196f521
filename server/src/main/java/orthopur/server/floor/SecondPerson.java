package orthopur.server.floor;

import orthopur.Nullable;
import orthopur.machine.Frequency;

/**
 * Whether somebody else than the one who cleaned has to release (R2): from end of shift on. Cleans
 * during service cannot wait for another person.
 */
final class SecondPerson {
    private SecondPerson() {}

    static boolean needed(@Nullable Frequency kind) {
        if (kind == null) {
            return true;
        }
        return switch (kind) {
            case PER_USE, FOUR_HOURS, PER_MEAL -> false;
            default -> true;
        };
    }
}
