package orthopur.runthrough;

/** What a step may leave on a surface. */
public enum Residue {
    DETERGENT("detergent"),
    SANITIZER("sanitizer"),
    CHLORINE("chlorine"),
    ACID("acid"),
    CAUSTIC("caustic"),
    METAL("metal debris"),
    FILM("a film left on purpose");

    private final String shown;

    Residue(String shown) {
        this.shown = shown;
    }

    public String shown() {
        return shown;
    }
}
