package org.morphotera.core.score;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
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
    private static final int USUAL_STOPS = 8;

    /** What a finding is of. */
    public record Group(String indicator, DepthBand band) {}

    /** @param standings of all stops, in any order; the middle of a finding's stops stands for the field */
    public static FieldFace of(List<StopScore> standings) {
        return of(standings, Map.of());
    }

    /** @param field where the field itself stands, by finding; the middle of its stops where it is not said */
    public static FieldFace of(List<StopScore> standings, Map<Group, Double> field) {
        Map<Group, List<StopScore>> groups = new LinkedHashMap<>();
        Group last = null;
        List<StopScore> there = List.of();
        for (StopScore standing : standings) {
            DepthBand band = DepthBand.ofMiddle(standing.layer());
            // stops of one finding mostly follow each other
            if (last == null || band != last.band() || !standing.indicator().equals(last.indicator())) {
                last = new Group(standing.indicator(), band);
                there = groups.get(last);
                if (there == null) {
                    there = new ArrayList<>(USUAL_STOPS);
                    groups.put(last, there);
                }
            }
            there.add(standing);
        }
        List<Finding> findings = new ArrayList<>(groups.size());
        groups.forEach((group, stops) -> findings.add(finding(group, stops, field.get(group))));
        findings.sort(FieldFace::byDepth);
        Map<DepthBand, Finding> bands = new LinkedHashMap<>();
        for (Finding finding : findings) {
            for (DepthBand band : DepthBand.spannedBy(finding.layer())) {
                bands.merge(band, finding, (a, b) -> a.median() <= b.median() ? a : b);
            }
        }
        return new FieldFace(Collections.unmodifiableList(findings), bands);
    }

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

    /** The lowest finding of each indicator over its depths; what was not measured has none. */
    public Map<String, Finding> lowestByIndicator() {
        Map<String, Finding> lowest = new HashMap<>(2 * findings.size());
        for (Finding finding : findings) {
            lowest.merge(finding.indicator(), finding, (a, b) -> b.median() < a.median() ? b : a);
        }
        return lowest;
    }

    private static Finding finding(Group of, List<StopScore> stops, Double field) {
        double[] sorted = new double[stops.size()];
        for (int i = 0; i < sorted.length; i++) {
            sorted[i] = stops.get(i).standing();
        }
        Arrays.sort(sorted);
        return new Finding(
                of.indicator(),
                of.band(),
                hull(stops),
                field == null ? middle(sorted) : field,
                sorted[0],
                sorted[sorted.length - 1],
                Collections.unmodifiableList(stops),
                oddStops(stops, sorted));
    }

    private static double middle(double[] sorted) {
        int half = sorted.length / 2;
        return sorted.length % 2 == 1 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
    }

    private static DepthLayer hull(List<StopScore> group) {
        double top = Double.POSITIVE_INFINITY;
        double bottom = Double.NEGATIVE_INFINITY;
        DepthLayer last = null;
        for (StopScore each : group) {
            DepthLayer layer = each.layer();
            if (layer != null) {
                top = Math.min(top, layer.topMm());
                bottom = Math.max(bottom, layer.bottomMm());
                last = layer;
            }
        }
        if (last == null || last.topMm() == top && last.bottomMm() == bottom) {
            return last;
        }
        return new DepthLayer(top, bottom);
    }

    private static List<String> oddStops(List<StopScore> stops, double[] sorted) {
        if (sorted.length <= OTHERS_NEEDED) {
            return List.of();
        }
        // no stop is further from any median than the two ends are from each other
        if (sorted[sorted.length - 1] - sorted[0] <= ODD_BEYOND) {
            return List.of();
        }
        List<String> odd = new ArrayList<>(USUAL_STOPS);
        for (StopScore candidate : stops) {
            if (Math.abs(candidate.standing() - middleWithout(sorted, candidate.standing())) > ODD_BEYOND) {
                odd.add(candidate.stop());
            }
        }
        return odd;
    }

    /** The median of all values but one of them. */
    private static double middleWithout(double[] sorted, double value) {
        int half = (sorted.length - 1) / 2;
        // on which side of the middle it is taken out is all that matters; among equal ones it does not
        int without = half + Double.compare(value, sorted[half]);
        double upper = sorted[half < without ? half : half + 1];
        if (sorted.length % 2 == 0) {
            return upper;
        }
        return (sorted[half - 1 < without ? half - 1 : half] + upper) / 2;
    }
}
