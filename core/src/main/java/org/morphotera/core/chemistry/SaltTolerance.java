package org.morphotera.core.chemistry;

import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Level;
import org.morphotera.core.soil.Unit;

/** What salt costs crops: nothing up to a threshold, then a share per dS/m (Maas and Hoffman, 1977). */
public final class SaltTolerance {

    private SaltTolerance() {}

    /**
     * Yield to expect.
     *
     * @param ece conductivity of the saturated extract, dS/m
     * @param crop that the table has
     * @return 0..100 % of that without salt
     */
    public static double yieldPct(double ece, String crop, Table crops) {
        return Math.max(0, 100 - crops.at(crop, "slope") * Math.max(0, ece - crops.at(crop, "threshold")));
    }

    /**
     * Adds the rating of salt, in words of the field's crop where the table has it, and that crop's yield.
     *
     * @param ece conductivity of the saturated extract, dS/m, in its interval
     * @param crop of the field, or {@code null}
     */
    public static void rate(
            double ece, Double low, Double high, String crop, Benchmarks benchmarks, Evaluation.Builder out) {
        Table crops = benchmarks.table("salinity.crops");
        if (crop == null || !crops.has(crop)) {
            out.curve("salinity", benchmarks.curve("salinity"), ece, low, high);
            return;
        }
        double yield = yieldPct(ece, crop, crops);
        double standing = benchmarks.curve("salinity").at(ece);
        Map<String, Object> args =
                Map.of("figure", ece, "crop", crop, "yield", Math.rint(yield), "indicator", "salinity");
        out.value("cropYieldPct", yield, Unit.PERCENT)
                .working("cropYieldPct", Map.of("ece", ece, "crop", crop), yield, Unit.PERCENT, crops.source())
                .standing(
                        "salinity",
                        standing,
                        low == null
                                ? null
                                : Double.valueOf(benchmarks.curve("salinity").lowestBetween(low, high)),
                        high == null
                                ? null
                                : Double.valueOf(benchmarks.curve("salinity").highestBetween(low, high)),
                        yield >= 100
                                ? "crop-spared"
                                : "crop-" + Level.of(yield / 100).code(),
                        args)
                .working(
                        "curve",
                        args,
                        standing,
                        Unit.NONE,
                        benchmarks.curve("salinity").source());
    }
}
