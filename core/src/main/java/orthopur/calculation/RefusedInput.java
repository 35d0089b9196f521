package orthopur.calculation;

import java.util.Objects;
import orthopur.text.Text;

/** An input that a calculation does not take: names the key and the allowed range. */
public final class RefusedInput extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    private final String key;
    private final transient Text said;
    private final transient Text allowed;

    public RefusedInput(String key, Text said, Text allowed) {
        super(said.sentence());
        this.key = key;
        this.said = said;
        this.allowed = allowed;
    }

    @Override
    public String getMessage() {
        return Objects.requireNonNull(super.getMessage());
    }

    public String key() {
        return key;
    }

    /** Why it is not taken. */
    public Text said() {
        return said;
    }

    /** What is taken, for instance "above 0 to 100 m/s". */
    public Text allowed() {
        return allowed;
    }
}
