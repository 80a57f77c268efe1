package org.morphotera.server.exchange;

import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.locationtech.jts.algorithm.Orientation;
import org.locationtech.jts.geom.Coordinate;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Grower;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.indicators.IndicatorReader;
import org.morphotera.server.indicators.IndicatorRow;
import org.springframework.stereotype.Component;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.json.JsonMapper;

/** Fields, zones and stops with their newest figures as one collection of GeoJSON (RFC 7946). */
@Component
class GeoExport {

    private final Records records;
    private final FieldReader fields;
    private final IndicatorReader indicators;
    private final JsonMapper json;

    GeoExport(Records records, FieldReader fields, IndicatorReader indicators, JsonMapper json) {
        this.records = records;
        this.fields = fields;
        this.indicators = indicators;
        this.json = json;
    }

    void write(UUID practice, @Nullable UUID only, OutputStream out) throws IOException {
        Map<UUID, String> growers =
                fields.growers(practice).stream().collect(Collectors.toMap(Grower::id, Grower::name));
        try (JsonGenerator to = json.createGenerator(out)) {
            to.writeStartObject();
            to.writeStringProperty("type", "FeatureCollection");
            to.writeArrayPropertyStart("features");
            for (Field field : records.fields(practice, only)) {
                to.writePOJO(field(field, growers.get(field.growerId())));
                zones(field).forEach(to::writePOJO);
                for (Stop stop : fields.stops(practice, field.id())) {
                    to.writePOJO(stop(practice, field, stop));
                }
            }
            to.writeEndArray();
            to.writeEndObject();
        }
    }

    private Map<String, Object> field(Field field, @Nullable String grower) {
        Map<String, Object> properties = new LinkedHashMap<>();
        properties.put("kind", "field");
        properties.put("id", field.id());
        properties.put("name", field.name());
        properties.put("grower", grower);
        properties.put("landUse", field.landUse());
        put(properties, "crop", field.crop());
        put(properties, "areaHa", field.areaHa());
        put(properties, "textureClass", field.textureClass());
        return feature(
                field.boundary() == null ? null : geometry(json.readValue(field.boundary(), Map.class)), properties);
    }

    private List<Map<String, Object>> zones(Field field) {
        List<Map<String, Object>> zones = new ArrayList<>();
        if (field.zones() != null
                && json.readValue(field.zones(), Map.class).get("features") instanceof List<?> features) {
            for (Object each : features) {
                Map<?, ?> zone = (Map<?, ?>) each;
                Map<String, Object> properties = new LinkedHashMap<>();
                properties.put("kind", "zone");
                properties.put("field", field.name());
                properties.put("fieldId", field.id());
                Object id = zone.get("id") != null
                        ? zone.get("id")
                        : zone.get("properties") instanceof Map<?, ?> own ? own.get("id") : null;
                put(properties, "zone", id);
                zones.add(feature(geometry((Map<?, ?>) zone.get("geometry")), properties));
            }
        }
        return zones;
    }

    private Map<String, Object> stop(UUID practice, Field field, Stop stop) {
        Map<String, Object> properties = new LinkedHashMap<>();
        properties.put("kind", "stop");
        properties.put("id", stop.id());
        properties.put("field", field.name());
        properties.put("fieldId", field.id());
        properties.put("name", stop.label());
        properties.put("role", stop.role());
        put(properties, "retiredOn", stop.retiredOn());
        Map<String, Object> figures = new LinkedHashMap<>();
        for (IndicatorRow row : indicators.latestOfStop(practice, stop.id())) {
            String name = row.indicator() + " " + row.band() + " " + row.source();
            Map<String, Object> figure = new LinkedHashMap<>();
            put(figure, "value", row.figure());
            put(figure, "unit", row.figure() == null ? null : row.unit());
            put(figure, "standing", row.standing());
            put(figure, "code", row.code());
            figure.put("takenAt", row.takenAt());
            figures.put(name, figure);
        }
        properties.put("figures", figures);
        return feature(place(stop), properties);
    }

    private static @Nullable Map<String, Object> place(Stop stop) {
        if (stop.longitude() == null) {
            return null;
        }
        List<Double> from = List.of(stop.longitude(), stop.latitude());
        return stop.endLongitude() == null
                ? Map.of("type", "Point", "coordinates", from)
                : Map.of(
                        "type",
                        "LineString",
                        "coordinates",
                        List.of(from, List.of(stop.endLongitude(), stop.endLatitude())));
    }

    private static void put(Map<String, Object> into, String name, @Nullable Object value) {
        if (value != null) {
            into.put(name, value);
        }
    }

    private static Map<String, Object> feature(@Nullable Object geometry, Map<String, Object> properties) {
        Map<String, Object> feature = new LinkedHashMap<>();
        feature.put("type", "Feature");
        feature.put("geometry", geometry == null ? json() : geometry);
        feature.put("properties", properties);
        return feature;
    }

    /** What is written as null: a feature without a place has a geometry all the same (RFC 7946, 3.2). */
    private static Object json() {
        return tools.jackson.databind.node.NullNode.getInstance();
    }

    /** A shape without what is not GeoJSON's, its rings turning as the standard asks: outer ones against the clock. */
    private static @Nullable Object geometry(@Nullable Map<?, ?> shape) {
        if (shape == null) {
            return null;
        }
        if ("Feature".equals(shape.get("type"))) {
            return geometry((Map<?, ?>) shape.get("geometry"));
        }
        Object coordinates = shape.get("coordinates");
        return switch (String.valueOf(shape.get("type"))) {
            case "Polygon" -> Map.of("type", "Polygon", "coordinates", rings((List<?>) coordinates));
            case "MultiPolygon" ->
                Map.of(
                        "type",
                        "MultiPolygon",
                        "coordinates",
                        ((List<?>) coordinates)
                                .stream().map(each -> rings((List<?>) each)).toList());
            default -> shape;
        };
    }

    private static List<Object> rings(List<?> rings) {
        List<Object> turned = new ArrayList<>();
        for (int i = 0; i < rings.size(); i++) {
            List<?> ring = (List<?>) rings.get(i);
            Coordinate[] corners = ring.stream()
                    .map(point -> (List<?>) point)
                    .map(point -> new Coordinate(
                            ((Number) point.get(0)).doubleValue(), ((Number) point.get(1)).doubleValue()))
                    .toArray(Coordinate[]::new);
            boolean outer = i == 0;
            if (corners.length >= 4 && Orientation.isCCW(corners) != outer) {
                List<Object> other = new ArrayList<>(ring);
                Collections.reverse(other);
                turned.add(other);
            } else {
                turned.add(ring);
            }
        }
        return turned;
    }
}
