package orthopur.chemical;

import org.jspecify.annotations.Nullable;

/** Chemicals that must not meet (safety data). */
public final class Clash {
    private Clash() {}

    /**
     * Why two kinds must not meet, in plain words, or null where they may.
     *
     * @param aluminium whether they meet on aluminium
     */
    public static @Nullable String between(ChemicalKind a, ChemicalKind b) {
        if (a.chlorinated() && b.acidic() || b.chlorinated() && a.acidic()) {
            return "chlorine and acid make chlorine gas";
        }
        if (a.chlorinated() && b == ChemicalKind.QUAT
                || b.chlorinated() && a == ChemicalKind.QUAT) {
            return "chlorine and quat concentrate make poisonous chloramines";
        }
        if (a == ChemicalKind.CAUSTIC && b.acidic() || b == ChemicalKind.CAUSTIC && a.acidic()) {
            return "caustic and acid boil up when they meet";
        }
        return null;
    }
}
