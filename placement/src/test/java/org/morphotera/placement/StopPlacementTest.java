package org.morphotera.placement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.result.Evaluation;

class StopPlacementTest {

    private static final double LATITUDE = 53.2;
    private static final double LONGITUDE = 0.4;
    /** Metres of a degree there (WGS 84), for shapes drawn in metres. */
    private static final double EAST_M = 66_830;

    private static final double NORTH_M = 111_290;

    private static List<Double> degrees(double east, double north) {
        return List.of(LONGITUDE + east / EAST_M, LATITUDE + north / NORTH_M);
    }

    private static List<List<Double>> box(double west, double south, double east, double north) {
        return List.of(
                degrees(west, south),
                degrees(east, south),
                degrees(east, north),
                degrees(west, north),
                degrees(west, south));
    }

    private static Map<String, Object> polygon(List<?>... rings) {
        return Map.of("type", "Polygon", "coordinates", List.of(rings));
    }

    private static Map<String, Object> feature(Map<String, Object> properties, Map<String, Object> shape) {
        return Map.of("type", "Feature", "properties", properties, "geometry", shape);
    }

    private static Map<String, Object> collection(Object... features) {
        return Map.of("type", "FeatureCollection", "features", List.of(features));
    }

    private static Outcome answer(Map<String, Object> inputs) {
        return AllCalculators.of(Methods.all())
                .evaluate("stop-placement", Map.of("inputs", inputs), CoreData.BENCHMARKS);
    }

    private static Evaluation place(Map<String, Object> inputs) {
        Outcome outcome = answer(inputs);
        if (outcome instanceof Outcome.Evaluated done) {
            return done.evaluation();
        }
        throw new AssertionError(((Outcome.Refused) outcome).faults());
    }

    private static List<double[]> metres(Evaluation placed) {
        return placed.series().get("stops").stream()
                .map(stop -> new double[] {
                    ((Double) stop.get("longitude") - LONGITUDE) * EAST_M,
                    ((Double) stop.get("latitude") - LATITUDE) * NORTH_M
                })
                .toList();
    }

    @Test
    void aSquareOfFourHasAStopInEachQuarter() {
        Evaluation placed = place(Map.of("boundary", polygon(box(0, 0, 400, 400)), "count", 4, "marginM", 0.0));
        List<double[]> stops = metres(placed);
        for (int quarter = 0; quarter < 4; quarter++) {
            double east = 100 + quarter % 2 * 200;
            double north = 100 + quarter / 2 * 200;
            assertThat(stops)
                    .anySatisfy(stop -> assertThat(Math.hypot(stop[0] - east, stop[1] - north))
                            .isLessThan(15));
        }
        // three sides of the square of their centres
        assertThat(placed.values().get("walkM").value()).isCloseTo(600, within(30.0));
        assertThat(placed.values().get("innerHa").value()).isCloseTo(16, within(0.05));
        assertThat(placed.values().get("spacingMinM").value()).isCloseTo(200, within(20.0));
    }

