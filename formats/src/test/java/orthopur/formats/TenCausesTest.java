package orthopur.formats;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import orthopur.machine.MachineSheet;
import orthopur.machine.Symptom;
import orthopur.procedure.Action;
import orthopur.procedure.Step;
import orthopur.trouble.Finder;

/**
 * Ten causes that were planted on the demo machines after a clean: each stands among the first
 * three things to look at.
 */
class TenCausesTest {
    private static final int FIRST = 3;

    /**
     * @param part where the cause is
     * @param back the part that went back last, or empty where the whole clean did
     * @param before whether it was the same the last time
     */
    @ParameterizedTest(name = "{0} {1}: {3}")
    @CsvSource({
        "QK-SL1,ragged,qk-sl1-end-of-shift,scraper,,false",
        "QK-SL1,ragged,qk-sl1-end-of-shift,blade,blade,false",
        "QK-SL1,ragged,qk-sl1-end-of-shift,blade,,true",
        "QK-SL1,carriage-hard,qk-sl1-end-of-shift,carriage,,false",
        "QK-SL1,carriage-hard,qk-sl1-end-of-shift,body,,false",
        "QK-DS1,leaks,qk-ds1-daily,door-gasket,,false",
        "QK-DS1,leaks,qk-ds1-daily,dividing-seal,,false",
        "QK-DS1,leaks,qk-ds1-daily,dividing-seal,dividing-seal,true",
        "QK-OV1,uneven,qk-ov1-weekly,air-panel,,false",
        "QK-OV1,uneven,qk-ov1-daily,air-panel,,true",
    })
    void isAmongTheFirstThree(
            String code,
            String symptom,
            String procedure,
            String part,
            @Nullable String back,
            boolean before) {
        MachineSheet sheet = DemoSite.sheet(code);
        Symptom seen =
                sheet.symptoms().stream()
                        .filter(s -> s.id().equals(symptom))
                        .findFirst()
                        .orElseThrow();
        List<String> putBack = new ArrayList<>();
        for (Step s : DemoSite.procedure(procedure).steps()) {
            if (s.action() instanceof Action.Install i) {
                putBack.addAll(i.items());
            }
        }
        List<Finder.Cured> cured =
                before ? List.of(new Finder.Cured(symptom, "it was this", part, 1)) : List.of();
        List<Finder.Step> all =
                Finder.of(sheet, seen, back == null ? putBack : List.of(back), cured);
        int place = 0;
        while (place < all.size() && !Objects.equals(all.get(place).part(), part)) {
            place++;
        }
        assertTrue(place < FIRST, part + " stands at " + (place + 1) + " of " + all);
    }
}
