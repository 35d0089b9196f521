package orthopur.procedure;

import org.jspecify.annotations.Nullable;

/** An edit that does not fit the procedure it is applied to. */
public final class EditRefused extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    public EditRefused(@Nullable String message) {
        super(message);
    }
}
