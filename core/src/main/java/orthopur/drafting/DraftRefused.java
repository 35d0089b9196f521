package orthopur.drafting;

import java.util.List;
import java.util.stream.Collectors;
import orthopur.text.Text;

/** No procedure can be drafted; says which part or surface stands against it, and why. */
public final class DraftRefused extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final transient List<Text> reasons;

    DraftRefused(List<Text> reasons) {
        super(
                "No procedure can be drafted: "
                        + reasons.stream().map(Text::sentence).collect(Collectors.joining(" ")));
        this.reasons = List.copyOf(reasons);
    }

    /** Each a plain sentence. */
    public List<Text> reasons() {
        return reasons;
    }

    /** All of them in one. */
    public Text said() {
        return Text.of(
                "draft-refused.said", "No procedure can be drafted: {0}", Text.sentences(reasons));
    }
}
