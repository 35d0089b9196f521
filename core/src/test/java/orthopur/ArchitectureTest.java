package orthopur;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/** The arrows between the rooms of the core go one way, and nothing reaches outside the JDK. */
@AnalyzeClasses(packages = "orthopur", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule NOTHING_BUT_THE_JDK =
            classes()
                    .should()
                    .onlyDependOnClassesThat()
                    .resideInAnyPackage("orthopur..", "java..", "org.jspecify..");

    @ArchTest
    static final ArchRule NO_CLOCK_NO_IO =
            noClasses()
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage("java.io..", "java.nio..", "java.net..", "java.sql..")
                    .orShould()
                    .callMethod(System.class, "currentTimeMillis")
                    .orShould()
                    .callMethod(java.time.Instant.class, "now");

    @ArchTest
    static final ArchRule RUN_THROUGH_KNOWS_NO_RULE =
            noClasses()
                    .that()
                    .resideInAPackage("orthopur.runthrough..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(
                            "orthopur.rules..", "orthopur.remedy..", "orthopur.verdict..");

    @ArchTest
    static final ArchRule MODEL_KNOWS_NO_RUN =
            noClasses()
                    .that()
                    .resideInAnyPackage(
                            "orthopur.machine..",
                            "orthopur.procedure..",
                            "orthopur.chemical..",
                            "orthopur.quantity..",
                            "orthopur.rulebook..",
                            "orthopur.mixing..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(
                            "orthopur.runthrough..", "orthopur.rules..", "orthopur.roundpack..");

    /** A room is understood alone, or together with those below it. */
    @ArchTest
    static void noCircles(JavaClasses all) {
        Map<String, Set<String>> uses = new TreeMap<>();
        for (JavaClass c : all) {
            c.getDirectDependenciesFromSelf().stream()
                    .map(d -> room(d.getTargetClass()))
                    .filter(other -> !other.isEmpty() && !other.equals(room(c)))
                    .forEach(o -> uses.computeIfAbsent(room(c), k -> new TreeSet<>()).add(o));
        }
        // A room that uses no other goes first, again and again; what is left stands in a circle.
        while (uses.values()
                .removeIf(
                        others -> {
                            others.retainAll(uses.keySet());
                            return others.isEmpty();
                        })) {}
        assertEquals(Map.of(), uses);
    }

    private static String room(JavaClass c) {
        String[] names = c.getPackageName().split("\\.");
        return names.length > 1 && names[0].equals("orthopur") ? names[1] : "";
    }

    @ArchTest
    static final ArchRule QUANTITIES_AND_SENTENCES_STAND_ALONE =
            classes()
                    .that()
                    .resideInAnyPackage("orthopur.quantity..", "orthopur.text..")
                    .should()
                    .onlyDependOnClassesThat()
                    .resideInAnyPackage(
                            "orthopur.quantity..", "orthopur.text..", "java..", "org.jspecify..");
}
