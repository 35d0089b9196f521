package orthopur;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * The core is compiled to JavaScript as well, where a few calls of the library are missing or
 * answer otherwise. None of them is made, so that a tablet says what the server says.
 */
@AnalyzeClasses(packages = "orthopur", importOptions = ImportOption.DoNotIncludeTests.class)
class CompiledCodeTest {
    /** Rooms whose code is compiled; meters are not. */
    private static final List<String> COMPILED =
            List.of(
                    "round",
                    "sitestream",
                    "solution",
                    "instrument",
                    "roundpack",
                    "mixing",
                    "quantity",
                    "calculation",
                    "chemical",
                    "thermal",
                    "timing",
                    "handling",
                    "machine",
                    "procedure",
                    "rulebook",
                    "release");

    private static final String[] PACKAGES =
            COMPILED.stream().map(room -> "orthopur." + room + "..").toArray(String[]::new);

    @ArchTest
    static final ArchRule WHAT_THE_COMPILER_LACKS =
            noClasses()
                    .that()
                    .resideInAnyPackage(PACKAGES)
                    .should()
                    .callMethod(Duration.class, "toSeconds")
                    .orShould()
                    .callMethod(Math.class, "rint", double.class)
                    .orShould()
                    .dependOnClassesThat()
                    .haveFullyQualifiedName("java.util.Random");

    private static final Path CODE = Path.of("src", "main", "java", "orthopur");

    /** Rounded by the formatter, a half goes another way; a percent sign stands in an argument. */
    private static final Pattern OTHERWISE = Pattern.compile("%%|%[-+ 0,]*[0-9]*\\.[0-9]+[feg]");

    @Test
    void formatsNothingThatTheCompilersLibraryFormatsOtherwise() throws IOException {
        for (String room : COMPILED) {
            try (Stream<Path> files = Files.walk(CODE.resolve(room))) {
                List<String> found =
                        files.filter(f -> f.toString().endsWith(".java"))
                                .filter(f -> OTHERWISE.matcher(read(f)).find())
                                .map(Path::toString)
                                .toList();
                assertEquals(List.of(), found);
            }
        }
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
