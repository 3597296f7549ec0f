package rovek.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noFields;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.modulith.core.ApplicationModules;

@AnalyzeClasses(packages = "rovek", importOptions = ImportOption.DoNotIncludeTests.class)
class StructureTest {

    @ArchTest
    static final ArchRule serverDoesNotKnowTheStandIns = noClasses()
            .that()
            .resideInAPackage("rovek.server..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("rovek.fieldsim..");

    @ArchTest
    static final ArchRule standInsDoNotKnowTheServer = noClasses()
            .that()
            .resideInAPackage("rovek.fieldsim..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("rovek.server..");

    @ArchTest
    static final ArchRule nothingIsInjectedIntoFields = noFields().should().beAnnotatedWith(Autowired.class);

    @ArchTest
    static final ArchRule featuresUseEachOtherWithoutCircles = SlicesRuleDefinition.slices()
            .matching("rovek.server.(*).(*)..")
            .should()
            .beFreeOfCycles();

    /**
     * Each says in its package-info what it is for and which wings it may use; no arrow goes elsewhere, and none in a
     * circle.
     */
    @Test
    void wingsUseOnlyWhatTheySayTheyMay() {
        ApplicationModules wings = ApplicationModules.of(RovekApplication.class);
        wings.verify();
        assertThat(wings.stream().map(wing -> wing.getIdentifier().toString()))
                .containsExactlyInAnyOrder(
                        "demo",
                        "overview",
                        "intake",
                        "reports",
                        "rounds",
                        "follow",
                        "judging",
                        "plant",
                        "instruments",
                        "people",
                        "base");
    }
}
