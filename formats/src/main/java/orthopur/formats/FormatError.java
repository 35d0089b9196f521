package orthopur.formats;

import java.util.List;
import orthopur.machine.Problem;
import orthopur.text.Text;

/** A document that cannot be read, with everything that is wrong in it. */
public final class FormatError extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    private final transient List<Problem> problems;

    public FormatError(List<Problem> problems) {
        super(said(problems).toString());
        this.problems = List.copyOf(problems);
    }

    FormatError(String pointer, Text said) {
        this(List.of(new Problem(pointer, said)));
    }

    /** All errors with their JSON pointers. */
    public List<Problem> problems() {
        return problems;
    }

    /** The first of them with its place, and how many more there are. */
    public Text said() {
        return said(problems);
    }

    private static Text said(List<Problem> problems) {
        Problem first = problems.getFirst();
        Text one =
                first.pointer().isEmpty()
                        ? first.said()
                        : Text.of("format-error.at", "{0}: {1}", first.pointer(), first.said());
        return problems.size() == 1
                ? one
                : Text.of("format-error.more", "{0} (and {1} more)", one, problems.size() - 1);
    }
}
