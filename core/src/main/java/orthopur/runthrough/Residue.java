package orthopur.runthrough;

/** What a step may leave on a surface. */
public enum Residue {
    DETERGENT("detergent"),
    SANITIZER("sanitizer");

    private final String shown;

    Residue(String shown) {
        this.shown = shown;
    }

    public String shown() {
        return shown;
    }
}
