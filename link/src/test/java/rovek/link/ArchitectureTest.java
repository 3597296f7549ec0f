package rovek.link;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "rovek", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule arrowsRunDown = noClasses()
            .that()
            .resideInAnyPackage("rovek.core..", "rovek.link..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("rovek.fieldsim..", "rovek.server..", "org.springframework..", "jakarta..");
}
