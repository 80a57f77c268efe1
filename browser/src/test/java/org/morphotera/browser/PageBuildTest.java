package org.morphotera.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.morphotera.core.Calculators;
import org.morphotera.core.CoreData;
import org.morphotera.core.DataFiles;
import org.morphotera.core.JvmAnswers;
import org.morphotera.core.Methods;
import org.morphotera.core.WorkedCase;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.RandomFields;
import org.morphotera.core.practice.PracticeGround;

/** Runs every worked case, and random readings, through the compiled module in Node and compares with the JVM. */
class PageBuildTest {

    private static final int RANDOM_PER_METHOD = 40;
    private static final int RANDOM_PER_CALCULATOR = 12;
    private static final int PLACES_A_LEVEL = 4;
    private static final CalculatorRegistry CALCULATORS = Calculators.ofPage(Methods.all());

    private static final PracticeGround GROUND =
            new PracticeGround(Methods.all(), CoreData.BENCHMARKS, CoreData.EVIDENCE, CoreData.MESSAGES);

    /** {@code kind}: a method is evaluated, a calculator worked out, a place dealt, shown or judged. */
    record Task(String method, String body, String kind) {}

    private static final List<Task> TASKS = new ArrayList<>();
    private static List<Map<String, Object>> pageAnswers;

    @BeforeAll
    @SuppressWarnings("unchecked")
    static void evaluateAllInNode(@TempDir Path folder) throws IOException, InterruptedException {
        WorkedCase.all().forEach(each -> TASKS.add(new Task(each.method(), each.bodyJson(), "method")));
        WorkedCase.plans().forEach(each -> TASKS.add(new Task(each.method(), each.bodyJson(), "calculator")));
        for (FieldMethod<?> method : Methods.all().all()) {
            Random random = new Random(11);
            for (int i = 0; i < RANDOM_PER_METHOD; i++) {
                Map<String, Object> body = Map.of("readings", RandomFields.sound(method, random));
                TASKS.add(new Task(method.card().id(), WorkedCase.JSON.writeValueAsString(body), "method"));
            }
        }
        for (Calculator<?> calculator : CALCULATORS.all()) {
            Random random = new Random(12);
            for (int i = 0; i < RANDOM_PER_CALCULATOR; i++) {
                Map<String, Object> inputs = RandomFields.tree(calculator::read, random);
                calculator.makeSound(inputs, random);
                String body = WorkedCase.JSON.writeValueAsString(Map.of("inputs", inputs));
                TASKS.add(new Task(calculator.id(), body, "calculator"));
            }
        }
        practice();
        Path tasks = folder.resolve("tasks.json");
        Map<String, Object> input = Map.of(
                "evidence", CoreData.texts(DataFiles.evidence()),
                "benchmarks", CoreData.texts(DataFiles.benchmarks(Methods.all())),
                "messages", CoreData.texts(DataFiles.messages(Methods.all())),
                "tasks", TASKS);
        Files.writeString(tasks, WorkedCase.JSON.writeValueAsString(input));
        Path answers = folder.resolve("answers.json");
        Path module = folder.resolve("core.mjs");
        Files.copy(Path.of("target/page/morphotera-core.js"), module);
        Process node = new ProcessBuilder(
                        "node",
                        "src/test/node/evaluate-all.mjs",
                        module.toString(),
                        tasks.toString(),
                        answers.toString())
                .inheritIO()
                .start();
        assertThat(node.waitFor(120, TimeUnit.SECONDS)).isTrue();
        assertThat(node.exitValue()).isZero();
        pageAnswers = WorkedCase.JSON.readValue(Files.readString(answers), List.class);
    }

    /** A place of each level, a test of it by each method, and a round in which all of them are made. */
    private static void practice() {
        for (String level : List.of("clear", "usual", "hard")) {
            for (int seed = 0; seed < PLACES_A_LEVEL; seed++) {
                Map<String, Object> deal = Map.of("seed", seed, "level", level);
                String body = WorkedCase.JSON.writeValueAsString(deal);
                TASKS.add(new Task("", body, "deal"));
                List<Map<String, Object>> made = new ArrayList<>();
                for (FieldMethod<?> method : Methods.all().all()) {
                    String id = method.card().id();
                    TASKS.add(new Task(id, body, "scene"));
                    made.add(Map.of(
                            "method", id, "readings", GROUND.scene(deal, id, 0).get("readings")));
                }
                Map<String, Object> round = Map.of("deal", deal, "made", made, "named", "salinity");
                TASKS.add(new Task("", WorkedCase.JSON.writeValueAsString(round), "verdict"));
            }
        }
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> onTheJvm(Task task) {
        Map<String, Object> body = WorkedCase.JSON.readValue(task.body(), Map.class);
        return switch (task.kind()) {
            case "method" -> JvmAnswers.to(task.method(), body);
            case "calculator" -> JvmAnswers.to(CALCULATORS, task.method(), body);
            case "deal" -> GROUND.deal(body);
            case "scene" -> GROUND.scene(body, task.method(), 0);
            case "verdict" ->
                GROUND.verdict(body.get("deal"), (List<?>) body.get("made"), (String) body.get("named"), null);
            default -> throw new IllegalArgumentException(task.kind());
        };
    }

    @Test
    void everyWorkedCaseComesOutInThePage() {
        List<WorkedCase> cases = new ArrayList<>(WorkedCase.all());
        cases.addAll(WorkedCase.plans());
        for (int i = 0; i < cases.size(); i++) {
            assertThat(cases.get(i).misses(pageAnswers.get(i)))
                    .as(cases.get(i).toString())
                    .isEmpty();
        }
    }

    @Test
    void pageAndJvmAgreeToTheLastDigitAndLetter() {
        assertThat(pageAnswers).hasSameSizeAs(TASKS);
        for (int i = 0; i < TASKS.size(); i++) {
            Task task = TASKS.get(i);
            assertThat(PlainAnswer.of(pageAnswers.get(i))).as("%s", task).isEqualTo(PlainAnswer.of(onTheJvm(task)));
        }
    }
}
