package org.morphotera.server.visits;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.context.Additions;
import org.morphotera.core.context.PlaceAndDay;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.result.Envelope;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;

/**
 * A walk without signal, by what the page was told before it: each test is put into its context and evaluated as the server
 * does on arrival.
 */
@ExtendWith(RunningApp.class)
class ContextTest {

    private static final List<String> DONE = List.of("straw", "compost", "biochar", "lime", "ploughing");

    private final ApiClient advisor;
    private final MethodRegistry methods;
    private final Additions additions;

    ContextTest(ApiClient advisor, MethodRegistry methods, Benchmarks benchmarks) {
        this.advisor = advisor;
        this.methods = methods;
        this.additions = new Additions(benchmarks);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void aTestMadeWithoutSignalIsEvaluatedAsOnTheServer(long seed) {
        Random random = new Random(seed);
        Land land = land(random);
        LocalDate today = LocalDate.now();
        for (int i = random.nextInt(4); i > 0; i--) {
            land.event(today.minusDays(random.nextInt(420)), pick(random, DONE), List.of());
        }
        LocalDate before = today.minusDays(200 + random.nextInt(200));
        String earlier = land.visit(before);
        for (int stop = 0; stop < land.stops.size(); stop++) {
            if (random.nextBoolean()) {
                Land.ok(land.record(earlier, stop, "texture-feel", texture(random), before));
            }
        }
        LocalDate day = today.minusDays(random.nextInt(190));
        String visit = begin(land, day, random);
        PlaceAndDay known =
                PlaceAndDay.of(Land.part(advisor.get("/api/visits/" + visit).json(), "place"));

        for (int i = 0; i < 10; i++) {
            int stop = random.nextInt(land.stops.size());
            String method = pick(random, List.of("texture-feel", "ground-cover", "sward", "smell"));
            Map<String, Object> offline = known.contextOf(land.stops.get(stop), additions);
            Answer answer = Land.ok(
                    land.record(visit, stop, method, readings(method, random), day, Map.of("takenAt", day + time(i))));
            Map<String, Object> recorded = answer.json();
            assertThat(recorded).extracting("context").isEqualTo(offline);
            known = known.with(found(method, land.stops.get(stop), recorded), null);
        }
        Map<String, Object> shown = advisor.get("/api/visits/" + visit).json();
        PlaceAndDay told = PlaceAndDay.of(Land.part(shown, "place"));
        for (String stop : land.stops) {
            Map<String, Object> context = Land.part(Land.part(shown, "contexts"), stop);
            assertThat(context).isEqualTo(told.contextOf(stop, additions)).isEqualTo(known.contextOf(stop, additions));
        }
    }

    private Land land(Random random) {
        Map<String, Object> more = new LinkedHashMap<>();
        more.put("landUse", pick(random, List.of("arable", "pasture", "vegetable")));
        more.put("purpose", "field");
        if (random.nextBoolean()) {
            more.put("textureClass", "loam");
        }
        if (random.nextBoolean()) {
            more.put("crop", "barley");
        }
        Land land = new Land(advisor, 3, more);
        if (random.nextBoolean()) {
            Land.ok(advisor.put(
                    "/api/stops/" + land.stops.get(0),
                    Map.of(
                            "fieldId",
                            land.field,
                            "label",
                            "Stop 1",
                            "position",
                            1,
                            "longitude",
                            3.4,
                            "latitude",
                            random.nextBoolean() ? -42.5 : 53.8,
                            "version",
                            1)));
        }
        return land;
    }

    private String begin(Land land, LocalDate day, Random random) {
        String visit = UUID.randomUUID().toString();
        Map<String, Object> body =
                new LinkedHashMap<>(Map.of("fieldId", land.field, "visitedOn", day.toString(), "version", 0));
        if (random.nextBoolean()) {
            body.put("soilMoisture", pick(random, List.of("dry", "moist", "wet")));
            body.put("daysSinceRain", random.nextInt(12));
        }
        if (random.nextBoolean()) {
            body.put("soilTempC", 4 + random.nextInt(15));
        }
        if (random.nextBoolean()) {
            body.put("carbonAdded", random.nextBoolean());
        }
        Land.ok(advisor.put("/api/visits/" + visit, body));
        return visit;
    }

    private static String time(int minute) {
        return "T10:%02d:00Z".formatted(minute);
    }

    private Map<String, Object> readings(String method, Random random) {
        int living = random.nextInt(101);
        return switch (method) {
            case "texture-feel" -> texture(random);
            case "ground-cover" -> Map.of("livingPct", living, "litterPct", 0, "stonePct", 0, "barePct", 100 - living);
            case "smell" -> Map.of("score", random.nextInt(3));
            default -> Map.of("greenPct", 70, "deadPct", 20, "cloverPct", random.nextInt(30), "speciesCount", 4);
        };
    }

    private static Map<String, Object> texture(Random random) {
        return Map.of(
                "key",
                "ribbon",
                "formsBall",
                true,
                "formsRibbon",
                true,
                "ribbonMm",
                10 + random.nextInt(60),
                "feel",
                pick(random, List.of("gritty", "neither", "smooth")));
    }

    private PlaceAndDay.ContextReading found(String method, String stop, Map<String, Object> recorded) {
        Map<String, Object> tree = Land.part(recorded, "evaluation");
        Envelope envelope = org.morphotera.core.WorkedCase.JSON.convertValue(tree, Envelope.class);
        return PlaceAndDay.ContextReading.of(
                methods.get(method),
                (String) recorded.get("id"),
                stop,
                Instant.parse((String) recorded.get("takenAt")),
                envelope);
    }

    private static <T> T pick(Random random, List<T> of) {
        return new ArrayList<>(of).get(random.nextInt(of.size()));
    }
}
