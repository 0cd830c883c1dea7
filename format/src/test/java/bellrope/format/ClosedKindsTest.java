package bellrope.format;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.codeUnits;

import com.tngtech.archunit.core.domain.InstanceofCheck;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaCodeUnit;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import java.util.Comparator;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * Closed kinds stay closed: whoever does different things for the kinds of a sealed interface goes through its {@code
 * match}, so that a kind that is added later fails to compile wherever it is forgotten. To ask for one kind alone is
 * allowed.
 */
@AnalyzeClasses(packages = "bellrope", importOptions = ImportOption.DoNotIncludeTests.class)
class ClosedKindsTest {
    @ArchTest
    static final ArchRule noChainDecidesAboutClosedKinds = codeUnits().should(askForOneKindAtMost());

    private static ArchCondition<JavaCodeUnit> askForOneKindAtMost() {
        return new ArchCondition<>("ask for one kind of a sealed interface at most") {
            @Override
            public void check(JavaCodeUnit unit, ConditionEvents events) {
                Map<JavaClass, Set<JavaClass>> asked = unit.getInstanceofChecks().stream()
                        .map(InstanceofCheck::getRawType)
                        .flatMap(kind -> kind.getAllRawInterfaces().stream()
                                .filter(root -> root.reflect().isSealed())
                                .map(root -> Map.entry(root, kind)))
                        .filter(e -> !inside(unit.getOwner(), e.getKey()))
                        .collect(Collectors.groupingBy(
                                Map.Entry::getKey,
                                () -> new TreeMap<>(Comparator.comparing(JavaClass::getName)),
                                Collectors.mapping(Map.Entry::getValue, Collectors.toSet())));
                asked.forEach((root, kinds) -> {
                    if (kinds.size() > 1) {
                        events.add(SimpleConditionEvent.violated(
                                unit,
                                unit.getDescription() + " asks for " + kinds.size() + " kinds of "
                                        + root.getSimpleName() + " " + unit.getSourceCodeLocation()));
                    }
                });
            }
        };
    }

    // A kind may know its siblings.
    private static boolean inside(JavaClass owner, JavaClass root) {
        return owner.equals(root)
                || owner.getEnclosingClass().map(outer -> inside(outer, root)).orElse(false);
    }
}
