package org.morphotera.core.limits;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.soil.Source;
import org.morphotera.core.soil.SourceOrder;
import org.morphotera.core.statistics.Sample;

/**
 * From what the tests of one place show to its findings in the states of the evidence tables. Of one
 * property the best source speaks alone: a laboratory before a meter before a kit. Where readings that are known to
 * mislead stand beside sound ones, the sound ones speak alone.
 */
public final class Sightings {

    /** Not a finding itself: half of the contrast between the surface and 200 mm. */
    public static final String AT_200 = "infiltration-at-200";

    static final String INFILTRATION = "infiltration";
    static final String CONTRAST = "infiltration-contrast";
    static final String WORMS = "worms";
    static final String WORM_COUNT = "worm-count";
    static final String UNDERCOUNT = "UNDERCOUNT_LIKELY";
    static final int STOPS_FOR_NONE = 4;

    private final CropNeeds crop;
    private final EvidenceTables tables;

    private Sightings(CropNeeds crop, EvidenceTables tables) {
        this.crop = crop;
        this.tables = tables;
    }

    /** A sighting sorted into its state. */
    private record Sorted(Sighting seen, String state, double weight) {}

    /**
     * Findings of a place: the middle of figures, the commonest state (of two as common, the one that is not "none").
     *
     * @param seen there, the newest of each by each source
     * @param crop what the field's crop stands
     */
    public static Map<String, Found> findings(List<Sighting> seen, CropNeeds crop, EvidenceTables tables) {
        return new Sightings(crop, tables).findings(seen);
    }

    private Map<String, Found> findings(List<Sighting> seen) {
        List<Sorted> counting = new ArrayList<>();
        for (Sighting each : seen) {
            String state = state(each);
            double weight = tables.validity(each.finding(), each.marks(), state);
            if (weight > 0) {
                counting.add(new Sorted(each, state, weight));
            }
        }
        Map<String, List<Sorted>> byFinding =
                SourceOrder.best(counting, this::property, each -> each.seen().source()).stream()
                        .collect(Collectors.groupingBy(
                                each -> each.seen().finding(), LinkedHashMap::new, Collectors.toList()));
        Map<String, Found> findings = new LinkedHashMap<>();
        contrast(byFinding, findings);
        byFinding.forEach((finding, all) -> {
            if (tables.kind(finding) != null) {
                findings.put(finding, found(tables.kind(finding), trusted(all)));
            }
        });
        for (FindingKind kind : tables.kinds()) {
            Found from = kind.of().equals(kind.id()) ? null : findings.get(kind.of());
            if (from != null && from.figure() != null) {
                findings.put(
                        kind.id(),
                        new Found(
                                kind.stateOf(from.figure(), crop),
                                from.weight(),
                                from.less(),
                                from.source(),
                                from.figure()));
            }
        }
        noWormsAtAll(byFinding, findings);
        hide(findings, tables);
        return findings;
    }

    private String state(Sighting seen) {
        FindingKind kind = tables.kind(seen.finding());
        return seen.figure() == null || kind == null ? seen.state() : stateOf(kind, seen.figure());
    }

    private String stateOf(FindingKind kind, double figure) {
        return kind.stateOf(figure, crop);
    }

    private String property(Sorted each) {
        FindingKind kind = tables.kind(each.seen().finding());
        return kind == null ? each.seen().finding() : kind.property();
    }

    private static List<Sorted> trusted(List<Sorted> all) {
        List<Sorted> valid =
                all.stream().filter(each -> each.weight() > Found.INVALID_UP_TO).toList();
        return valid.isEmpty() ? all : valid;
    }

    private Found found(FindingKind kind, List<Sorted> all) {
        Double figure = middle(all);
        String state = figure == null ? commonest(all) : stateOf(kind, figure);
        return new Found(
                state, weight(all), less(kind.id(), all), all.get(0).seen().source(), figure);
    }

    private static double weight(List<Sorted> all) {
        return all.stream().mapToDouble(Sorted::weight).average().orElse(1);
    }

    private List<String> less(String finding, List<Sorted> all) {
        Set<String> less = new LinkedHashSet<>();
        all.forEach(each -> less.addAll(tables.countsLessBy(finding, each.seen().marks(), each.state())));
        return List.copyOf(less);
    }

    /** What goes in at 200 mm over what goes in at the surface; as trustworthy as the worse of the two. */
    private void contrast(Map<String, List<Sorted>> byFinding, Map<String, Found> findings) {
        List<Sorted> surface = trusted(byFinding.getOrDefault(INFILTRATION, List.of()));
        List<Sorted> below = trusted(byFinding.getOrDefault(AT_200, List.of()));
        Double above = middle(surface);
        if (above == null || below.isEmpty() || above <= 0) {
            return;
        }
        Set<String> less = new LinkedHashSet<>(less(INFILTRATION, surface));
        less.addAll(less(AT_200, below));
        double ratio = middle(below) / above;
        findings.put(
                CONTRAST,
                new Found(
                        tables.kind(CONTRAST).stateOf(ratio),
                        Math.min(weight(surface), weight(below)),
                        List.copyOf(less),
                        Source.METER,
                        ratio));
    }

    /** No worm at all at four or more stops in a good season is more than few worms. */
    private void noWormsAtAll(Map<String, List<Sorted>> byFinding, Map<String, Found> findings) {
        List<Sorted> counts = byFinding.getOrDefault(WORM_COUNT, List.of());
        boolean none = counts.size() >= STOPS_FOR_NONE
                && counts.stream().allMatch(each -> each.seen().figure() == 0)
                && counts.stream().noneMatch(each -> each.seen().marks().contains(UNDERCOUNT));
        if (none) {
            findings.put(WORMS, new Found("none", 1, List.of(), Source.METER, 0.0));
        }
    }

    /** States that a figure of another finding makes silent. */
    static void hide(Map<String, Found> findings, EvidenceTables tables) {
        for (EvidenceTables.Hidden rule : tables.hidden()) {
            Found finding = findings.get(rule.finding());
            Found by = findings.get(rule.by());
            if (finding != null
                    && finding.state().equals(rule.state())
                    && by != null
                    && by.figure() != null
                    && by.figure() >= rule.from()) {
                findings.put(rule.finding(), finding.silent(rule.code()));
            }
        }
    }

    private static Double middle(List<Sorted> all) {
        List<Double> figures = all.stream()
                .map(each -> each.seen().figure())
                .filter(each -> each != null)
                .toList();
        return Sample.medianOrNull(figures);
    }

    private static String commonest(List<Sorted> all) {
        Map<String, Long> counts =
                all.stream().collect(Collectors.groupingBy(Sorted::state, LinkedHashMap::new, Collectors.counting()));
        return counts.entrySet().stream()
                .max(Comparator.comparing((Map.Entry<String, Long> each) -> each.getValue())
                        .thenComparing(each -> !each.getKey().equals("none")))
                .map(Map.Entry::getKey)
                .orElse(null);
    }
}
