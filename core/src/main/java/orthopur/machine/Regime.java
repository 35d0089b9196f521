package orthopur.machine;

import java.util.List;

/**
 * Which code's rules and clocks apply at the machine. A figure of another regime's code is used as
 * this program's default and cited as that, never as the law of the place.
 */
public enum Regime {
    /** Retail kitchens: the Food Code. */
    RETAIL("Food Code", "retail kitchen", ""),
    /** Food plants: 21 CFR 117, 9 CFR 416. */
    PLANT("21 CFR 117", "plant", "21 CFR 117.35(d)"),
    /** Farm packing: 21 CFR 112. */
    FARM("21 CFR 112", "farm packing", "21 CFR 112.123(d)");

    private static final List<String> OF_PLANTS = List.of("21 CFR 117", "9 CFR 416");

    private final String code;
    private final String shown;
    private final String duty;

    Regime(String code, String shown, String duty) {
        this.code = code;
        this.shown = shown;
        this.duty = duty;
    }

    public String shown() {
        return shown;
    }

    /** Whether what a source says is law under this regime, or holds everywhere. */
    public boolean binds(String source) {
        boolean retail = source.contains(RETAIL.code);
        boolean plant = OF_PLANTS.stream().anyMatch(source::contains);
        boolean farm = source.contains(FARM.code);
        return !(retail || plant || farm)
                || switch (this) {
                    case RETAIL -> retail;
                    case PLANT -> plant;
                    case FARM -> farm;
                };
    }

    /**
     * A source as it is to be cited here: as it stands where it binds, else as the default that
     * fills the regime's own duty.
     */
    public String cite(String source) {
        if (binds(source)) {
            return source;
        }
        return duty.isEmpty()
                ? "good practice after " + source
                : duty + "; default after " + source;
    }
}
