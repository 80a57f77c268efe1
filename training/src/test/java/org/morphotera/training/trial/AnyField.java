package org.morphotera.training.trial;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.morphotera.core.CoreData;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.LandUse;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.simulate.SimulatedSoil;

/**
 * A field of any use, crop, size and history on a made-up soil, as it is sent to be judged: with its stops, some of them
 * patches, one or two visits with any of the tests, and what was done to it before, between and after them.
 */
final class AnyField {

    static final LocalDate ON = LocalDate.of(2026, 12, 2);

    private static final List<String> DONE = List.of(
            "lime",
            "gypsum",
            "drain",
            "leach",
            "loosen",
            "compost",
            "cover-crop",
            "fertilise",
            "surface-outlets",
            "keep-covered",
            "sulfur",
            "plough",
            "irrigate");

    private static final List<String> PATCHES = List.of("poor", "good", "control");

    private final Random random;
    private final MethodRegistry methods;
    private final Scatter scatter;
    private final SimulatedSoil soil;

    private AnyField(Random random, MethodRegistry methods) {
        this.random = random;
        this.methods = methods;
        this.scatter = new Scatter(random);
        this.soil = SimulatedSoil.draw(random);
    }

    /** The body of a request. */
    static Map<String, Object> draw(Random random, MethodRegistry methods) {
        return new AnyField(random, methods).body();
    }

    private boolean chance(double p) {
        return random.nextDouble() < p;
    }

    private <T> T oneOf(List<T> all) {
        return all.get(random.nextInt(all.size()));
    }

    private Map<String, Object> body() {
        List<Map<String, Object>> stops = stops();
        List<Spot> spots = new ArrayList<>();
        Quirky field = Quirky.draw(soil, random);
        boolean patchy = chance(0.3);
        stops.forEach(stop -> spots.add(Spot.draw(field, patchy && chance(0.4) ? 0.8 : 0, false, random)));
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("on", ON.toString());
        body.put("field", field());
        body.put("stops", stops);
        List<Map<String, Object>> visits = new ArrayList<>();
        int count = 1 + random.nextInt(2);
        for (int i = 0; i < count; i++) {
            visits.add(visit("v" + i, stops, spots));
        }
        body.put("visits", visits);
        body.put("events", events(stops));
        return body;
    }

    private Map<String, Object> field() {
        Map<String, Object> field = new LinkedHashMap<>();
        field.put(
                "landUse",
                chance(0.5)
                        ? soil.landUse().code()
                        : oneOf(List.of(LandUse.values())).code());
        List<String> crops = Stream.of("ph.windows", "salinity.crops")
                .flatMap(table -> CoreData.BENCHMARKS.table(table).rows().keySet().stream())
                .toList();
        if (chance(0.8)) {
            field.put("crop", oneOf(crops));
        }
        if (chance(0.6)) {
            field.put("textureClass", soil.texture().code());
        }
        if (chance(0.9)) {
            field.put("areaHa", Math.rint(1e4 * Math.pow(10, -3 + 5.3 * random.nextDouble())) / 1e4);
        }
        return field;
    }

    private List<Map<String, Object>> stops() {
        List<Map<String, Object>> stops = new ArrayList<>();
        int count = 1 + random.nextInt(5);
        for (int i = 0; i < count; i++) {
            Map<String, Object> stop = new LinkedHashMap<>();
            stop.put("id", "s" + i);
            if (chance(0.2)) {
                stop.put("role", oneOf(PATCHES));
                if (chance(0.5)) {
                    stop.put("areaPct", 5.0 + random.nextInt(30));
                }
            }
            stops.add(stop);
        }
        return stops;
    }

    private Map<String, Object> visit(String id, List<Map<String, Object>> stops, List<Spot> spots) {
        Day day = Day.draw(random);
        Reader reader = new Reader(day, random);
        List<Map<String, Object>> tests = new ArrayList<>();
        double share = 0.25 + 0.75 * random.nextDouble();
        for (String name : TestSets.FULL) {
            FieldMethod<?> method = methods.get(name);
            if (!chance(share)) {
                continue;
            }
            boolean composite = name.equals("lab-result");
            for (int i = 0; i < (composite ? 1 : stops.size()); i++) {
                for (DepthLayer layer : method.layers().isEmpty() ? List.of(new DepthLayer(0, 150)) : method.layers()) {
                    Map<String, Object> test = new LinkedHashMap<>();
                    test.put("stopId", stops.get(i).get("id"));
                    test.put("method", name);
                    test.put("depthTopMm", layer.topMm());
                    test.put("depthBottomMm", layer.bottomMm());
                    test.put("readings", reader.any(method, spots.get(i), layer, scatter));
                    tests.add(test);
                }
            }
        }
        Map<String, Object> visit = new LinkedHashMap<>();
        visit.put("id", id);
        visit.put("visitedOn", ON.minusDays(10 + random.nextInt(1000)).toString());
        visit.put("soilMoisture", day.moisture().code());
        visit.put("daysSinceRain", day.daysSinceRain());
        visit.put("measurements", tests);
        return visit;
    }

    private List<Map<String, Object>> events(List<Map<String, Object>> stops) {
        List<Map<String, Object>> events = new ArrayList<>();
        int count = random.nextInt(4);
        for (int i = 0; i < count; i++) {
            String kind = oneOf(DONE);
            Map<String, Object> event = new LinkedHashMap<>();
            event.put("happenedOn", ON.minusDays(random.nextInt(1200)).toString());
            event.put("kind", kind);
            event.put("what", kind.replace('-', ' ') + ", the whole of it");
            if (chance(0.2)) {
                event.put("stopIds", List.of(oneOf(stops).get("id")));
            }
            events.add(event);
        }
        return events;
    }
}
