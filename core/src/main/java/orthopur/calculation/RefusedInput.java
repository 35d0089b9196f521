package orthopur.calculation;

import orthopur.text.Objection;
import orthopur.text.Text;

/** An input that a calculation does not take: names the key and the allowed range. */
public final class RefusedInput extends Objection {
    private static final long serialVersionUID = 1L;

    private final String key;
    private final transient Text allowed;

    public RefusedInput(String key, Text said, Text allowed) {
        super(said);
        this.key = key;
        this.allowed = allowed;
    }

    public String key() {
        return key;
    }

    /** What is taken, for instance "above 0 to 100 m/s". */
    public Text allowed() {
        return allowed;
    }
}
