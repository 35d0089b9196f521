package orthopur.server.start;

/** Why the program cannot start, in one plain line. */
public final class CannotStart extends Exception {
    private static final long serialVersionUID = 1L;

    CannotStart(String message) {
        super(message);
    }
}
