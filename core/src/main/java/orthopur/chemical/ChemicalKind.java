package orthopur.chemical;

/** What a chemical is, as far as rules treat kinds differently. */
public enum ChemicalKind {
    CHLORINE(Role.SANITIZER, "chlorine"),
    IODINE(Role.SANITIZER, "iodine"),
    QUAT(Role.SANITIZER, "quat"),
    PAA(Role.SANITIZER, "peroxyacetic acid"),
    NEUTRAL_DETERGENT(Role.DETERGENT, "neutral detergent"),
    ALKALINE_DETERGENT(Role.DETERGENT, "alkaline detergent"),
    ACID(Role.DETERGENT, "acid"),
    OIL(Role.LUBRICANT, "oil");

    /** What it is used for. */
    public enum Role {
        SANITIZER,
        DETERGENT,
        LUBRICANT
    }

    private final Role role;
    private final String shown;

    ChemicalKind(Role role, String shown) {
        this.role = role;
        this.shown = shown;
    }

    public boolean sanitizes() {
        return role == Role.SANITIZER;
    }

    public boolean washes() {
        return role == Role.DETERGENT;
    }

    /** The kind in plain words. */
    public String shown() {
        return shown;
    }
}
