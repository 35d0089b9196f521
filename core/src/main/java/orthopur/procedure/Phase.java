package orthopur.procedure;

/** The parts of a round, in the order in which it is done. */
public enum Phase {
    MAKE_SAFE("Make safe"),
    TAKE_APART("Take apart"),
    WASH("Wash"),
    SANITIZE("Sanitize"),
    PUT_TOGETHER("Put together"),
    RELEASE("Hand over");

    private final String shown;

    Phase(String shown) {
        this.shown = shown;
    }

    public String shown() {
        return shown;
    }
}
