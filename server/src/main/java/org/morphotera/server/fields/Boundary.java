package org.morphotera.server.fields;

import org.morphotera.server.web.RefusedException;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The outline of a field: a GeoJSON polygon (RFC 7946) in longitude and latitude. */
final class Boundary {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int FEWEST_POINTS = 4;

    private Boundary() {}

    /**
     * @param geoJson a polygon as text, or {@code null}
     * @return the same text
     * @throws RefusedException when it is no closed polygon on the globe
     */
    static String checked(String geoJson) {
        if (geoJson == null) {
            return null;
        }
        try {
            JsonNode polygon = JSON.readTree(geoJson);
            JsonNode ring = polygon.path("coordinates").path(0);
            boolean closed = ring.size() >= FEWEST_POINTS && ring.path(0).equals(ring.path(ring.size() - 1));
            boolean onGlobe = true;
            for (JsonNode point : ring) {
                onGlobe &= point.path(0).isNumber()
                        && point.path(1).isNumber()
                        && Math.abs(point.path(0).asDouble()) <= 180
                        && Math.abs(point.path(1).asDouble()) <= 90;
            }
            if (polygon.path("type").asString("").equals("Polygon") && closed && onGlobe) {
                return geoJson;
            }
        } catch (JacksonException e) {
            // answered below, like any other outline that can't be drawn
        }
        throw RefusedException.of(
                "boundary",
                "NOT_A_POLYGON",
                "Give a GeoJSON polygon in longitude and latitude that ends where it begins.");
    }
}
