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

/** Runs every worked case, and random readings, through the compiled module in Node and compares with the JVM. */
class PageBuildTest {

    private static final int RANDOM_PER_METHOD = 40;
    private static final int RANDOM_PER_CALCULATOR = 12;
    private static final CalculatorRegistry CALCULATORS = Calculators.ofPage(Methods.all());

    /** {@code kind}: a method is evaluated, a calculator worked out. */
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
        Path tasks = folder.resolve("tasks.json");
        Map<String, Object> input = Map.of(
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
    @SuppressWarnings("unchecked")
    void pageAndJvmAgreeToTheLastDigitAndLetter() {
        assertThat(pageAnswers).hasSameSizeAs(TASKS);
        for (int i = 0; i < TASKS.size(); i++) {
            Task task = TASKS.get(i);
            Map<String, Object> body = WorkedCase.JSON.readValue(task.body(), Map.class);
            Map<String, Object> jvm = task.kind().equals("method")
                    ? JvmAnswers.to(task.method(), body)
                    : JvmAnswers.to(CALCULATORS, task.method(), body);
            assertThat(PlainAnswer.of(pageAnswers.get(i))).as("%s", task).isEqualTo(PlainAnswer.of(jvm));
        }
    }
}
