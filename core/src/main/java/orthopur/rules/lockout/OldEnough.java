package orthopur.rules.lockout;

import java.util.List;
import java.util.Locale;
import orthopur.machine.MachineSheet;
import orthopur.rules.BookRule;
import orthopur.runthrough.Ending;
import orthopur.runthrough.Findings;
import orthopur.runthrough.RuleId;
import orthopur.runthrough.Severity;
import orthopur.text.Text;

/** L11: nobody under the age takes a power-driven slicer, saw, grinder or mixer, nor its parts. */
public final class OldEnough extends BookRule {
    private static final List<String> FAMILIES = List.of("slicer", "saw", "grinder", "mixer");

    public OldEnough() {
        super(
                RuleId.L11,
                Severity.STOP,
                "Age restriction for slicer, saw, grinder and mixer, and for their parts",
                "29 CFR 570.61, .62, .65");
    }

    /** Whether nobody under age may work at such a machine or its parts. */
    public static boolean concerns(MachineSheet sheet) {
        String family = sheet.family().toLowerCase(Locale.ROOT);
        return FAMILIES.stream().anyMatch(family::contains);
    }

    @Override
    public void atEnd(Ending end, Findings out) {
        Integer youngest = end.context().youngest();
        double least = end.context().book().number("age.power-driven");
        String family = end.sheet().sheet().family().toLowerCase(Locale.ROOT);
        if (youngest == null || youngest >= least || !concerns(end.sheet().sheet())) {
            return;
        }
        out.report(info)
                .number("age", youngest, "years")
                .number("least", least, "years")
                .says(
                        Text.of(
                                "old-enough.somebody-aged-is-on-the",
                                "Somebody aged {0} is on the crew; a {1} and its detached parts are for people aged {2} or older.",
                                youngest,
                                family,
                                (int) least),
                        Text.of(
                                "old-enough.federal-law-keeps-people-under",
                                "Federal law keeps people under 18 away from these machines."));
    }
}
