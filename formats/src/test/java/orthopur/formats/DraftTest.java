package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import orthopur.drafting.DraftRefused;
import orthopur.drafting.Drafter;
import orthopur.machine.Frequency;
import orthopur.machine.MachineSheet;
import orthopur.procedure.Procedure;
import orthopur.procedure.Schools;

/** The six machines drafted for each kind and school: nothing left to mend. */
class DraftTest {
    private static final List<String> MACHINES =
            List.of("QK-SL1", "QK-SW1", "QK-OV1", "QK-FL1", "QK-DS1", "QK-TL1");

    @Test
    void everyMachineForEveryKindAndSchool() {
        List<String> refused = new ArrayList<>();
        for (String code : MACHINES) {
            MachineSheet sheet = DemoSite.sheet(code);
            for (Frequency kind : List.of(Frequency.DAILY, Frequency.WEEKLY, Frequency.YEARLY)) {
                for (boolean inPlace : new boolean[] {false, true}) {
                    Drafter.Request r =
                            new Drafter.Request(
                                    "draft", "Draft", kind, new Schools(false, inPlace), Map.of());
                    try {
                        Procedure p = Drafter.draft(sheet, r, DemoSite.CONTEXT);
                        assertEquals(p, Drafter.draft(sheet, r, DemoSite.CONTEXT));
                    } catch (DraftRefused e) {
                        refused.add(code + " " + kind + " " + inPlace + ": " + e.reasons());
                    }
                }
            }
        }
        // The tap lines are cleaned once a week.
        refused.removeIf(
                r -> r.startsWith("QK-TL1 DAILY") && r.contains("Nothing on the sheet of QK-TL1"));
        assertEquals(List.of(), refused);
    }
}
