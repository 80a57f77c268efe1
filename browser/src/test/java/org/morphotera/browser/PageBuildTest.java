package org.morphotera.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
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
import org.morphotera.core.PhotoKinds;
import org.morphotera.core.WorkedCase;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.RandomFields;
import org.morphotera.core.photo.Card;
import org.morphotera.core.photo.PhotoReading;
import org.morphotera.core.photo.Picture;
import org.morphotera.core.photo.drawn.Drawn;
import org.morphotera.core.photo.drawn.DrawnCard;
import org.morphotera.core.photo.drawn.Taken;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.request.Judgements;
import org.morphotera.training.TrainingGround;

/** Runs every worked case, and random readings, through the compiled module in Node and compares with the JVM. */
class PageBuildTest {

    private static final int RANDOM_PER_METHOD = 40;
    private static final int RANDOM_PER_CALCULATOR = 12;
    private static final int PLACES_A_LEVEL = 4;
    private static final CalculatorRegistry CALCULATORS = Calculators.ofPage(Methods.all());

    private static final TrainingGround GROUND =
            new TrainingGround(Methods.all(), CoreData.BENCHMARKS, CoreData.EVIDENCE, CoreData.MESSAGES);

    /** {@code kind}: a method is evaluated, a calculator worked out, a place dealt, shown or judged, pictures looked at. */
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
        training();
        judgements();
        photos();
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

    private static final Judgements JUDGEMENTS =
            new Judgements(Methods.all(), CALCULATORS, CoreData.BENCHMARKS, CoreData.EVIDENCE, CoreData.MESSAGES);

    /** A limed field of six stops over three years, read by several methods, and one that is refused. */
    private static void judgements() {
        List<Map<String, Object>> visits = new ArrayList<>();
        for (int year = 0; year < 3; year++) {
            List<Map<String, Object>> tests = new ArrayList<>();
            for (int stop = 0; stop < 6; stop++) {
                double ph = 5.3 + 0.1 * stop + (year > 0 && stop < 5 ? 0.6 : 0);
                Map<String, Object> layer = Map.of("topMm", 0, "bottomMm", 150, "value", ph);
                tests.add(test(stop, "ph", Map.of("kind", "meter-1to5", "layers", List.of(layer))));
                for (String method : List.of("ring-infiltration", "structure", "earthworms", "penetration")) {
                    List<WorkedCase> cases = WorkedCase.of(method).stream()
                            .filter(each -> each.expectErrors() == null)
                            .toList();
                    tests.add(test(
                            stop,
                            method,
                            cases.get((stop + year) % cases.size()).body().get("readings")));
                }
            }
            visits.add(Map.of("id", "v" + year, "visitedOn", "202" + (3 + year) + "-04-10", "measurements", tests));
        }
        List<Map<String, Object>> stops = new ArrayList<>();
        for (int stop = 0; stop < 6; stop++) {
            stops.add(Map.of("id", "s" + stop, "role", stop == 5 ? "control" : stop == 4 ? "poor" : "routine"));
        }
        Map<String, Object> lime = Map.of("happenedOn", "2023-10-01", "kind", "lime", "amount", "4 t/ha");
        Map<String, Object> body = Map.of(
                "field",
                Map.of("landUse", "arable", "crop", "barley", "textureClass", "loam"),
                "stops",
                stops,
                "visits",
                visits,
                "events",
                List.of(lime));
        TASKS.add(new Task("", WorkedCase.JSON.writeValueAsString(body), "judge"));
        TASKS.add(new Task("", WorkedCase.JSON.writeValueAsString(Map.of("field", Map.of())), "judge"));
    }

