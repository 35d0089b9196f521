package orthopur.machine;

/** What a surface must not meet. */
public enum Limit {
    NO_IMMERSION("must not be immersed"),
    NO_HOSE("must not be hosed"),
    NO_PRESSURE("must not be pressure-washed"),
    NO_MACHINE_WASH("must not go through a washer"),
    NO_ABRASIVE("must not meet an abrasive"),
    NO_CAUSTIC("must not meet caustic"),
    NO_CHLORINE("must not meet chlorine");

    private final String shown;

    Limit(String shown) {
        this.shown = shown;
    }

    public String shown() {
        return shown;
    }
}
