package org.morphotera.core.limits;

import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.chemistry.PhWindow;
import org.morphotera.core.soil.LandUse;

/**
 * What the crop of the season stands: what holds one crop back costs another nothing.
 *
 * @param window pH in water
 * @param saltFrom ECe, dS/m, from which yield is lost
 * @param lostPerDsM yield lost, % per dS/m over it
 */
public record CropNeeds(PhWindow window, double saltFrom, double lostPerDsM) {

    /**
     * Of a crop; where the tables have none of its name, of its land use and of crops of middling tolerance.
     *
     * @param crop and {@code use}: {@code null} where it is not known
     */
    public static CropNeeds of(@Nullable String crop, @Nullable LandUse use, Benchmarks benchmarks) {
        Table crops = benchmarks.table("salinity.crops");
        boolean known = crop != null && crops.has(crop);
        Table table = known ? crops : benchmarks.table("salinity.usual");
        String row = known ? crop : "usual";
        return new CropNeeds(
                PhWindow.of(crop, use, benchmarks.table("ph.windows")),
                table.at(row, "threshold"),
                table.at(row, "slope"));
    }

    /** Yield lost to salt, 0 to 100 % (Maas and Hoffman, 1977). */
    public double saltLossPct(double ece) {
        return Math.max(0, Math.min(100, lostPerDsM * (ece - saltFrom)));
    }
}