    @ParameterizedTest
    @ValueSource(strings = {"centre", "random"})
    void stopsKeepTheirDistanceFromEdgeHoleTreeAndDitch(String way) {
        Map<String, Object> inputs = new LinkedHashMap<>();
        // an L with a pond in it, a tree and a ditch
        inputs.put(
                "boundary",
                polygon(
                        List.of(
                                degrees(0, 0),
                                degrees(500, 0),
                                degrees(500, 200),
                                degrees(200, 200),
                                degrees(200, 500),
                                degrees(0, 500),
                                degrees(0, 0)),
                        box(60, 60, 120, 120)));
        inputs.put("count", 20);
        inputs.put("marginM", 12.0);
        inputs.put("way", way);
        inputs.put(
                "avoid",
                collection(
                        feature(Map.of("metres", 30.0), Map.of("type", "Point", "coordinates", degrees(350, 100))),
                        feature(
                                Map.of(),
                                Map.of(
                                        "type",
                                        "LineString",
                                        "coordinates",
                                        List.of(degrees(0, 350), degrees(200, 350))))));
        Evaluation placed = place(inputs);
        List<double[]> stops = metres(placed);
        assertThat(stops).hasSize(20).allSatisfy(stop -> {
            double x = stop[0];
            double y = stop[1];
            boolean inL = x >= 12 - 0.1 && y >= 12 - 0.1 && (x <= 488.1 && y <= 188.1 || x <= 188.1 && y <= 488.1);
            assertThat(inL).as(x + ", " + y).isTrue();
            double pond = Math.hypot(Math.max(Math.max(60 - x, x - 120), 0), Math.max(Math.max(60 - y, y - 120), 0));
            assertThat(pond).isGreaterThan(11.9);
            assertThat(Math.hypot(x - 350, y - 100)).isGreaterThan(29.9);
            assertThat(x > 200 || Math.abs(y - 350) > 14.9).isTrue();
        });
        assertThat(placed.series().get("stops"))
                .allSatisfy(stop -> assertThat((Double) stop.get("edgeM")).isGreaterThanOrEqualTo(12));
        assertThat(placed.values().get("spacingMinM").value()).isGreaterThan(way.equals("centre") ? 45 : 1);
        assertThat(place(inputs).series()).isEqualTo(placed.series());
        inputs.put("seed", 2);
        if (way.equals("random")) {
            assertThat(place(inputs).series()).isNotEqualTo(placed.series());
        }
    }

    @Test
    void zonesShareTheStopsByArea() {
        Evaluation placed = place(Map.of(
                "boundary",
                polygon(box(0, 0, 1000, 300)),
                "count",
                10,
                "marginM",
                0.0,
                "zones",
                collection(
                        feature(Map.of("id", "heavy"), polygon(box(0, 0, 200, 300))),
                        feature(Map.of("id", "light"), polygon(box(200, 0, 740, 300))))));
        Map<Object, Integer> counts = new HashMap<>();
        placed.series().get("stops").forEach(stop -> counts.merge(stop.getOrDefault("zone", "none"), 1, Integer::sum));
        // 2, 5.4 and 2.6 of ten
        assertThat(counts).isEqualTo(Map.of("heavy", 2, "light", 5, "none", 3));
        List<double[]> at = metres(placed);
        for (int i = 0; i < at.size(); i++) {
            double east = at.get(i)[0];
            String zone = east < 200 ? "heavy" : east < 740 ? "light" : "none";
            assertThat(placed.series().get("stops").get(i).getOrDefault("zone", "none"))
                    .isEqualTo(zone);
        }
    }

    @Test
    void keptStopsStayToTheDigitAndOthersKeepOffThem() {
        Evaluation first = place(Map.of("boundary", polygon(box(0, 0, 600, 200)), "count", 3));
        List<Map<String, Object>> keep = new ArrayList<>();
        first.series()
                .get("stops")
                .forEach(stop -> keep.add(Map.of(
                        "id",
                        "old " + stop.get("order"),
                        "longitude",
                        stop.get("longitude"),
                        "latitude",
                        stop.get("latitude"))));
        Evaluation again = place(Map.of("boundary", polygon(box(0, 0, 600, 200)), "count", 6, "keep", keep));
        List<Map<String, Object>> stops = again.series().get("stops");
        for (Map<String, Object> old : keep) {
            assertThat(stops)
                    .anySatisfy(
                            stop -> assertThat(stop).containsAllEntriesOf(old).containsEntry("kept", true));
        }
        assertThat(stops).filteredOn(stop -> stop.get("kept").equals(false)).hasSize(3);
        assertThat(again.values().get("spacingMinM").value()).isGreaterThan(60);
    }

    /** Against all orders of a few stops, and against a known shortest way of many. */
    @Test
    void theWalkIsTheShortest() {
        Random random = new Random(2);
        for (int i = 0; i < 30; i++) {
            List<Coordinate> stops = new ArrayList<>();
            for (int s = 0; s < 2 + i % 6; s++) {
                stops.add(new Coordinate(random.nextInt(300), random.nextInt(300)));
            }
            Coordinate start = i % 2 == 0 ? null : new Coordinate(0, 0);
            assertThat(Walk.through(stops, start).metres())
                    .isCloseTo(shortest(stops, new ArrayList<>(), start), within(1e-9));
        }
        List<Coordinate> ring = new ArrayList<>();
        for (int s = 0; s < 40; s++) {
            double angle = 2 * Math.PI * (s * 17 % 40) / 40;
            ring.add(new Coordinate(100 * Math.cos(angle), 100 * Math.sin(angle)));
        }
        assertThat(Walk.through(ring, null).metres()).isCloseTo(39 * 200 * Math.sin(Math.PI / 40), within(1e-6));
    }

