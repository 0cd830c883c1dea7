package bellrope.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;

import bellrope.core.value.Exact;
import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaMethodCall;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.Random;
import java.util.Set;

@AnalyzeClasses(packages = "bellrope.core", importOptions = ImportOption.DoNotIncludeTests.class)
class FloorsTest {
    @ArchTest
    static final ArchRule coreKnowsTheJdkAndTheVectorLibraryAlone = noClasses()
            .should()
            .dependOnClassesThat()
            .resideOutsideOfPackages(
                    "bellrope.core..", "java.lang..", "java.util..", "java.math..", "java.text..", "java.nio");

    @ArchTest
    static final ArchRule coreHasNoThreadsAndNoClock = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("java.util.concurrent..", "java.time..")
            .orShould()
            .callMethod(System.class, "nanoTime")
            .orShould()
            .callMethod(System.class, "currentTimeMillis");

    /** Functions whose last bit is another on another machine, or in a browser; what is exact everywhere (root, floor) may be used. */
    private static final Set<String> INEXACT = Set.of(
            "sin",
            "cos",
            "tan",
            "asin",
            "acos",
            "atan",
            "atan2",
            "exp",
            "expm1",
            "log",
            "log10",
            "log1p",
            "pow",
            "cbrt",
            "sinh",
            "cosh",
            "tanh",
            "hypot",
            "fma",
            "toRadians",
            "toDegrees");

    @ArchTest
    static final ArchRule coreComputesTheSameOnEveryMachine = noClasses()
            .that()
            .doNotHaveFullyQualifiedName(Exact.class.getName())
            .should()
            .dependOnClassesThat()
            .belongToAnyOf(Random.class)
            .orShould()
            .callMethodWhere(new DescribedPredicate<JavaMethodCall>("it is a function of Math that is not exact") {
                @Override
                public boolean test(JavaMethodCall call) {
                    return (call.getTargetOwner().isEquivalentTo(Math.class)
                                    || call.getTargetOwner().isEquivalentTo(StrictMath.class))
                            && INEXACT.contains(call.getTarget().getName());
                }
            });

    @ArchTest
    static final ArchRule floorsOnlyLookDown = layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("value")
            .definedBy("bellrope.core.value..")
            .layer("random")
            .definedBy("bellrope.core.random..")
            .layer("effect")
            .definedBy("bellrope.core.effect..")
            .layer("event")
            .definedBy("bellrope.core.event..")
            .layer("rope")
            .definedBy("bellrope.core.rope..")
            .layer("contract")
            .definedBy("bellrope.core.contract..")
            .layer("pool")
            .definedBy("bellrope.core.pool..")
            .layer("score")
            .definedBy("bellrope.core.score..")
            .layer("project")
            .definedBy("bellrope.core.project..")
            .layer("sim")
            .definedBy("bellrope.core.sim..")
            .layer("stage")
            .definedBy("bellrope.core.stage..")
            .layer("measure")
            .definedBy("bellrope.core.measure..")
            .layer("check")
            .definedBy("bellrope.core.check..")
            .layer("picture")
            .definedBy("bellrope.core.picture..")
            .whereLayer("picture")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("check")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("measure")
            .mayOnlyBeAccessedByLayers("check")
            .whereLayer("stage")
            .mayOnlyBeAccessedByLayers("measure", "check", "picture")
            .whereLayer("sim")
            .mayOnlyBeAccessedByLayers("stage", "measure", "check", "picture")
            .whereLayer("project")
            .mayOnlyBeAccessedByLayers("stage", "measure", "check", "picture")
            .whereLayer("contract")
            .mayOnlyBeAccessedByLayers("project", "stage", "measure", "check", "picture")
            .whereLayer("pool")
            .mayOnlyBeAccessedByLayers("project", "stage", "measure", "check", "picture")
            .whereLayer("score")
            .mayOnlyBeAccessedByLayers("project", "stage", "measure", "check", "picture")
            .whereLayer("rope")
            .mayOnlyBeAccessedByLayers("project", "stage", "measure", "check", "picture")
            .whereLayer("event")
            .mayOnlyBeAccessedByLayers("rope", "contract", "score", "project", "stage", "measure", "check", "picture")
            .whereLayer("effect")
            .mayOnlyBeAccessedByLayers("rope", "contract", "project", "sim", "stage", "measure", "check", "picture")
            .whereLayer("random")
            .mayOnlyBeAccessedByLayers("score", "sim", "stage");

    /** The front door uses everything behind it; behind it arrows go one way, and nobody else looks in. */
    @ArchTest
    static final ArchRule theStageIsBuiltInStoreys = layeredArchitecture()
            .consideringOnlyDependenciesInAnyPackage("bellrope.core..")
            .layer("told")
            .definedBy("bellrope.core.stage.told..")
            .layer("world")
            .definedBy("bellrope.core.stage.world..")
            .layer("decide")
            .definedBy("bellrope.core.stage.decide..")
            .layer("play")
            .definedBy("bellrope.core.stage.play..")
            .layer("answer")
            .definedBy("bellrope.core.stage.answer..")
            .layer("door")
            .definedBy("bellrope.core.stage")
            .whereLayer("answer")
            .mayOnlyBeAccessedByLayers("door")
            .whereLayer("play")
            .mayOnlyBeAccessedByLayers("answer", "door")
            .whereLayer("decide")
            .mayOnlyBeAccessedByLayers("play", "answer", "door")
            .whereLayer("world")
            .mayOnlyBeAccessedByLayers("decide", "play", "answer", "door");
}
