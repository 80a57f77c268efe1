package org.morphotera.core.score;

import org.morphotera.core.benchmark.Benchmarks;

/** How far what grows stands apart from the soil it grows in, by the points of both sheets. */
public final class SoilPlantGap {

    private SoilPlantGap() {}

    /**
     * Soil sheet less plant sheet, in per cent of the points that were possible; {@code null} when one of them is empty.
     *
     * @param face of the field, with the crop's vigour where it was seen
     */
    public static Double of(FieldFace face, Benchmarks benchmarks) {
        Double soil = PointsSheet.of(face, benchmarks.table("points.soil")).percent();
        Double plant = PointsSheet.of(face, benchmarks.table("points.plant")).percent();
        return soil == null || plant == null ? null : Double.valueOf(soil - plant);
    }
}
