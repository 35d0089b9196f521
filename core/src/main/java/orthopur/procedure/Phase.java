package orthopur.procedure;

/** The parts of a round, in the order in which it is done. */
public enum Phase {
    MAKE_SAFE("Make ready and safe"),
    TAKE_APART("Dry-clean and take apart"),
    WASH("Wash and rinse"),
    SANITIZE("Inspect, sanitize, dry"),
    PUT_TOGETHER("Put together"),
    RELEASE("Make live and hand over");

    private final String shown;

    Phase(String shown) {
        this.shown = shown;
    }

    public String shown() {
        return shown;
    }
}
