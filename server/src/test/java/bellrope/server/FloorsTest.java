package bellrope.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;

@AnalyzeClasses(packages = "bellrope.server", importOptions = ImportOption.DoNotIncludeTests.class)
class FloorsTest {
    @ArchTest
    static final ArchRule onlyTheStoreSpeaksToTheDatabase = noClasses()
            .that()
            .resideOutsideOfPackage("bellrope.server.store..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.jooq..", "java.sql..", "javax.sql..");

    @ArchTest
    static final ArchRule theStoreKnowsNoRequests = noClasses()
            .that()
            .resideInAPackage("bellrope.server.store..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("bellrope.server.web..", "bellrope.server.news..", "org.springframework.web..");

    @ArchTest
    static final ArchRule wingsDoNotLeanOnEachOther = SlicesRuleDefinition.slices()
            .matching("bellrope.server.(*)..")
            .should()
            .beFreeOfCycles();

    @ArchTest
    static final ArchRule theStageIsEnteredByItsDoor = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "bellrope.core.stage.world..",
                    "bellrope.core.stage.decide..",
                    "bellrope.core.stage.play..",
                    "bellrope.core.stage.answer..");
}
