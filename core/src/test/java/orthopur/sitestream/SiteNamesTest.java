package orthopur.sitestream;

import static org.junit.jupiter.api.Assertions.assertDoesNotThrow;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import orthopur.machine.Kit;
import orthopur.machine.Setting;
import orthopur.machine.Symptom;
import orthopur.round.Refused;
import orthopur.testbench.Bench;

/** Nothing is written down of what a site does not have. */
class SiteNamesTest {
    private static final SiteNames NAMES =
            SiteNames.of(
                    List.of(
                            Bench.SHEET
                                    .withCode("M")
                                    .withKits(
                                            List.of(
                                                    new Kit(
                                                            "seals", "Seals", null, List.of(), null,
                                                            1, null, null)))
                                    .withSettings(
                                            List.of(new Setting("heat", "Heat", 1, null, 0, null)))
                                    .withSymptoms(
                                            List.of(new Symptom("leak", "It leaks", List.of())))),
                    Set.of("suds"));

    static Stream<SiteEntry> known() {
        return Stream.of(
                new SiteEntry.KitFitted("M", "seals", 1),
                new SiteEntry.SparesCounted("M", "seals", 1),
                new SiteEntry.SparesCounted("M", Bench.SHEET.parts().getFirst().id(), 1),
                new SiteEntry.SettingRead("M", "heat", 1, "", 1),
                new SiteEntry.TroubleCured("M", "leak", "seal", null, null, 1),
                new SiteEntry.StockCounted("suds", 1, "L"),
                new SiteEntry.TaskDone("M/kit/seals", 1),
                new SiteEntry.TaskDone("check/probe", 1),
                new SiteEntry.TaskLetGo("a-procedure-that-is-retired", "no gas", 1));
    }

    @ParameterizedTest
    @MethodSource("known")
    void whatItHasIsTaken(SiteEntry e) {
        assertDoesNotThrow(() -> NAMES.check(e));
    }

    static Stream<SiteEntry> strange() {
        return Stream.of(
                new SiteEntry.KitFitted("N", "seals", 1),
                new SiteEntry.KitFitted("M", "wheels", 1),
                new SiteEntry.SparesCounted("M", "wheels", 1),
                new SiteEntry.SettingRead("M", "cold", 1, "", 1),
                new SiteEntry.SettingLetRun("M", "cold", 1, "", "P", "w", 2, 1),
                new SiteEntry.CountRead("M", "racks", 1, false, 1),
                new SiteEntry.TroubleCured("M", "noise", "x", null, null, 1),
                new SiteEntry.PlateRead("N", "T", "", 1),
                new SiteEntry.OutOfUse("N", true, "x", 1),
                new SiteEntry.EventSaid("N", "x", 1),
                new SiteEntry.SignSeen("N", "x", true, 1),
                new SiteEntry.ProductKept("N", "x", "y", null),
                new SiteEntry.ProductGone("N", "used"),
                new SiteEntry.StockCounted("lard", 1, "L"),
                new SiteEntry.BucketMade("red bucket", "lard", 1, null),
                new SiteEntry.ContainerOpened("lard", 1, 20),
                new SiteEntry.TaskDone("M/upkeep/nothing", 1),
                new SiteEntry.TaskLetGo("N/kit/seals", "x", 1));
    }

    @ParameterizedTest
    @MethodSource("strange")
    void whatItDoesNotHaveIsRefused(SiteEntry e) {
        assertThrows(Refused.class, () -> NAMES.check(e));
    }

    @Test
    void itSaysWhatItDoesNotHave() {
        Refused x =
                assertThrows(
                        Refused.class,
                        () -> NAMES.check(new SiteEntry.KitFitted("M", "wheels", 1)));
        assertEquals("The sheet of M has no kit “wheels”.", x.getMessage());
    }
}
