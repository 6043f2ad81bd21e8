package alcabala.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.jdbc.core.simple.JdbcClient;

/// The arrows of the house.
class ArchitectureTest {
    private static final JavaClasses HOUSE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("alcabala");

    @Test
    void accountingKnowsNothingButTheJdkAndMoney() {
        classes()
                .that()
                .resideInAPackage("alcabala.accounting..")
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage("alcabala.accounting..", "java..", "org.joda.money..")
                .check(HOUSE);
        noClasses()
                .that()
                .resideInAPackage("alcabala.accounting..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("java.io..", "java.net..", "java.nio..", "java.sql..")
                .orShould()
                .dependOnClassesThat()
                .belongToAnyOf(java.time.Clock.class)
                .check(HOUSE);
    }

    @Test
    void formatsAndConnectorsDoNotKnowTheServer() {
        noClasses()
                .that()
                .resideInAPackage("alcabala.formats..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("alcabala.connectors..", "alcabala.server..")
                .check(HOUSE);
        noClasses()
                .that()
                .resideInAPackage("alcabala.connectors..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("alcabala.server..")
                .check(HOUSE);
    }

    /// Such a stream keeps its connection until somebody closes it; sixteen forgotten ones are the whole pool.
    @Test
    void noQueryIsLeftOpen() {
        noClasses()
                .should()
                .callMethod(JdbcClient.MappedQuerySpec.class, "stream")
                .check(HOUSE);
    }

    /// The product says nothing of the business that it is shown with.
    @Test
    void onlyTheDemoKnowsItsBusiness() throws IOException {
        assertThat(filesThatSay("corvane")).isEmpty();
    }

    /// Whoever wants something done asks what a connection can do, not what it is called.
    @ParameterizedTest
    @ValueSource(strings = {"inkwell", "hullwork", "storeloft", "refitline", "copperplate"})
    void onlyItsOwnAdapterKnowsASystemByName(String system) throws IOException {
        assertThat(filesThatSay(system))
                .allMatch(file -> file.toString().contains("/adapters/" + system + "/")
                        || file.toString().contains("/META-INF/services/")
                        || file.toString().contains("/db/migration/"));
    }

    private static List<Path> filesThatSay(String word) throws IOException {
        List<Path> knowing = new ArrayList<>();
        for (String module : List.of("accounting", "connectors", "formats", "server", "web")) {
            try (Stream<Path> files = Files.walk(Path.of("..", module, "src", module.equals("web") ? "" : "main"))) {
                files.filter(Files::isRegularFile)
                        .filter(file -> !file.toString().contains("/demo/"))
                        .filter(file -> !file.toString().contains(".test."))
                        .filter(file -> says(file, word))
                        .forEach(knowing::add);
            }
        }
        return knowing;
    }

    private static boolean says(Path file, String word) {
        try {
            return new String(Files.readAllBytes(file), StandardCharsets.ISO_8859_1)
                    .toLowerCase(Locale.ROOT)
                    .contains(word);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void nobodyKnowsTheStandIns() {
        noClasses()
                .that()
                .resideInAPackage("alcabala..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("standins..")
                .check(HOUSE);
    }

    /// What stands on what, from below; whatever is not named is beside the stops, and a stop.
    private static final List<String> LEVELS =
            List.of("connection", "reference", "route", "record", "compile", "crossing", "intake");

    private static final List<String> STOPS = List.of("connect", "map", "release", "send", "clear", "settings", "link");

    @Test
    void eachLevelStandsOnThoseBelow() {
        for (int level = 0; level < LEVELS.size(); level++) {
            nobodyReaches(LEVELS.get(level), LEVELS.subList(level + 1, LEVELS.size()));
            nobodyReaches(LEVELS.get(level), STOPS);
            nobodyReaches(LEVELS.get(level), List.of("readiness", "demo"));
        }
    }

    @Test
    void aStopUsesWhatIsBelowAndNoOtherStop() {
        for (String stop : STOPS) {
            nobodyReaches(
                    stop, STOPS.stream().filter(each -> !each.equals(stop)).toList());
        }
        nobodyReaches("readiness", STOPS);
    }

    private void nobodyReaches(String from, List<String> others) {
        others.forEach(other -> noClasses()
                .that()
                .resideInAPackage("alcabala.server." + from)
                .should()
                .dependOnClassesThat()
                .resideInAPackage("alcabala.server." + other)
                .check(HOUSE));
    }

    @Test
    void nothingInTheServerGoesInCircles() {
        SlicesRuleDefinition.slices()
                .matching("alcabala.server.(*)..")
                .should()
                .beFreeOfCycles()
                .check(HOUSE);
    }
}
