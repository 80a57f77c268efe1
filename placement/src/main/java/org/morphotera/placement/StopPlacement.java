package org.morphotera.placement;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.locationtech.jts.algorithm.construct.MaximumInscribedCircle;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Point;
import org.locationtech.jts.operation.overlayng.OverlayNG;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import org.locationtech.jts.operation.union.UnaryUnionOp;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;

/**
 * Spreads stops over a field: away from its edge and from what is to be avoided, shared among zones by area, each in a
 * compact part of its own (Walvoort, Brus and de Gruijter, 2010), walked on the shortest way.
 */
public final class StopPlacement implements Calculator<StopPlacement.Inputs> {

    /** Where in its part a stop stands. */
    enum Way implements Coded {
        CENTRE,
        RANDOM
    }

    record Kept(String id, Double longitude, Double latitude) {}

    record Start(Double longitude, Double latitude) {}

    record Inputs(
            Map<String, Object> boundary,
            Integer count,
            Map<String, Object> zones,
            Map<String, Object> avoid,
            Double marginM,
            Integer seed,
            Way way,
            List<Kept> keep,
            Start start) {

        List<Kept> kept() {
            return keep == null ? List.of() : keep;
        }
    }

    private static final int MOST_STOPS = 60;
    private static final double USUAL_MARGIN = 15;
    /** Stops keep this much more than the margin: what rounding of their degrees may take. */
    private static final double SLACK_M = 0.05;

    private static final double LEAST_GROUND_M2 = 1;
    private static final Range EAST = Range.between(-180, 180);
    private static final Range NORTH = Range.between(-90, 90);

    /** Ground of one zone; {@code id} is {@code null} for what lies outside all. */
    private record Zone(String id, Geometry ground) {}

    private record Stop(String id, Coordinate at, String zone) {}

    /** The shapes of a field in metres. */
    private record Site(LocalMetres metres, Geometry outline, Geometry inner, List<Zone> zones) {}

    @Override
    public String id() {
        return "stop-placement";
    }

    @Override
    public Inputs read(Fields fields) {
        Map<String, Object> boundary = fields.geoJson("boundary", Need.REQUIRED);
        Integer count = fields.count("count", Range.between(1, MOST_STOPS), Need.REQUIRED);
        Map<String, Object> zones = fields.geoJson("zones", Need.OPTIONAL);
        Map<String, Object> avoid = fields.geoJson("avoid", Need.OPTIONAL);
        Double margin = fields.numberOr("marginM", Unit.METRE, Range.between(0, 1000), USUAL_MARGIN);
        Integer seed = fields.count("seed", Range.between(0, 1_000_000_000), Need.OPTIONAL);
        fields.preset("seed", 1);
        return new Inputs(
                boundary,
                count,
                zones,
                avoid,
                margin,
                seed,
                fields.wordOr("way", List.of(Way.values()), Way.CENTRE),
                fields.list(
                        "keep",
                        Range.between(0, MOST_STOPS),
                        Need.OPTIONAL,
                        stop -> new Kept(
                                stop.text("id", 100, Need.REQUIRED),
                                stop.number("longitude", Unit.DEGREE, EAST, Need.REQUIRED),
                                stop.number("latitude", Unit.DEGREE, NORTH, Need.REQUIRED))),
                fields.group(
                        "start",
                        Need.OPTIONAL,
                        start -> new Start(
                                start.number("longitude", Unit.DEGREE, EAST, Need.REQUIRED),
                                start.number("latitude", Unit.DEGREE, NORTH, Need.REQUIRED))));
    }

    @Override
    public void check(Inputs in, Faults faults) {
        if (in.kept().size() > in.count()) {
            faults.add("keep", "MORE_KEPT_THAN_WANTED", Map.of("kept", in.kept().size(), "count", in.count()));
        }
        site(in, faults);
    }

