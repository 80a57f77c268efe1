package org.morphotera.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "org.morphotera.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    private static final String[] FAMILIES = {
        "..core.aboveground..",
        "..core.surface..",
        "..core.block..",
        "..core.water..",
        "..core.chemistry..",
        "..core.life.."
    };

    @ArchTest
    static final ArchRule KNOWS_NO_FRAMEWORK_NO_IO_NO_REFLECTION_NO_THREADS = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "org.springframework..",
                    "tools.jackson..",
                    "jakarta..",
                    "java.io..",
                    "java.nio..",
                    "java.net..",
                    "java.sql..",
                    "java.lang.reflect..",
                    "java.util.concurrent..");

    @ArchTest
    static final ArchRule ASKS_NO_CLOCK = noClasses()
            .should()
            .callMethod(System.class, "currentTimeMillis")
            .orShould()
            .callMethod(System.class, "nanoTime")
            .orShould()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(java.time.LocalDate.class, "now")
            .orShould()
            .dependOnClassesThat()
            .areAssignableTo(java.time.Clock.class)
            .orShould()
            .dependOnClassesThat()
            .areAssignableTo(java.util.Date.class);

    @ArchTest
    static final ArchRule DEPENDS_ONE_WAY = layeredArchitecture()
            .consideringOnlyDependenciesInAnyPackage("org.morphotera.core..")
            .withOptionalLayers(true)
            .layer("lists")
            .definedBy("org.morphotera.core")
            .layer("score")
            .definedBy("..core.score..")
            .layer("plan")
            .definedBy("..core.plan..")
            .layer("simulate")
            .definedBy("..core.simulate..")
            .layer("limits")
            .definedBy("..core.limits..")
            .layer("compare")
            .definedBy("..core.compare..")
            .layer("trend")
            .definedBy("..core.trend..")
            .layer("schedule")
            .definedBy("..core.schedule..")
            .layer("families")
            .definedBy(FAMILIES)
            .layer("method")
            .definedBy("..core.method..")
            .layer("benchmark")
            .definedBy("..core.benchmark..")
            .layer("soil")
            .definedBy("..core.soil..")
            .whereLayer("lists")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("families")
            .mayOnlyBeAccessedByLayers("lists")
            .whereLayer("score")
            .mayOnlyBeAccessedByLayers("lists")
            .whereLayer("plan")
            .mayOnlyBeAccessedByLayers("lists")
            .whereLayer("simulate")
            .mayOnlyBeAccessedByLayers("lists")
            .whereLayer("limits")
            .mayOnlyBeAccessedByLayers("simulate", "plan", "lists")
            .whereLayer("compare")
            .mayOnlyBeAccessedByLayers("lists")
            .whereLayer("trend")
            .mayOnlyBeAccessedByLayers("lists")
            .whereLayer("schedule")
            .mayOnlyBeAccessedByLayers("lists")
            .whereLayer("method")
            .mayOnlyBeAccessedByLayers("families", "score", "plan", "limits", "simulate", "schedule", "lists")
            .whereLayer("benchmark")
            .mayOnlyBeAccessedByLayers(
                    "method",
                    "families",
                    "score",
                    "compare",
                    "trend",
                    "plan",
                    "limits",
                    "simulate",
                    "schedule",
                    "lists");

    @ArchTest
    static final ArchRule HAS_NO_CYCLES =
            slices().matching("org.morphotera.core.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule FAMILIES_KEEP_TO_THEMSELVES = slices().matching(
                    "org.morphotera.core.(aboveground|surface|block|water|chemistry|life)..")
            .should()
            .notDependOnEachOther();
}
