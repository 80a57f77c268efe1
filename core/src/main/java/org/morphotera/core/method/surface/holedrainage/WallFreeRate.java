package org.morphotera.core.method.surface.holedrainage;

import java.util.List;
import java.util.function.ToDoubleFunction;
import org.morphotera.core.method.surface.holedrainage.FallingLevel.Fall;

/**
 * A rate that does not depend on the auger: its mean over some falls of the level, weighted by their time, with the
 * slowest and the fastest of them.
 *
 * @param mmPerHour the mean
 * @param low the slowest, or {@code null} where there is one fall only
 * @param high the fastest, or {@code null} where there is one fall only
 */
record WallFreeRate(double mmPerHour, Double low, Double high) {

    /** Permeability of the soil, mm/h. */
    static WallFreeRate permeability(List<Fall> falls, double radiusMm) {
        return of(falls, fall -> fall.permeability(radiusMm));
    }

    /** Fall of the level in a hole 300 mm wide, mm/h. */
    static WallFreeRate reference(List<Fall> falls, double radiusMm) {
        return of(falls, fall -> fall.referenceRate(radiusMm));
    }

    private static WallFreeRate of(List<Fall> falls, ToDoubleFunction<Fall> rate) {
        double sum = 0;
        double minutes = 0;
        double low = Double.POSITIVE_INFINITY;
        double high = 0;
        for (Fall fall : falls) {
            double each = rate.applyAsDouble(fall);
            sum += each * fall.minutes();
            minutes += fall.minutes();
            low = Math.min(low, each);
            high = Math.max(high, each);
        }
        return falls.size() == 1
                ? new WallFreeRate(sum / minutes, null, null)
                : new WallFreeRate(sum / minutes, low, high);
    }
}