    /** {@code null} after adding what is wrong. */
    private static Site site(Inputs in, Faults faults) {
        Geometry degrees = GeoJson.area(in.boundary(), "boundary", faults);
        List<GeoJson.Feature> zones = in.zones() == null ? List.of() : GeoJson.zones(in.zones(), "zones", faults);
        List<GeoJson.Feature> avoid = in.avoid() == null ? List.of() : GeoJson.avoided(in.avoid(), "avoid", faults);
        if (degrees == null || !faults.isEmpty()) {
            return null;
        }
        Point middle = degrees.getCentroid();
        LocalMetres metres = new LocalMetres(middle.getX(), middle.getY());
        Geometry outline = metres.toMetres(degrees);
        Geometry inner = inner(outline, avoid, metres, in.marginM() + SLACK_M);
        if (inner.getArea() < LEAST_GROUND_M2) {
            Geometry without = inner(outline, List.of(), metres, in.marginM() + SLACK_M);
            if (without.getArea() >= LEAST_GROUND_M2) {
                faults.add("avoid", "NOTHING_LEFT");
            } else {
                faults.add("boundary", "TOO_SMALL", Map.of("margin", in.marginM(), "largest", largest(outline)));
            }
            return null;
        }
        return new Site(metres, outline, inner, zones(inner, zones, metres));
    }

    private static Geometry inner(Geometry outline, List<GeoJson.Feature> avoid, LocalMetres metres, double margin) {
        Geometry inner = margin > 0 ? outline.buffer(-margin) : outline;
        List<Geometry> kept = new ArrayList<>();
        for (GeoJson.Feature feature : avoid) {
            double distance =
                    feature.properties().get("metres") instanceof Number number ? number.doubleValue() : USUAL_MARGIN;
            Geometry shape = metres.toMetres(feature.shape());
            kept.add(shape.buffer(distance + SLACK_M));
        }
        return kept.isEmpty() ? inner : without(inner, UnaryUnionOp.union(kept));
    }

    private static Geometry without(Geometry ground, Geometry taken) {
        return OverlayNGRobust.overlay(ground, taken, OverlayNG.DIFFERENCE);
    }

    /** The largest margin that leaves room for a stop, in whole decimetres. */
    private static double largest(Geometry outline) {
        double tolerance = Math.max(0.02, Math.sqrt(outline.getArea()) / 500);
        double radius =
                new MaximumInscribedCircle(outline, tolerance).getRadiusLine().getLength();
        return Math.max(0, Math.floor((radius - 2 * SLACK_M) * 10) / 10);
    }

    private static List<Zone> zones(Geometry inner, List<GeoJson.Feature> zones, LocalMetres metres) {
        List<Zone> found = new ArrayList<>();
        Geometry rest = inner;
        for (int i = 0; i < zones.size(); i++) {
            Geometry shape = metres.toMetres(zones.get(i).shape());
            Geometry own = OverlayNGRobust.overlay(rest, shape, OverlayNG.INTERSECTION);
            Object id = zones.get(i).properties().get("id");
            if (own.getArea() > 0) {
                found.add(new Zone(id == null ? "zone-" + (i + 1) : String.valueOf(id), areaOnly(own)));
                rest = without(rest, shape);
            }
        }
        if (rest.getArea() > 0) {
            found.add(new Zone(null, areaOnly(rest)));
        }
        return found;
    }

    /** Without the lines and points in which shapes only touch. */
    private static Geometry areaOnly(Geometry shape) {
        return shape.getDimension() == 2 && shape.getNumGeometries() > 0 ? shape.buffer(0) : shape;
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        Site site = site(in, new Faults());
        List<Stop> stops = new ArrayList<>();
        List<List<Coordinate>> keptBy = new ArrayList<>();
        site.zones().forEach(zone -> keptBy.add(new ArrayList<>()));
        int outside = 0;
        for (Kept kept : in.kept()) {
            Coordinate at = site.metres().toMetres(kept.longitude(), kept.latitude());
            Point point = GeoJson.SHAPES.createPoint(at);
            int zone = nearest(site.zones(), point);
            keptBy.get(zone).add(at);
            stops.add(new Stop(kept.id(), at, site.zones().get(zone).id()));
            outside += site.outline().covers(point) ? 0 : 1;
        }
        int[] counts = counts(site.zones(), keptBy, in.count());
        for (int i = 0; i < counts.length; i++) {
            Zone zone = site.zones().get(i);
            int wanted = counts[i] - keptBy.get(i).size();
            if (wanted > 0) {
                SplittableRandom random = new SplittableRandom((in.seed() == null ? 1 : in.seed()) * 1000L + i);
                Strata strata = new Strata(zone.ground(), counts[i], random);
                for (Coordinate at : strata.stops(keptBy.get(i), wanted, in.way() == Way.RANDOM)) {
                    stops.add(new Stop(null, at, zone.id()));
                }
            }
        }
        return answer(in, site, stops, outside);
    }

