package orthopur.procedure;

import java.util.List;

/**
 * A way to mend a finding.
 *
 * @param label what it does, short enough for a button
 */
public record Remedy(String label, List<Edit> edits) {
    public Remedy {
        edits = List.copyOf(edits);
    }
}
