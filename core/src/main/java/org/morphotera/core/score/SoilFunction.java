package org.morphotera.core.score;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.result.Level;
import org.morphotera.core.soil.Coded;

/** The five functions of a soil, each a weighted mean of indicators; weights in the tables {@code function.…}. */
public enum SoilFunction implements Coded {
    WATER,
    FRAME,
    LIFE,
    ROOTING,
    CHEMISTRY;

    private static final Level[] LEVELS = Level.values();

    private final String table = "function." + code();

    /** One indicator of a function; {@code finding} is {@code null} where it was not measured. */
    public record Part(String indicator, double weight, Finding finding) {}

    /**
     * How a function stands.
     *
     * @param mean weighted mean of the medians, 0..1; {@code null} when less than the needed share was measured
     * @param low the same of the lowest stops, {@code high} of the highest
     * @param measuredShare share of the weight that was measured, 0..1
     * @param level at most one step above the level of the lowest indicator of some weight: a mean must not hide a pan
     */
    public record Score(
            SoilFunction function,
            Double mean,
            Double low,
            Double high,
            double measuredShare,
            Level level,
            boolean capped,
            List<Part> parts) {

        public boolean enoughSeen() {
            return mean != null;
        }
    }

    /**
     * The whole field.
     *
     * @param level of the lowest function; {@code null} when none was seen enough
     * @param mean of the functions by measured weight, or {@code null}
     */
    public record Overall(List<Score> functions, Level level, Double mean) {}

    /** All five functions and what they come to. An indicator read at several depths counts by its lowest. */
    public static Overall overall(FieldFace face, Benchmarks benchmarks) {
        List<Score> scores = new ArrayList<>();
        Level lowest = null;
        double sum = 0;
        double weights = 0;
        Map<String, Finding> found = face.lowestByIndicator();
        for (SoilFunction function : values()) {
            Score score = function.score(found, benchmarks);
            scores.add(score);
            if (score.enoughSeen()) {
                double measured = score.measuredShare() * totalWeight(score.parts());
                lowest = lowest == null || score.level().compareTo(lowest) < 0 ? score.level() : lowest;
                sum += measured * score.mean();
                weights += measured;
            }
        }
        return new Overall(List.copyOf(scores), lowest, weights == 0 ? null : Double.valueOf(sum / weights));
    }

    private static double totalWeight(List<Part> parts) {
        double total = 0;
        for (Part part : parts) {
            total += part.weight();
        }
        return total;
    }

    /** How this function stands on a face. */
    public Score score(FieldFace face, Benchmarks benchmarks) {
        return score(face.lowestByIndicator(), benchmarks);
    }

    private Score score(Map<String, Finding> found, Benchmarks benchmarks) {
        Table weights = benchmarks.table(table);
        Table rules = benchmarks.table("function.rules");
        List<Part> parts = new ArrayList<>(weights.rows().size());
        double measured = 0;
        double mean = 0;
        double low = 0;
        double high = 0;
        Level cap = Level.ROBUST;
        double capping = rules.at("capping-weight", "value");
        int place = weights.place("weight");
        for (Map.Entry<String, List<Double>> row : weights.rows().entrySet()) {
            String indicator = row.getKey();
            double weight = row.getValue().get(place);
            Finding finding = found.get(indicator);
            parts.add(new Part(indicator, weight, finding));
            if (finding != null) {
                measured += weight;
                mean += weight * finding.median();
                low += weight * finding.lowest();
                high += weight * finding.highest();
                if (weight >= capping) {
                    Level oneAbove = LEVELS[
                            Math.min(Level.ROBUST.ordinal(), finding.level().ordinal() + 1)];
                    cap = oneAbove.compareTo(cap) < 0 ? oneAbove : cap;
                }
            }
        }
        double share = measured / totalWeight(parts);
        if (measured == 0 || share < rules.at("enough-share", "value")) {
            return new Score(this, null, null, null, share, null, false, parts);
        }
        Level own = Level.of(mean / measured);
        boolean capped = cap.compareTo(own) < 0;
        return new Score(
                this, mean / measured, low / measured, high / measured, share, capped ? cap : own, capped, parts);
    }
}
