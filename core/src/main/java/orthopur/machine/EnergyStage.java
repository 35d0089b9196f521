package orthopur.machine;

/** One stage on the way of an energy from live to harmless. */
public enum EnergyStage {
    LIVE("live"),
    STOPPED("stopped"),
    UNPLUGGED("unplugged"),
    ISOLATED("isolated"),
    LOCKED("locked out"),
    RELIEVED("released"),
    PROVED("verified"),
    COOLED("cooled");

    private final String shown;

    EnergyStage(String shown) {
        this.shown = shown;
    }

    public String shown() {
        return shown;
    }
}
