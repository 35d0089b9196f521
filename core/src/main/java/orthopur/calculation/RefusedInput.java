package orthopur.calculation;

import java.util.Objects;

/** An input that a calculation does not take: names the key and the allowed range. */
public final class RefusedInput extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    private final String key;
    private final String allowed;

    public RefusedInput(String key, String message, String allowed) {
        super(message);
        this.key = key;
        this.allowed = allowed;
    }

    @Override
    public String getMessage() {
        return Objects.requireNonNull(super.getMessage());
    }

    public String key() {
        return key;
    }

    public String allowed() {
        return allowed;
    }
}
