package orthopur.drafting;

import java.util.List;

/** No procedure can be drafted; says which part or surface stands against it, and why. */
public final class DraftRefused extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final transient List<String> reasons;

    DraftRefused(List<String> reasons) {
        super("No procedure can be drafted: " + String.join(" ", reasons));
        this.reasons = List.copyOf(reasons);
    }

    /** Each a plain sentence. */
    public List<String> reasons() {
        return reasons;
    }
}
