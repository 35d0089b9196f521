package orthopur;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

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
    static final ArchRule NO_CIRCLES =
            slices().matching("orthopur.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule QUANTITIES_STAND_ALONE =
            classes()
                    .that()
                    .resideInAPackage("orthopur.quantity..")
                    .should()
                    .onlyDependOnClassesThat()
                    .resideInAnyPackage("orthopur.quantity..", "java..", "org.jspecify..");
}
