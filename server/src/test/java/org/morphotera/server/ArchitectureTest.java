package org.morphotera.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.Dependency;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import org.apache.ibatis.annotations.Mapper;
import org.junit.jupiter.api.Tag;

/** Features depend one way, and each keeps its rows to itself. */
@AnalyzeClasses(packages = "org.morphotera.server", importOptions = ImportOption.DoNotIncludeTests.class)
@Tag("no-database")
class ArchitectureTest {

    private static final String DEMO = "org.morphotera.server.demo";

    @ArchTest
    static final ArchRule FEATURES_DEPEND_ONE_WAY =
            slices().matching("org.morphotera.server.(*)..").should().beFreeOfCycles();

    /** Others read through the feature's reader. Sample data is written as rows of every feature. */
    @ArchTest
    static final ArchRule MAPPERS_STAY_IN_THEIR_FEATURE = classes()
            .that()
            .resideOutsideOfPackage(DEMO)
            .should(new ArchCondition<>("use mappers of their own package only") {
                @Override
                public void check(JavaClass user, ConditionEvents events) {
                    for (Dependency each : user.getDirectDependenciesFromSelf()) {
                        JavaClass used = each.getTargetClass();
                        boolean foreign = !feature(used).equals(feature(user));
                        if (foreign && used.isAnnotatedWith(Mapper.class)) {
                            events.add(SimpleConditionEvent.violated(user, each.getDescription()));
                        }
                    }
                }
            });

    @ArchTest
    static final ArchRule NOTHING_NEEDS_THE_DEMO = noClasses()
            .that()
            .resideOutsideOfPackage(DEMO)
            .should()
            .dependOnClassesThat()
            .resideInAPackage(DEMO);

    @ArchTest
    static final ArchRule THE_EDGE_KNOWS_NO_FEATURE = noClasses()
            .that()
            .resideInAPackage("org.morphotera.server.web..")
            .should()
            .dependOnClassesThat(DescribedPredicate.describe(
                    "features",
                    each -> each.getPackageName().startsWith("org.morphotera.server.")
                            && !each.getPackageName().startsWith("org.morphotera.server.web")));

    /** The first package below the server's; its rooms belong to it. */
    private static String feature(JavaClass each) {
        String below = each.getPackageName().replaceFirst("^org\\.morphotera\\.server\\.?", "");
        return below.contains(".") ? below.substring(0, below.indexOf('.')) : below;
    }
}
