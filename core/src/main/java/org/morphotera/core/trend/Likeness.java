package org.morphotera.core.trend;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.DepthLayer;

/** Whether two visits may be held against each other for one method: like for like, or which conditions differ. */
public final class Likeness {

    /** Conditions that may differ; the codes are the columns of the tables {@code alike.<method>}. */
    public enum Condition implements Coded {
        SEASON,
        MOISTURE,
        RAIN,
        TEMPERATURE,
        DEPTH,
        WATER,
        PERSON
    }

    /**
     * What is known of one visit's reading; all but the day may be {@code null}.
     *
     * @param dayOfYear 1..366
     * @param water used for the test
     */
    public record Circumstances(
            int dayOfYear,
            String moisture,
            Integer daysSinceRain,
            Double soilTempC,
            DepthLayer layer,
            String water,
            String person) {}

    /** A condition that differs, and whether it matters to the method. */
    public record Mismatch(Condition condition, boolean matters) {}

    /** Two that matter are too many. */
    public static final int TOO_MANY = 2;

    private static final String MATTERS = "matters";
    private static final int DAYS_A_YEAR = 365;

    private Likeness() {}

    /** Every condition that is known on both sides and differs. */
    public static List<Mismatch> mismatches(
            FieldMethod<?> method, Circumstances one, Circumstances other, Benchmarks benchmarks) {
        Table matters = benchmarks.table("alike." + method.card().id());
        Table limits = benchmarks.table("likeness.limits");
        List<Mismatch> found = new ArrayList<>();
        int days = Math.abs(one.dayOfYear() - other.dayOfYear());
        if (Math.min(days, DAYS_A_YEAR - days) > limits.at("season-days", "most")) {
            add(found, Condition.SEASON, matters);
        }
        if (differ(one.moisture(), other.moisture())) {
            add(found, Condition.MOISTURE, matters);
        }
        if (apart(one.daysSinceRain(), other.daysSinceRain(), limits.at("rain-days", "most"))) {
            add(found, Condition.RAIN, matters);
        }
        if (apart(one.soilTempC(), other.soilTempC(), limits.at("temperature-k", "most"))) {
            add(found, Condition.TEMPERATURE, matters);
        }
        if (one.layer() != null && other.layer() != null && shifted(one.layer(), other.layer(), limits)) {
            add(found, Condition.DEPTH, matters);
        }
        if (differ(one.water(), other.water())) {
            add(found, Condition.WATER, matters);
        }
        if (differ(one.person(), other.person())) {
            add(found, Condition.PERSON, matters);
        }
        return found;
    }

    /** Whether so many conditions that matter differ that no verdict may be given. */
    public static boolean comparable(List<Mismatch> mismatches) {
        return mismatches.stream().filter(Mismatch::matters).count() < TOO_MANY;
    }

    private static boolean shifted(DepthLayer one, DepthLayer other, Table limits) {
        double most = limits.at("depth-mm", "most");
        return Math.abs(one.topMm() - other.topMm()) > most || Math.abs(one.bottomMm() - other.bottomMm()) > most;
    }

    private static boolean differ(String one, String other) {
        return one != null && other != null && !Objects.equals(one, other);
    }

    private static boolean apart(Number one, Number other, double most) {
        return one != null && other != null && Math.abs(one.doubleValue() - other.doubleValue()) > most;
    }

    private static void add(List<Mismatch> found, Condition condition, Table matters) {
        found.add(new Mismatch(condition, matters.at(MATTERS, condition.code()) > 0));
    }
}
