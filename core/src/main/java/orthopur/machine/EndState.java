package orthopur.machine;

/** What a surface must be at the end of a clean in which it is due. */
public enum EndState {
    SANITIZED("sanitized"),
    CLEAN("washed and rinsed"),
    WIPED("wiped");

    private final String shown;

    EndState(String shown) {
        this.shown = shown;
    }

    public String shown() {
        return shown;
    }
}
