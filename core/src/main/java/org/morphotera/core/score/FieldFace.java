package org.morphotera.core.score;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.statistics.Sample;

/**
 * A field by depth: its findings from the sky down, and the lowest of them in each band. Robust to one odd stop by
 * the median (Tukey, 1977); the odd stop is named, never dropped.
 *
 * @param findings by depth, then by standing from low to high
 * @param bands the lowest finding of each measured band
 */
public record FieldFace(List<Finding> findings, Map<DepthBand, Finding> bands) {

    private static final double ODD_BEYOND = 0.35;
    private static final int OTHERS_NEEDED = 4;

    /** @param standings of all stops, in any order */
    public static FieldFace of(List<StopStanding> standings) {
        Map<String, List<StopStanding>> groups = new LinkedHashMap<>();
        for (StopStanding standing : standings) {
            String key = standing.indicator() + "@" + DepthBand.ofMiddle(standing.layer());
            groups.computeIfAbsent(key, each -> new ArrayList<>()).add(standing);
        }
        List<Finding> findings = new ArrayList<>();
        groups.values().forEach(group -> findings.add(finding(group)));
        findings.sort(Comparator.comparing(Finding::band)
                .thenComparing(finding ->
                        finding.layer() == null ? 0.0 : finding.layer().topMm())
                .thenComparing(Finding::median)
                .thenComparing(Finding::indicator));
        Map<DepthBand, Finding> bands = new LinkedHashMap<>();
        for (Finding finding : findings) {
            for (DepthBand band : DepthBand.spannedBy(finding.layer())) {
                bands.merge(band, finding, (a, b) -> a.median() <= b.median() ? a : b);
            }
        }
        return new FieldFace(List.copyOf(findings), bands);
    }

    /** The finding that holds the field back most; {@code null} when nothing was measured. */
    public Finding lowest() {
        return findings.stream().min(Comparator.comparing(Finding::median)).orElse(null);
    }

    /** The lowest finding of an indicator over its depths; {@code null} when it was not measured. */
    public Finding lowestOf(String indicator) {
        return findings.stream()
                .filter(finding -> finding.indicator().equals(indicator))
                .min(Comparator.comparing(Finding::median))
                .orElse(null);
    }

    private static Finding finding(List<StopStanding> group) {
        StopStanding first = group.get(0);
        List<Double> sorted =
                group.stream().map(StopStanding::standing).sorted().toList();
        return new Finding(
                first.indicator(),
                DepthBand.ofMiddle(first.layer()),
                hull(group),
                Sample.of(sorted).median(),
                sorted.get(0),
                sorted.get(sorted.size() - 1),
                List.copyOf(group),
                oddStops(group));
    }

    private static DepthLayer hull(List<StopStanding> group) {
        DepthLayer hull = null;
        for (StopStanding each : group) {
            DepthLayer layer = each.layer();
            if (layer != null) {
                hull = hull == null
                        ? layer
                        : new DepthLayer(
                                Math.min(hull.topMm(), layer.topMm()), Math.max(hull.bottomMm(), layer.bottomMm()));
            }
        }
        return hull;
    }

    private static List<String> oddStops(List<StopStanding> group) {
        List<String> odd = new ArrayList<>();
        for (StopStanding candidate : group) {
            List<Double> others = group.stream()
                    .filter(each -> each != candidate)
                    .map(StopStanding::standing)
                    .toList();
            if (others.size() >= OTHERS_NEEDED
                    && Math.abs(candidate.standing() - Sample.of(others).median()) > ODD_BEYOND) {
                odd.add(candidate.stop());
            }
        }
        return odd;
    }
}
