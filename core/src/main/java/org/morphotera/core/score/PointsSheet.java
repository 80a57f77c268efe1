package org.morphotera.core.score;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.statistics.Sample;

/**
 * The points school: each indicator's score of 2 times its weight, as a share of the points that were possible from
 * what was measured. An indicator read at several depths of the topsoil counts by its lowest; what was read in the subsoil
 * counts only where the topsoil was not read.
 *
 * @param lines one for each indicator of the sheet, in its order
 * @param percent of the field: medians over the stops; {@code null} when nothing was measured
 * @param byStop share of each stop, %
 */
public record PointsSheet(List<Line> lines, Double percent, Map<String, Double> byStop) {

    /** The line that takes the three readings of sap together. */
    private static final String SAP = "sap";

    /** At so many an indicator is read at most, as a rule. */
    private static final int DEPTHS = 2;

    /**
     * One indicator.
     *
     * @param points median over the stops, of 2; {@code null} where it was not measured
     * @param byStop score of 2 by stop
     */
    public record Line(String indicator, double weight, Double points, Map<String, Double> byStop) {}

    /** @param weights a table with the column {@code weight} */
    public static PointsSheet of(FieldFace face, Table weights) {
        Map<String, List<Finding>> found = new HashMap<>(2 * face.findings().size());
        for (Finding finding : face.findings()) {
            // a dish of subsoil never takes the points of the topsoil
            if (DepthLayer.isSubsoil(finding.layer()) && readAbove(face, finding)) {
                continue;
            }
            found.computeIfAbsent(finding.indicator(), key -> new ArrayList<>(DEPTHS))
                    .add(finding);
            if (finding.indicator().startsWith(SAP + "-")) {
                found.computeIfAbsent(SAP, key -> new ArrayList<>(DEPTHS)).add(finding);
            }
        }
        List<Line> lines = new ArrayList<>(weights.rows().size());
        Map<String, double[]> gainedAndPossible = new LinkedHashMap<>();
        double gained = 0;
        double possible = 0;
        int place = weights.place("weight");
        for (Map.Entry<String, List<Double>> row : weights.rows().entrySet()) {
            String indicator = row.getKey();
            double weight = row.getValue().get(place);
            Map<String, Double> byStop = new LinkedHashMap<>();
            for (Finding finding : found.getOrDefault(indicator, List.of())) {
                for (StopScore stop : finding.stops()) {
                    byStop.merge(stop.stop(), stop.pointsOfTwo(), Math::min);
                }
            }
            for (Map.Entry<String, Double> each : byStop.entrySet()) {
                double[] sums = gainedAndPossible.get(each.getKey());
                if (sums == null) {
                    sums = new double[2];
                    gainedAndPossible.put(each.getKey(), sums);
                }
                sums[0] += weight * each.getValue();
                sums[1] += weight * 2;
            }
            Double median = byStop.isEmpty()
                    ? null
                    : Double.valueOf(Sample.of(byStop.values()).median());
            if (median != null) {
                gained += weight * median;
                possible += weight * 2;
            }
            lines.add(new Line(indicator, weight, median, byStop));
        }
        Map<String, Double> shares = new LinkedHashMap<>();
        gainedAndPossible.forEach((stop, sums) -> shares.put(stop, 100 * sums[0] / sums[1]));
        return new PointsSheet(lines, possible == 0 ? null : Double.valueOf(100 * gained / possible), shares);
    }

    private static boolean readAbove(FieldFace face, Finding below) {
        return face.findings().stream()
                .anyMatch(each -> each.indicator().equals(below.indicator()) && !DepthLayer.isSubsoil(each.layer()));
    }

    /** What a gap between soil and plant asks; {@code null} where one is missing or the gap is small. */
    public static String question(PointsSheet soil, PointsSheet plant, Table gap) {
        if (soil.percent() == null || plant.percent() == null) {
            return null;
        }
        double difference = soil.percent() - plant.percent();
        double asks = gap.at("question", "percent");
        return difference >= asks ? "soil-over-plant" : difference <= -asks ? "plant-over-soil" : null;
    }
}
