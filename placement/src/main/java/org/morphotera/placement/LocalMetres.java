package org.morphotera.placement;

import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.CoordinateFilter;
import org.locationtech.jts.geom.Geometry;

/**
 * Metres east and north of a point: longitude and latitude scaled by the lengths of a degree there on the WGS 84
 * ellipsoid. Over a farm it is true to centimetres.
 */
record LocalMetres(double longitude, double latitude) {

    double metresPerDegreeEast() {
        double phi = Math.toRadians(latitude);
        return Math.max(1e-3, 111_412.84 * Math.cos(phi) - 93.5 * Math.cos(3 * phi) + 0.118 * Math.cos(5 * phi));
    }

    double metresPerDegreeNorth() {
        double phi = Math.toRadians(latitude);
        return 111_132.954 - 559.822 * Math.cos(2 * phi) + 1.175 * Math.cos(4 * phi);
    }

    Coordinate toMetres(double east, double north) {
        return new Coordinate((east - longitude) * metresPerDegreeEast(), (north - latitude) * metresPerDegreeNorth());
    }

    double longitudeOf(Coordinate point) {
        return longitude + point.x / metresPerDegreeEast();
    }

    double latitudeOf(Coordinate point) {
        return latitude + point.y / metresPerDegreeNorth();
    }

    /** The same shape in metres. */
    Geometry toMetres(Geometry degrees) {
        Geometry metres = degrees.copy();
        metres.apply((CoordinateFilter) point -> {
            Coordinate moved = toMetres(point.x, point.y);
            point.x = moved.x;
            point.y = moved.y;
        });
        metres.geometryChanged();
        return metres;
    }
}
