package bellrope.format;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "bellrope", importOptions = ImportOption.DoNotIncludeTests.class)
class FloorsTest {
    @ArchTest
    static final ArchRule nothingBelowTheServerKnowsItsFrameworks = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.springframework..", "org.jooq..", "java.net.http..", "java.sql..", "jakarta..");

    @ArchTest
    static final ArchRule formatsKnowNoFloorAbove = noClasses()
            .that()
            .resideInAnyPackage("bellrope.core..", "bellrope.format..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("bellrope.server..", "bellrope.cli..");

    @ArchTest
    static final ArchRule oneJacksonOnly =
            noClasses().should().dependOnClassesThat().resideInAPackage("com.fasterxml.jackson.databind..");

    @ArchTest
    static final ArchRule theStageIsEnteredByItsDoor = noClasses()
            .that()
            .resideOutsideOfPackage("bellrope.core..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "bellrope.core.stage.world..",
                    "bellrope.core.stage.decide..",
                    "bellrope.core.stage.play..",
                    "bellrope.core.stage.answer..");
}
