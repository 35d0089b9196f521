package orthopur.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A check after assembly; with a range where it is measured.
 *
 * @param tolerance how far the gauge may be off, in the unit of the range; null for a count, or
 *     where it does not matter
 * @param needs parts that have to be on before it can be made; its own part always
 * @param state what the machine has to be for it
 */
@RecordBuilder
public record Check(
        String id,
        String name,
        String part,
        @Nullable Double least,
        @Nullable Double most,
        @Nullable String unit,
        @Nullable Double tolerance,
        List<String> needs,
        Set<State> state)
        implements CheckBuilder.With {

    /** What a machine has to be while a check is made. */
    public enum State {
        POWER("with power on"),
        STOPPED("stopped"),
        LOCKED_OUT("locked out"),
        GUARDS_ON("with the guards on"),
        FILLED("filled");

        private final String shown;

        State(String shown) {
            this.shown = shown;
        }

        public String shown() {
            return shown;
        }
    }

    public Check {
        state = state == null ? Set.of() : Collections.unmodifiableSet(new LinkedHashSet<>(state));
        needs = Lists.orNone(needs);
    }

    /** A check whose gauge is not said to be off. */
    public Check(
            String id,
            String name,
            String part,
            @Nullable Double least,
            @Nullable Double most,
            @Nullable String unit) {
        this(id, name, part, least, most, unit, null, List.of(), Set.of());
    }

    /** The same where only these parts are fitted. */
    Check among(Set<String> parts) {
        return withNeeds(needs.stream().filter(parts::contains).toList());
    }
}
