package alcabala.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;

/// The arrows of the house.
class ArchitectureTest {
    private final JavaClasses house = new ClassFileImporter()
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
                .check(house);
        noClasses()
                .that()
                .resideInAPackage("alcabala.accounting..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("java.io..", "java.net..", "java.nio..", "java.sql..")
                .orShould()
                .dependOnClassesThat()
                .belongToAnyOf(java.time.Clock.class)
                .check(house);
    }

    @Test
    void formatsAndConnectorsDoNotKnowTheServer() {
        noClasses()
                .that()
                .resideInAPackage("alcabala.formats..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("alcabala.connectors..", "alcabala.server..")
                .check(house);
        noClasses()
                .that()
                .resideInAPackage("alcabala.connectors..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("alcabala.server..")
                .check(house);
    }

    /// Such a stream keeps its connection until somebody closes it; sixteen forgotten ones are the whole pool.
    @Test
    void noQueryIsLeftOpen() {
        noClasses()
                .should()
                .callMethod(JdbcClient.MappedQuerySpec.class, "stream")
                .check(house);
    }

    @Test
    void nobodyKnowsTheStandIns() {
        noClasses()
                .that()
                .resideInAPackage("alcabala..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("standins..")
                .check(house);
    }

    @Test
    void stopsOfTheRoadDoNotGoInCircles() {
        SlicesRuleDefinition.slices()
                .matching("alcabala.server.(*)..")
                .should()
                .beFreeOfCycles()
                .check(house);
    }
}
