package orthopur.chemical;

/** What a chemical is, as far as rules treat kinds differently. */
public enum ChemicalKind {
    CHLORINE(Role.SANITIZER, "chlorine"),
    IODINE(Role.SANITIZER, "iodine"),
    QUAT(Role.SANITIZER, "quat"),
    PAA(Role.SANITIZER, "peroxyacetic acid"),
    NEUTRAL_DETERGENT(Role.DETERGENT, "neutral detergent"),
    ALKALINE_DETERGENT(Role.DETERGENT, "alkaline detergent"),
    CHLORINATED_ALKALINE(Role.DETERGENT, "chlorinated alkaline detergent"),
    DEGREASER(Role.DETERGENT, "non-caustic degreaser"),
    CAUSTIC(Role.DETERGENT, "caustic"),
    ACID(Role.DETERGENT, "acid"),
    OIL(Role.LUBRICANT, "oil"),
    GREASE(Role.LUBRICANT, "grease"),
    SHIELD(Role.LUBRICANT, "soil shield");

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

    /** Whether it sets chlorine free, so that acid makes a poisonous gas of it. */
    public boolean chlorinated() {
        return this == CHLORINE || this == CHLORINATED_ALKALINE;
    }

    /** Whether it counts as an acid next to chlorine: peroxyacetic acid and iodophor do. */
    public boolean acidic() {
        return this == ACID || this == PAA || this == IODINE;
    }

    /** Whether it goes into the air when it is hot, as what it sanitizes with is volatile. */
    public boolean fumesWhenHot() {
        return this == CHLORINE || this == IODINE || this == PAA;
    }

    public boolean lubricates() {
        return role == Role.LUBRICANT;
    }

    /** The kind in plain words. */
    public String shown() {
        return shown;
    }
}
