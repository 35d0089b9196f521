package orthopur.text;

import java.util.Objects;

/**
 * Something that cannot be taken or done as it was given, and why, for a reader of any language.
 */
public abstract class Objection extends IllegalArgumentException implements Saying {
    private static final long serialVersionUID = 1L;

    private final transient Text said;

    protected Objection(Text said) {
        super(said.sentence());
        this.said = said;
    }

    /** In English. */
    @Override
    public final String getMessage() {
        return Objects.requireNonNull(super.getMessage());
    }

    @Override
    public final Text said() {
        return said;
    }
}
