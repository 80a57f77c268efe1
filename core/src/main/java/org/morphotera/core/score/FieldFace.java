package org.morphotera.core.score;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.soil.DepthLayer;

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
        Map<Group, List<StopStanding>> groups = new LinkedHashMap<>();
        for (StopStanding standing : standings) {
            Group group = new Group(standing.indicator(), DepthBand.ofMiddle(standing.layer()));
            List<StopStanding> there = groups.get(group);
            if (there == null) {
                there = new ArrayList<>();
                groups.put(group, there);
            }
            there.add(standing);
        }
        List<Finding> findings = new ArrayList<>(groups.size());
        groups.forEach((group, stops) -> findings.add(finding(group, stops)));
        findings.sort(FieldFace::byDepth);
        Map<DepthBand, Finding> bands = new LinkedHashMap<>();
        for (Finding finding : findings) {
            for (DepthBand band : DepthBand.spannedBy(finding.layer())) {
                bands.merge(band, finding, (a, b) -> a.median() <= b.median() ? a : b);
            }
        }
        return new FieldFace(List.copyOf(findings), bands);
    }

    /** What a finding is made of. */
    private record Group(String indicator, DepthBand band) {}

    private static int byDepth(Finding a, Finding b) {
        int order = a.band().compareTo(b.band());
        if (order == 0) {
            order = Double.compare(topMm(a), topMm(b));
        }
        if (order == 0) {
            order = Double.compare(a.median(), b.median());
        }
        return order == 0 ? a.indicator().compareTo(b.indicator()) : order;
    }

    private static double topMm(Finding finding) {
        return finding.layer() == null ? 0 : finding.layer().topMm();
    }

    /** The finding that holds the field back most; {@code null} when nothing was measured. */
    public Finding lowest() {
        return findings.stream().min(Comparator.comparing(Finding::median)).orElse(null);
    }

    /** The lowest finding of an indicator over its depths; {@code null} when it was not measured. */
    public Finding lowestOf(String indicator) {
        Finding lowest = null;
        for (Finding finding : findings) {
            if (finding.indicator().equals(indicator) && (lowest == null || finding.median() < lowest.median())) {
                lowest = finding;
            }
        }
        return lowest;
    }

    private static Finding finding(Group of, List<StopStanding> stops) {
        double[] sorted = new double[stops.size()];
        for (int i = 0; i < sorted.length; i++) {
            sorted[i] = stops.get(i).standing();
        }
        Arrays.sort(sorted);
        return new Finding(
                of.indicator(),
                of.band(),
                hull(stops),
                middle(sorted),
                sorted[0],
                sorted[sorted.length - 1],
                List.copyOf(stops),
                oddStops(stops, sorted));
    }

    private static double middle(double[] sorted) {
        int half = sorted.length / 2;
        return sorted.length % 2 == 1 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
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

    private static List<String> oddStops(List<StopStanding> stops, double[] sorted) {
        if (sorted.length <= OTHERS_NEEDED) {
            return List.of();
        }
        List<String> odd = new ArrayList<>();
        double[] others = new double[sorted.length - 1];
        for (StopStanding candidate : stops) {
            int at = Arrays.binarySearch(sorted, candidate.standing());
            System.arraycopy(sorted, 0, others, 0, at);
            System.arraycopy(sorted, at + 1, others, at, others.length - at);
            if (Math.abs(candidate.standing() - middle(others)) > ODD_BEYOND) {
                odd.add(candidate.stop());
            }
        }
        return odd;
    }
}
