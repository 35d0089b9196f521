package orthopur.drafting;

import java.util.List;
import orthopur.text.Text;

/** No procedure can be drafted; says which part or surface stands against it, and why. */
public final class DraftRefused extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final transient List<Text> reasons;

    /**
     * @param reasons one at least
     */
    DraftRefused(List<Text> reasons) {
        super(said(reasons).toString());
        this.reasons = List.copyOf(reasons);
    }

    private static Text said(List<Text> reasons) {
        return Text.of(
                "draft-refused.said", "No procedure can be drafted: {0}", Text.sentences(reasons));
    }

    /** All of them in one. */
    public Text said() {
        return said(reasons);
    }

    /** Each a plain sentence. */
    public List<Text> reasons() {
        return reasons;
    }
}
