package orthopur.formats;

import java.util.List;
import orthopur.machine.Problem;

/** A document that cannot be read, with everything that is wrong in it. */
public final class FormatError extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    private final transient List<Problem> problems;

    public FormatError(List<Problem> problems) {
        super(message(problems));
        this.problems = List.copyOf(problems);
    }

    FormatError(String pointer, String message) {
        this(List.of(new Problem(pointer, message)));
    }

    /** All errors with their JSON pointers. */
    public List<Problem> problems() {
        return problems;
    }

    private static String message(List<Problem> problems) {
        Problem first = problems.getFirst();
        String more = problems.size() == 1 ? "" : " (and " + (problems.size() - 1) + " more)";
        return (first.pointer().isEmpty() ? "" : first.pointer() + ": ") + first.message() + more;
    }
}
