package org.morphotera.placement;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Point;
import org.morphotera.core.reading.Fault;
import org.morphotera.core.reading.Faults;

/** The shapes that are kept with a field, looked at on their own. */
public final class FieldShapes {

    private FieldShapes() {}

    /**
     * What is wrong with shapes as plain trees of GeoJSON; faults begin with {@code boundary}, {@code zones} or
     * {@code avoid}.
     *
     * @param boundary a polygon or several, or {@code null}
     * @param zones a collection of areas, or {@code null}
     * @param avoid a collection of any shapes, or {@code null}
     */
    public static List<Fault> faults(@Nullable Object boundary, @Nullable Object zones, @Nullable Object avoid) {
        Faults faults = new Faults();
        if (boundary != null) {
            GeoJson.area(boundary, "boundary", faults);
        }
        if (zones != null) {
            GeoJson.zones(zones, "zones", faults);
        }
        if (avoid != null) {
            GeoJson.avoided(avoid, "avoid", faults);
        }
        return faults.found();
    }

    /** Longitude and latitude of the middle of an outline that is sound; {@code null} of one that is not. */
    public static double @Nullable [] middle(Object boundary) {
        Geometry area = GeoJson.area(boundary, "", new Faults());
        if (area == null) {
            return null;
        }
        Point middle = area.getCentroid();
        return new double[] {middle.getX(), middle.getY()};
    }
}
