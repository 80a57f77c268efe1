package org.morphotera.placement;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.valid.IsValidOp;
import org.locationtech.jts.operation.valid.TopologyValidationError;
import org.morphotera.core.reading.Faults;

/** Reads GeoJSON (RFC 7946) from a plain tree and names what is wrong with it. */
final class GeoJson {

    static final GeometryFactory SHAPES = new GeometryFactory();

    private static final int FEWEST_OF_RING = 4;
    private static final double MOST_METRES = 1000;

    /** A feature with its properties. */
    record Feature(Geometry shape, Map<?, ?> properties) {}

    private final Faults faults;
    private final String at;
    private boolean sound = true;

    private GeoJson(Faults faults, String at) {
        this.faults = faults;
        this.at = at;
    }

    /** A polygon or several; {@code null} after adding a fault at {@code at}. */
    static Geometry area(Object tree, String at, Faults faults) {
        GeoJson reader = new GeoJson(faults, at);
        Object shape = tree instanceof Map<?, ?> map && "Feature".equals(map.get("type")) ? map.get("geometry") : tree;
        Geometry area = reader.shape(shape);
        if (area != null && area.getDimension() != 2) {
            reader.fault("NOT_AN_AREA");
            return null;
        }
        return reader.sound ? area : null;
    }

    /** The features of a collection; faults are at {@code at}. */
    static List<Feature> features(Object tree, String at, Faults faults) {
        List<Feature> found = new ArrayList<>();
        if (!(tree instanceof Map<?, ?> map)
                || !"FeatureCollection".equals(map.get("type"))
                || !(map.get("features") instanceof List<?> features)) {
            faults.add(at, "NOT_FEATURES");
            return found;
        }
        for (int i = 0; i < features.size(); i++) {
            GeoJson reader = new GeoJson(faults, at + ".features[" + i + "]");
            if (features.get(i) instanceof Map<?, ?> feature && "Feature".equals(feature.get("type"))) {
                Geometry shape = reader.shape(feature.get("geometry"));
                if (reader.sound && shape != null) {
                    found.add(new Feature(
                            shape, feature.get("properties") instanceof Map<?, ?> known ? known : Map.of()));
                }
            } else {
                reader.fault("NOT_GEOJSON");
            }
        }
        return found;
    }

    /** The features of a collection that must be areas. */
    static List<Feature> zones(Object tree, String at, Faults faults) {
        List<Feature> zones = features(tree, at, faults);
        for (int i = 0; i < zones.size(); i++) {
            if (zones.get(i).shape().getDimension() != 2) {
                faults.add(at + ".features[" + i + "]", "NOT_AN_AREA");
            }
        }
        return zones;
    }

    /** The features of a collection with, perhaps, metres to keep from each. */
    static List<Feature> avoided(Object tree, String at, Faults faults) {
        List<Feature> avoid = features(tree, at, faults);
        for (int i = 0; i < avoid.size(); i++) {
            Object metres = avoid.get(i).properties().get("metres");
            boolean sound = metres == null
                    || metres instanceof Number number
                            && number.doubleValue() >= 0
                            && number.doubleValue() <= MOST_METRES;
            if (!sound) {
                faults.add(at + ".features[" + i + "].properties.metres", "NOT_METRES");
            }
        }
        return avoid;
    }

    private void fault(String code) {
        if (sound) {
            faults.add(at, code);
        }
        sound = false;
    }

    private Geometry shape(Object tree) {
        if (!(tree instanceof Map<?, ?> map) || !(map.get("type") instanceof String type)) {
            fault("NOT_GEOJSON");
            return null;
        }
        Object coordinates = map.get("coordinates");
        Geometry shape = switch (type) {
            case "Polygon" -> polygon(coordinates);
            case "MultiPolygon" ->
                SHAPES.createMultiPolygon(
                        list(coordinates).stream().map(this::polygon).toArray(Polygon[]::new));
            case "Point" -> SHAPES.createPoint(point(coordinates));
            case "MultiPoint" -> SHAPES.createMultiPointFromCoords(points(coordinates));
            case "LineString" -> line(coordinates);
            case "MultiLineString" ->
                SHAPES.createGeometryCollection(
                        list(coordinates).stream().map(this::line).toArray(Geometry[]::new));
            default -> null;
        };
        if (shape == null) {
            fault("NOT_GEOJSON");
            return null;
        }
        if (sound && shape.getDimension() == 2) {
            TopologyValidationError error = new IsValidOp(shape).getValidationError();
            if (error != null || shape.getArea() == 0) {
                fault("CROSSES_ITSELF");
            }
        }
        return sound ? shape : null;
    }

    private List<?> list(Object tree) {
        if (tree instanceof List<?> list && !list.isEmpty()) {
            return list;
        }
        fault("NOT_GEOJSON");
        return List.of();
    }

    private Geometry line(Object tree) {
        Coordinate[] points = points(tree);
        if (points.length < 2) {
            fault("NOT_GEOJSON");
            return SHAPES.createLineString();
        }
        return SHAPES.createLineString(points);
    }

    private Polygon polygon(Object tree) {
        List<LinearRing> rings = new ArrayList<>();
        for (Object ring : list(tree)) {
            Coordinate[] points = points(ring);
            boolean closed = points.length >= FEWEST_OF_RING && points[0].equals2D(points[points.length - 1]);
            if (!closed) {
                fault("NOT_CLOSED");
            }
            rings.add(sound ? SHAPES.createLinearRing(points) : SHAPES.createLinearRing());
        }
        return rings.isEmpty() || !sound
                ? SHAPES.createPolygon()
                : SHAPES.createPolygon(
                        rings.get(0), rings.subList(1, rings.size()).toArray(LinearRing[]::new));
    }

    private Coordinate[] points(Object tree) {
        return list(tree).stream().map(this::point).toArray(Coordinate[]::new);
    }

    private Coordinate point(Object tree) {
        if (tree instanceof List<?> pair
                && pair.size() >= 2
                && pair.get(0) instanceof Number east
                && pair.get(1) instanceof Number north
                && Double.isFinite(east.doubleValue())
                && Double.isFinite(north.doubleValue())) {
            if (Math.abs(east.doubleValue()) > 180 || Math.abs(north.doubleValue()) > 90) {
                fault("OFF_THE_GLOBE");
            }
            return new Coordinate(east.doubleValue(), north.doubleValue());
        }
        fault("NOT_GEOJSON");
        return new Coordinate(0, 0);
    }
}
