package orthopur.chemical;

import org.jspecify.annotations.Nullable;
import orthopur.text.Text;

/** Chemicals that must not meet (safety data). */
public final class Clash {
    public static final Text CHLORINE_ON_ACID =
            Text.of("clash.chlorine-and-acid", "chlorine and acid make chlorine gas");
    public static final Text CAUSTIC_ON_ACID =
            Text.of("clash.caustic-and-acid", "caustic and acid boil up when they meet");

    private Clash() {}

    /** Why two kinds must not meet, in plain words, or null where they may. */
    public static @Nullable Text between(ChemicalKind a, ChemicalKind b) {
        if (a.chlorinated() && b.acidic() || b.chlorinated() && a.acidic()) {
            return CHLORINE_ON_ACID;
        }
        if (a.chlorinated() && b == ChemicalKind.QUAT
                || b.chlorinated() && a == ChemicalKind.QUAT) {
            return Text.of(
                    "clash.chloramines",
                    "chlorine and quat concentrate make poisonous chloramines");
        }
        if (a == ChemicalKind.CAUSTIC && b.acidic() || b == ChemicalKind.CAUSTIC && a.acidic()) {
            return CAUSTIC_ON_ACID;
        }
        return null;
    }
}
