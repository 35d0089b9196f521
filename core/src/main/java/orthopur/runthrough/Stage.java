package orthopur.runthrough;

/** Where a surface stands, for display only. */
public enum Stage {
    SOILED("soiled"),
    LOOSE_OFF("loose soil off"),
    WASHED("washed"),
    RINSED("rinsed"),
    INSPECTED("inspected"),
    SANITIZED("sanitized"),
    DRY("sanitized and dry");

    private final String shown;

    Stage(String shown) {
        this.shown = shown;
    }

    public String shown() {
        return shown;
    }
}
