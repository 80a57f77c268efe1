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

    private static final String METHODS = "org.morphotera.core.method.*..";

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
            .layer("request")
            .definedBy("..core.request..")
            .layer("judgement")
            .definedBy(
                    "..core.judgement..",
                    "..core.score..",
                    "..core.compare..",
                    "..core.trend..",
                    "..core.schedule..",
                    "..core.plan..",
                    "..core.day..",
                    "..core.weather..",
                    "..core.context..",
                    "..core.calibration..",
                    "..core.laboratory..")
            .layer("limits")
            .definedBy("..core.limits..")
            .layer("photo")
            .definedBy("..core.photo..")
            .layer("calculator")
            .definedBy("..core.calculator..")
            .layer("methods")
            .definedBy(METHODS)
            .layer("method")
            .definedBy("org.morphotera.core.method")
            .layer("chemistry")
            .definedBy("..core.chemistry..")
            .layer("result")
            .definedBy("..core.result..")
            .layer("reading")
            .definedBy("..core.reading..")
            .layer("benchmark")
            .definedBy("..core.benchmark..")
            .layer("text")
            .definedBy("..core.text..")
            .layer("statistics")
            .definedBy("..core.statistics..")
            .layer("soil")
            .definedBy("..core.soil..")
            .whereLayer("lists")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("methods")
            .mayOnlyBeAccessedByLayers("lists")
            .whereLayer("photo")
            .mayOnlyBeAccessedByLayers("methods", "lists")
            .whereLayer("request")
            .mayOnlyBeAccessedByLayers("lists")
            .whereLayer("judgement")
            .mayOnlyBeAccessedByLayers("limits", "request", "lists")
            .whereLayer("calculator")
            .mayOnlyBeAccessedByLayers("judgement", "request", "lists")
            .whereLayer("limits")
            .mayOnlyBeAccessedByLayers("judgement", "request", "lists")
            .whereLayer("method")
            .mayOnlyBeAccessedByLayers("calculator", "methods", "judgement", "request", "limits", "lists")
            .whereLayer("chemistry")
            .mayOnlyBeAccessedByLayers("methods", "judgement", "request", "limits")
            .whereLayer("result")
            .mayOnlyBeAccessedByLayers(
                    "calculator", "chemistry", "method", "methods", "photo", "judgement", "request", "limits", "lists")
            .whereLayer("reading")
            .mayOnlyBeAccessedByLayers(
                    "calculator", "method", "methods", "photo", "judgement", "request", "limits", "lists")
            .whereLayer("text")
            .mayOnlyBeAccessedByLayers(
                    "calculator",
                    "benchmark",
                    "reading",
                    "result",
                    "method",
                    "judgement",
                    "request",
                    "limits",
                    "lists");

    @ArchTest
    static final ArchRule HAS_NO_CYCLES =
            slices().matching("org.morphotera.core.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule METHODS_KEEP_TO_THEMSELVES =
            slices().matching("org.morphotera.core.method.(*).(*)").should().notDependOnEachOther();

    /** Which instrument or test it was is the method's own matter: elsewhere nothing asks for one by its name. */
    @ArchTest
    static final ArchRule ENGINE_KNOWS_NO_METHOD = noClasses()
            .that()
            .resideInAPackage("org.morphotera.core.method")
            .should()
            .dependOnClassesThat()
            .resideInAPackage(METHODS);
}
