package orthopur.rules;

import java.util.List;
import orthopur.rules.chemistry.ContactTime;
import orthopur.rules.chemistry.PlannedReadings;
import orthopur.rules.chemistry.SanitizerStrength;
import orthopur.rules.chemistry.StrengthCeiling;
import orthopur.rules.cleanchain.CoverLeftOn;
import orthopur.rules.cleanchain.DetergentFilm;
import orthopur.rules.cleanchain.EndStateReached;
import orthopur.rules.cleanchain.RecontaminatedByHand;
import orthopur.rules.cleanchain.SanitizedDirty;
import orthopur.rules.lockout.ClearBeforeLive;
import orthopur.rules.lockout.HandsInDangerZone;
import orthopur.rules.lockout.MakeSafeOrder;
import orthopur.rules.lockout.NeverMadeSafe;
import orthopur.rules.lockout.StoredEnergyInPart;
import orthopur.rules.teardown.AllPartsBack;
import orthopur.rules.teardown.GuardsBack;
import orthopur.rules.teardown.MovedBack;
import orthopur.rules.teardown.RemovalOrder;
import orthopur.runthrough.Rule;

/** Every rule that is judged, roots first. */
public final class AllRules {
    private static final List<Rule> ALL =
            List.of(
                    new MakeSafeOrder(),
                    new StoredEnergyInPart(),
                    new HandsInDangerZone(),
                    new NeverMadeSafe(),
                    new RemovalOrder(),
                    new GuardsBack(),
                    new ClearBeforeLive(),
                    new AllPartsBack(),
                    new MovedBack(),
                    new SanitizerStrength(),
                    new StrengthCeiling(),
                    new ContactTime(),
                    new PlannedReadings(),
                    new DetergentFilm(),
                    new SanitizedDirty(),
                    new RecontaminatedByHand(),
                    new CoverLeftOn(),
                    new EndStateReached());

    private AllRules() {}

    public static List<Rule> list() {
        return ALL;
    }
}
