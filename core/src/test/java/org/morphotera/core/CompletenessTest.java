package org.morphotera.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Catalogue;
import org.morphotera.core.method.Catalogue.MethodEntry;
import org.morphotera.core.method.Catalogue.ReadingEntry;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.WorkStep;
import org.morphotera.core.method.block.smell.Smell;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.ParsedFields;
import org.morphotera.core.text.Messages;

/** No method is left half made: texts, benchmarks, cases, findings, a simulated answer, a picture, a page. */
class CompletenessTest {

    private static final int FEWEST_CASES = 5;
    private static final int FEWEST_WORKED = 3;

    /** Notes of a method that are given whatever was read, by its id. */
    private static final Map<String, Integer> UNCONDITIONAL = Map.of("leaf-colour", 1, "plant-sap", 1);

    private static final Path PICTURES = Path.of("../web/src/capture");
    private static final Path PAGES = Path.of("../docs/methods");

    static List<FieldMethod<?>> methods() {
        return Methods.all().all();
    }

    /** What a method lacks in the core, in words; empty when it is whole. */
    private static List<String> gaps(FieldMethod<?> method, Messages messages, Benchmarks benchmarks) {
        List<String> gaps = new ArrayList<>();
        String id = method.card().id();
        for (String text : List.of("title", "purpose", "material.1", "step.1", "source.1")) {
            if (!messages.has(id + "." + text)) {
                gaps.add("no text " + text);
            }
        }
        MethodEntry entry = Catalogue.entry(method, messages, benchmarks);
        for (ReadingEntry reading : entry.readings()) {
            if (reading.label().equals(reading.name())) {
                gaps.add("no label for " + reading.name());
            }
        }
        Faults fresh = new Faults();
        ParsedFields.read("", entry.usual(), method::read, fresh);
        fresh.found().stream()
                .filter(fault -> !fault.code().equals("MISSING"))
                .forEach(fault -> gaps.add("a new test starts from readings that are refused: " + fault));
        method.card().indicators().stream()
                .filter(each -> !messages.has("word." + each.id()))
                .forEach(each -> gaps.add("no word for " + each.id()));
        method.card().indicators().stream()
                .filter(each -> !benchmarks.hasTable("model." + each.id()))
                .forEach(each -> gaps.add("no table model." + each.id()));
        return gaps;
    }

    @ParameterizedTest
    @MethodSource("methods")
    void isWholeInTheCore(FieldMethod<?> method) {
        assertThat(gaps(method, CoreData.MESSAGES, CoreData.BENCHMARKS)).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("methods")
    void hasCasesAPictureOrAFormAndAPage(FieldMethod<?> method) throws Exception {
        String id = method.card().id();
        List<WorkedCase> cases = WorkedCase.of(id);
        assertThat(cases).as("worked cases and refusals").hasSizeGreaterThanOrEqualTo(FEWEST_CASES);
        assertThat(cases.stream().map(WorkedCase::name).distinct()).hasSameSizeAs(cases);
        assertThat(cases.stream().filter(each -> each.expectErrors() == null))
                .as("cases that are worked")
                .hasSizeGreaterThanOrEqualTo(FEWEST_WORKED);
        assertThat(cases).as("refusals").anyMatch(each -> each.expectErrors() != null);
        if (CoreData.MESSAGES.under(id + ".note.").size() > UNCONDITIONAL.getOrDefault(id, 0)) {
            assertThat(cases)
                    .as("cases that say which notes must be absent")
                    .anyMatch(each -> each.expect() != null && each.expect().containsKey("absentNotes"));
        }
        assertThat(PICTURES.resolve(id).resolve("index.ts"))
                .as("picture, or the form declared")
                .exists();
        String page = Files.readString(PAGES.resolve(method.card().family().code() + ".md"));
        assertThat(page).contains("\n`" + id + "` ·");
    }

    @ParameterizedTest
    @MethodSource("methods")
    void itsWorkBeginsAtOnceAndWaitsForwards(FieldMethod<?> method) {
        List<WorkStep> work = WorkStep.of(method.card(), CoreData.BENCHMARKS);
        assertThat(work).isNotEmpty();
        assertThat(work.get(0).mostWaitMin()).isZero();
        assertThat(work).allSatisfy(step -> {
            assertThat(step.minutes()).isPositive();
            assertThat(step.leastWaitMin()).isBetween(0.0, step.mostWaitMin());
        });
        assertThat(work.stream().map(WorkStep::code).distinct()).hasSameSizeAs(work);
    }

    @Test
    void aMethodWithoutItsTextsOrBenchmarksIsNoticed() {
        MethodRegistry none = new MethodRegistry(List.of());
        Messages messages = Messages.parse(CoreData.texts(DataFiles.messages(none).stream()
                .filter(each -> !each.contains("/indicator/"))
                .toList()));
        Benchmarks benchmarks = Benchmarks.parse(CoreData.texts(DataFiles.benchmarks(none)));
        assertThat(gaps(new Smell(), messages, benchmarks))
                .contains("no text title", "no text step.1", "no label for score", "no word for smell");
    }

    @Test
    void twoMethodsOfOneNameAreRefusedAtTheStart() {
        assertThatThrownBy(() -> new MethodRegistry(List.of(new Smell(), new Smell())))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("smell");
    }

    /** The rules of one test are its own matter: outside its folder no Java source asks for one by its id. */
    @Test
    void nothingSwitchesOverTheIdsOfMethods() throws Exception {
        List<String> found = new ArrayList<>();
        for (Path root : List.of(Path.of("src/main/java"), Path.of("../server/src/main/java"))) {
            try (var files = Files.walk(root)) {
                for (Path file :
                        files.filter(each -> each.toString().endsWith(".java")).toList()) {
                    String source = Files.readString(file);
                    for (FieldMethod<?> method : methods()) {
                        if (source.contains("case \"" + method.card().id() + "\"")) {
                            found.add(root.relativize(file) + " switches over "
                                    + method.card().id());
                        }
                    }
                }
            }
        }
        assertThat(found).isEmpty();
    }
}
