package orthopur;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "orthopur", importOptions = ImportOption.DoNotIncludeTests.class)
class FaultsArchitectureTest {
    /** What breaks procedures may not know how they are judged. */
    @ArchTest
    static final ArchRule FAULTS_KNOW_NO_RULE =
            noClasses()
                    .that()
                    .resideInAPackage("orthopur.faults..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(
                            "orthopur.rules..",
                            "orthopur.runthrough..",
                            "orthopur.remedy..",
                            "orthopur.verdict..");
}
