package rovek.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noFields;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.modulith.core.ApplicationModules;

@AnalyzeClasses(packages = "rovek", importOptions = ImportOption.DoNotIncludeTests.class)
class StructureTest {

    @ArchTest
    static final ArchRule serverDoesNotKnowTheStandIns =
            noClasses().that().resideInAPackage("rovek.server..").should().dependOnClassesThat().resideInAPackage("rovek.fieldsim..");

    @ArchTest
    static final ArchRule standInsDoNotKnowTheServer =
            noClasses().that().resideInAPackage("rovek.fieldsim..").should().dependOnClassesThat().resideInAPackage("rovek.server..");

    @ArchTest
    static final ArchRule nothingIsInjectedIntoFields = noFields().should().beAnnotatedWith(Autowired.class);

    /** Features use each other only by what is public at their top, and without circles. */
    @Test
    void featuresKeepTheirBoundaries() {
        ApplicationModules.of(RovekApplication.class).verify();
    }
}
