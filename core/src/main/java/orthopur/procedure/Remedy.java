package orthopur.procedure;

import java.util.List;
import orthopur.text.Text;

/**
 * A way to mend a finding.
 *
 * @param does what it does, short enough for a button
 */
public record Remedy(Text does, List<Edit> edits) {
    public Remedy {
        edits = List.copyOf(edits);
    }

    /** What it does, in English. */
    public String label() {
        return does.sentence();
    }
}