    private static double shortest(List<Coordinate> left, List<Coordinate> walked, Coordinate start) {
        if (left.isEmpty()) {
            double metres = start == null ? 0 : start.distance(walked.get(0));
            for (int i = 1; i < walked.size(); i++) {
                metres += walked.get(i).distance(walked.get(i - 1));
            }
            return metres;
        }
        double least = Double.POSITIVE_INFINITY;
        for (Coordinate next : left) {
            List<Coordinate> others = new ArrayList<>(left);
            others.remove(next);
            List<Coordinate> further = new ArrayList<>(walked);
            further.add(next);
            least = Math.min(least, shortest(others, further, start));
        }
        return least;
    }

    @ParameterizedTest
    @CsvSource({
        "boundary, NOT_GEOJSON, word",
        "boundary, NOT_CLOSED, open",
        "boundary, CROSSES_ITSELF, bow",
        "boundary, OFF_THE_GLOBE, far",
        "boundary, TOO_SMALL, small",
        "boundary, NOT_AN_AREA, line",
        "avoid, NOTHING_LEFT, drowned",
        "avoid, NOT_FEATURES, bare",
        "zones.features[0], NOT_AN_AREA, point",
        "keep, MORE_KEPT_THAN_WANTED, many"
    })
    void whatIsWrongIsNamed(String field, String code, String spoilt) {
        Map<String, Object> tree =
                feature(Map.of("metres", 900), Map.of("type", "Point", "coordinates", degrees(0, 0)));
        Map<String, Object> inputs = new LinkedHashMap<>();
        inputs.put("boundary", polygon(box(0, 0, 200, 200)));
        inputs.put("count", 2);
        switch (spoilt) {
            case "word" -> inputs.put("boundary", Map.of("type", "Circle"));
            case "open" -> inputs.put("boundary", polygon(box(0, 0, 200, 200).subList(0, 4)));
            case "bow" ->
                inputs.put(
                        "boundary",
                        polygon(List.of(
                                degrees(0, 0), degrees(200, 200), degrees(200, 0), degrees(0, 200), degrees(0, 0))));
            case "far" ->
                inputs.put(
                        "boundary", polygon(List.of(List.of(1, 99), List.of(2, 99), List.of(2, 98), List.of(1, 99))));
            case "small" -> inputs.put("boundary", polygon(box(0, 0, 200, 20)));
            case "line" ->
                inputs.put(
                        "boundary", Map.of("type", "LineString", "coordinates", List.of(degrees(0, 0), degrees(9, 9))));
            case "drowned" -> inputs.put("avoid", collection(tree));
            case "bare" -> inputs.put("avoid", polygon(box(0, 0, 20, 20)));
            case "point" -> inputs.put("zones", collection(tree));
            default -> {
                Map<String, Object> stop = Map.of("id", "a", "longitude", LONGITUDE, "latitude", LATITUDE);
                inputs.put("keep", List.of(stop, stop, stop));
            }
        }
        assertThat(((Outcome.Refused) answer(inputs)).faults())
                .extracting(Fault::field, Fault::code)
                .contains(org.assertj.core.groups.Tuple.tuple(field, code));
    }

    @Test
    void theLargestMarginThatIsNamedLeavesRoom() {
        Map<String, Object> inputs = new LinkedHashMap<>();
        inputs.put("boundary", polygon(box(0, 0, 200, 26)));
        inputs.put("count", 1);
        inputs.put("marginM", 14.0);
        Fault fault = ((Outcome.Refused) answer(inputs)).faults().get(0);
        double largest = (Double) fault.args().get("largest");
        assertThat(largest).isCloseTo(13, within(0.6));
        inputs.put("marginM", largest);
        assertThat(answer(inputs)).isInstanceOf(Outcome.Evaluated.class);
    }
}
