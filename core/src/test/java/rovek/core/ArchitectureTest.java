package rovek.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "rovek.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule coreKnowsOnlyTheJdkAndNumericalLibraries = classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "rovek.core..",
                    "java.lang..",
                    "java.util..",
                    "java.time..",
                    "java.math..",
                    "javax.measure..",
                    "tech.units..",
                    "org.jtransforms..",
                    "org.apache.commons.statistics..");

    @ArchTest
    static final ArchRule noCircles =
            slices().matching("rovek.core.(*)..").should().beFreeOfCycles();
}
