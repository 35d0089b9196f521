package orthopur.instrument;

import org.jspecify.annotations.Nullable;
import orthopur.chemical.ChemicalKind;

/** What an instrument reads. */
public enum Measures {
    CHLORINE("free chlorine", "mg/L"),
    QUAT("quat", "mg/L"),
    PAA("peracetic acid", "mg/L"),
    IODINE("iodine", "mg/L"),
    PH("pH", "pH"),
    TEMPERATURE("temperature of liquids", "°C"),
    SURFACE_TEMPERATURE("temperature of surfaces", "°C"),
    CONDUCTIVITY("conductivity", "mS/cm"),
    ATP("ATP", "RLU"),
    FLOW("flow", "mL"),
    PRESSURE("pressure", "kPa"),
    TORQUE("torque", "N·m"),
    TENSION("tension", "gauge"),
    CLEARANCE("clearance", "mm");

    private final String shown;
    private final String unit;

    Measures(String shown, String unit) {
        this.shown = shown;
        this.unit = unit;
    }

    public String shown() {
        return shown;
    }

    /** The unit in which its readings are written. */
    public String unit() {
        return unit;
    }

    /** Whether it reads how strong a sanitizer is. */
    public boolean strength() {
        return unit.equals("mg/L");
    }

    /** What reads the strength of a product of this kind, or null where it is no sanitizer. */
    public static @Nullable Measures of(ChemicalKind kind) {
        return switch (kind) {
            case CHLORINE -> CHLORINE;
            case QUAT -> QUAT;
            case PAA -> PAA;
            case IODINE -> IODINE;
            default -> null;
        };
    }
}
