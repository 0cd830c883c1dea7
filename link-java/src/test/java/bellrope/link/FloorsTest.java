package bellrope.link;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "bellrope.link", importOptions = ImportOption.DoNotIncludeTests.class)
class FloorsTest {
    @ArchTest
    static final ArchRule theClientTakesTheJdkAndBellropeAlone = classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage("java..", "bellrope.link..", "bellrope.core..", "bellrope.format..", "tools.jackson..");
}
