package org.morphotera.core.soil;

/**
 * A slice of the ground by depth below the surface, in mm. Top and bottom may be equal: a reading at one depth.
 *
 * @param topMm 0..5000
 * @param bottomMm topMm..5000
 */
public record DepthLayer(double topMm, double bottomMm) {

    public static final double DEEPEST_MM = 5000;

    /** Where topsoil ends and subsoil begins, mm. */
    public static final double TOPSOIL_ENDS_MM = 200;

    private static final DepthLayer TOPSOIL = new DepthLayer(0, TOPSOIL_ENDS_MM);

    /** @throws IllegalArgumentException when the layer is upside down or outside 0..5000 mm */
    public DepthLayer {
        if (!(topMm >= 0 && bottomMm >= topMm && bottomMm <= DEEPEST_MM)) {
            throw new IllegalArgumentException("a layer needs 0 <= top <= bottom <= 5000 mm");
        }
    }

    /**
     * Whether a layer is subsoil: less than half of it lies above the boundary. What has no layer is topsoil.
     *
     * @param layer or {@code null}
     */
    public static boolean isSubsoil(DepthLayer layer) {
        if (layer == null) {
            return false;
        }
        return layer.thicknessMm() == 0
                ? layer.topMm >= TOPSOIL_ENDS_MM
                : layer.overlapMm(TOPSOIL) < layer.thicknessMm() / 2;
    }

    /** How thick it is, mm; 0 for a reading at one depth. */
    public double thicknessMm() {
        return bottomMm - topMm;
    }

    /** How many mm of this layer lie inside another. */
    public double overlapMm(DepthLayer other) {
        return Math.max(0, Math.min(bottomMm, other.bottomMm) - Math.max(topMm, other.topMm));
    }
}