    private static int nearest(List<Zone> zones, Point point) {
        int nearest = 0;
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < zones.size(); i++) {
            double far = zones.get(i).ground().distance(point);
            if (far < least) {
                least = far;
                nearest = i;
            }
        }
        return nearest;
    }

    /** Stops of each zone by area with the largest remainders; never fewer than are kept there. */
    private static int[] counts(List<Zone> zones, List<List<Coordinate>> kept, int count) {
        int[] counts = new int[zones.size()];
        boolean[] fixed = new boolean[zones.size()];
        while (true) {
            double area = 0;
            int left = count;
            for (int i = 0; i < counts.length; i++) {
                area += fixed[i] ? 0 : zones.get(i).ground().getArea();
                left -= fixed[i] ? counts[i] : 0;
            }
            List<Integer> byRemainder = new ArrayList<>();
            int given = 0;
            double[] remainder = new double[counts.length];
            for (int i = 0; i < counts.length; i++) {
                if (!fixed[i]) {
                    double exact = left * zones.get(i).ground().getArea() / area;
                    counts[i] = (int) Math.floor(exact + 1e-9);
                    remainder[i] = exact - counts[i];
                    given += counts[i];
                    byRemainder.add(i);
                }
            }
            byRemainder.sort(
                    Comparator.<Integer>comparingDouble(i -> -remainder[i]).thenComparingInt(i -> i));
            for (int i = 0; i < left - given; i++) {
                counts[byRemainder.get(i)]++;
            }
            boolean sound = true;
            for (int i = 0; i < counts.length; i++) {
                if (!fixed[i] && counts[i] < kept.get(i).size()) {
                    counts[i] = kept.get(i).size();
                    fixed[i] = true;
                    sound = false;
                }
            }
            if (sound) {
                return counts;
            }
        }
    }

    private Evaluation answer(Inputs in, Site site, List<Stop> stops, int outside) {
        Coordinate start = in.start() == null
                ? null
                : site.metres().toMetres(in.start().longitude(), in.start().latitude());
        Walk walk = Walk.through(stops.stream().map(Stop::at).toList(), start);
        Geometry edge = site.outline().getBoundary();
        List<Map<String, Object>> rows = new ArrayList<>();
        for (int i : walk.order()) {
            Stop stop = stops.get(i);
            Kept kept = i < in.kept().size() ? in.kept().get(i) : null;
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("order", (double) rows.size() + 1);
            if (stop.id() != null) {
                row.put("id", stop.id());
            }
            row.put("longitude", kept != null ? kept.longitude() : site.metres().longitudeOf(stop.at()));
            row.put("latitude", kept != null ? kept.latitude() : site.metres().latitudeOf(stop.at()));
            if (stop.zone() != null) {
                row.put("zone", stop.zone());
            }
            row.put("edgeM", edge.distance(GeoJson.SHAPES.createPoint(stop.at())));
            row.put("kept", kept != null);
            rows.add(row);
        }
        double innerHa = site.inner().getArea() / 10_000;
        Evaluation.Builder out =
                Evaluation.of(id()).value("walkM", walk.metres(), Unit.METRE).value("innerHa", innerHa, Unit.HECTARE);
        if (stops.size() > 1) {
            out.value("spacingMinM", spacing(stops), Unit.METRE);
        }
        if (outside > 0) {
            out.note("KEPT_OUTSIDE", Severity.CAUTION, Map.of("count", outside));
        }
        return out.working(
                        "innerHa",
                        Map.of("margin", in.marginM(), "whole", site.outline().getArea() / 10_000),
                        innerHa,
                        Unit.HECTARE,
                        "Walvoort, Brus and de Gruijter, 2010")
                .series("stops", rows)
                .build();
    }

    private static double spacing(List<Stop> stops) {
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < stops.size(); i++) {
            for (int j = 0; j < i; j++) {
                least = Math.min(least, stops.get(i).at().distance(stops.get(j).at()));
            }
        }
        return least;
    }
}
