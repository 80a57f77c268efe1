package org.morphotera.core.plan.calculator;

import org.morphotera.core.reading.Range;

/** The soil of a layer that an amendment is mixed into, and the limits that its inputs share. */
final class Layer {

    static final Range BULK_DENSITY = Range.between(0.1, 2.65);
    static final Range DEPTH_MM = Range.above(0, 5000);
    static final Range AREA_HA = Range.above(0, 1_000_000);
    static final Range PRICE = Range.between(0, 1_000_000);
    static final double USUAL_DENSITY = 1.3;

    private Layer() {}

    /** Mass of a layer, kg/ha, from depth in mm and bulk density in t/m³. */
    static double massKgHa(double depthMm, double bulkDensity) {
        return depthMm / 1000 * bulkDensity * 1000 * 10_000;
    }
}