    private static Map<String, Object> test(int stop, String method, Object readings) {
        return Map.of(
                "stopId", "s" + stop, "method", method, "depthTopMm", 0, "depthBottomMm", 150, "readings", readings);
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> judged(Object body) {
        Judgements.Result result = JUDGEMENTS.judge(body);
        return result.answer() == null
                ? Map.of(
                        "errors",
                        WorkedCase.JSON.convertValue(FaultText.of(result.faults(), CoreData.MESSAGES), List.class))
                : WorkedCase.JSON.convertValue(result.answer(), Map.class);
    }

    /** A place of each level, a test of it by each method, and a round in which all of them are made. */
    private static void training() {
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

    /** Pictures of each kind as they are usually and badly taken, one larger than is looked at, and a black one. */
    private static void photos() {
        Random random = new Random(21);
        for (Taken how : List.of(Taken.USUALLY, Taken.BADLY)) {
            look("cover", List.of(Drawn.cover(0.25, 0.1, 0.3, how, random::nextDouble)));
            look("jar", List.of(Drawn.jar(40, 62, 75, 160, how, random::nextDouble)));
            look("colour", List.of(Drawn.colour(4.2, 3.1, 74, how, random::nextDouble)));
            look("crumbs", Drawn.crumbs(new double[] {1, 1.3, 1.9}, 0.2, how, random::nextDouble));
        }
        Drawn small = Drawn.colour(3, 2, 70, Taken.WELL, random::nextDouble);
        int wide = small.width() * 3;
        int high = small.height() * 3;
        int[] large = new int[wide * high];
        for (int i = 0; i < large.length; i++) {
            large[i] = small.rgb()[i / wide / 3 * small.width() + i % wide / 3];
        }
        look("colour", List.of(new Drawn(wide, high, large, small.inputs(), Map.of())));
        look("colour", List.of(new Drawn(90, 90, new int[8100], small.inputs(), Map.of())));
        cards(random);
        scenes();
    }

    /** A card that lies askew, and a picture without one. */
    private static void cards(Random random) {
        DrawnCard.View view = new DrawnCard.View(14, -9, 5, 300);
        DrawnCard card = DrawnCard.of(view, new double[] {0.13, 0.08, 0.045}, Taken.WELL, random::nextDouble);
        TASKS.add(new Task("", WorkedCase.JSON.writeValueAsString(sent(card.width(), card.rgb())), "card"));
        Drawn none = Drawn.colour(4, 3, 70, Taken.WELL, random::nextDouble);
        TASKS.add(new Task("", WorkedCase.JSON.writeValueAsString(sent(none.width(), none.rgb())), "card"));
    }

    /** Pictures of what a made-up soil reads. */
    private static void scenes() {
        for (PhotoReading<?> kind : PhotoKinds.all().all()) {
            Object readings = GROUND.scene(Map.of("seed", 5, "level", "usual"), kind.method(), 0)
                    .get("readings");
            for (int which = 0; which < kind.pictures().size(); which++) {
                Map<String, Object> body = Map.of("readings", readings, "seed", 7, "which", which);
                TASKS.add(new Task(kind.kind(), WorkedCase.JSON.writeValueAsString(body), "drawn"));
            }
        }
    }

    /** As the script sums what the page's core hands out. */
    private static Map<String, Object> summed(Picture picture, Object told) {
        long sum = 0;
        for (int i = 0; i < picture.size(); i++) {
            int[] point = {picture.red(i), picture.green(i), picture.blue(i), 255};
            for (int channel = 0; channel < point.length; channel++) {
                sum += (long) point[channel] * ((4L * i + channel) % 9973);
            }
        }
        return Map.of("width", picture.width(), "sum", sum, "told", told);
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> drawn(String kind, Map<String, Object> body) {
        Random random = new Random((Integer) body.get("seed"));
        List<Drawn> drawn = PhotoKinds.all()
                .of(kind)
                .draw((Map<String, Object>) body.get("readings"), Taken.USUALLY, random::nextDouble);
        return summed(drawn.get((Integer) body.get("which")).picture(), Map.of());
    }

    private static Map<String, Object> card(Picture picture) {
        Card card = Card.find(picture);
        return card == null ? Map.of() : summed(card.straight(), card.told());
    }

    private static void look(String kind, List<Drawn> drawn) {
        List<Map<String, Object>> pictures = new ArrayList<>();
        for (Drawn each : drawn) {
            pictures.add(sent(each.width(), each.rgb()));
        }
        Map<String, Object> body = Map.of("inputs", drawn.get(0).inputs(), "pictures", pictures);
        TASKS.add(new Task(kind, WorkedCase.JSON.writeValueAsString(body), "look"));
    }

    private static Map<String, Object> sent(int width, int[] rgb) {
        byte[] rgba = new byte[4 * rgb.length];
        for (int i = 0; i < rgb.length; i++) {
            rgba[4 * i] = (byte) (rgb[i] >> 16);
            rgba[4 * i + 1] = (byte) (rgb[i] >> 8);
            rgba[4 * i + 2] = (byte) rgb[i];
            rgba[4 * i + 3] = -1;
        }
        return Map.of("width", width, "rgba", Base64.getEncoder().encodeToString(rgba));
    }

    private static Picture picture(Object sent) {
        Map<?, ?> picture = (Map<?, ?>) sent;
        byte[] rgba = Base64.getDecoder().decode((String) picture.get("rgba"));
        int width = (Integer) picture.get("width");
        return Picture.of(
                width,
                rgba.length / 4 / width,
                i -> (rgba[4 * i] & 255) << 16 | (rgba[4 * i + 1] & 255) << 8 | rgba[4 * i + 2] & 255);
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
            case "judge" -> judged(body);
            case "drawn" -> drawn(task.method(), body);
            case "card" -> card(picture(body));
            case "look" ->
                JvmAnswers.look(
                        task.method(),
                        body.get("inputs"),
                        ((List<?>) body.get("pictures"))
                                .stream().map(PageBuildTest::picture).toList());
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
            assertThat(PlainAnswer.of(pageAnswers.get(i)))
                    .as("%s %s %.400s", task.kind(), task.method(), task.body())
                    .isEqualTo(PlainAnswer.of(onTheJvm(task)));
        }
    }
}
