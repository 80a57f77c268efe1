package org.morphotera.core.limits;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.soil.LandUse;

/**
 * How probable each constraint is, given what was found (naive Bayes; Good, 1950). Findings of one group measure the
 * same thing: only the strongest counts in full, the others at half their weight. A finding that is known to mislead
 * counts by its share.
 */
public final class Limits {

    /** From here on a constraint is named. */
    public static final double NAMED_FROM = 0.5;

    /** The probability at which a constraint is held that rests on misleading findings alone. */
    private static final double UNNAMED = 0.49;

    private static final double OTHERS_OF_A_GROUP = 0.5;

    /**
     * What one finding weighs for one constraint: positive speaks for it. Natural-log likelihood ratio.
     *
     * @param weight as counted, by its share
     * @param share 0..1, how far it can be trusted
     * @param less why it counts less, as codes
     */
    public record Evidence(
            String finding,
            String state,
            String method,
            double weight,
            double share,
            List<String> less,
            String reason,
            String source) {

        private Evidence half() {
            return new Evidence(finding, state, method, weight * OTHERS_OF_A_GROUP, share, less, reason, source);
        }
    }

    /**
     * How one constraint stands.
     *
     * @param prior before anything was seen
     * @param probability after all findings
     * @param evidence strongest first, for and against
     */
    public record Belief(Constraint constraint, double prior, double probability, List<Evidence> evidence) {

        public boolean named() {
            return probability >= NAMED_FROM;
        }
    }

    private Limits() {}

    /**
     * @param findings by name; findings and states that the tables don't know are passed over
     * @return every constraint, most probable first; a sour topsoil before the sour subsoil under it, since it is limed
     *     first
     */
    public static List<Belief> of(Map<String, Found> findings, LandUse use, EvidenceTables tables) {
        List<Belief> beliefs = new ArrayList<>();
        for (Constraint constraint : Constraint.values()) {
            beliefs.add(belief(constraint, findings, use, tables));
        }
        beliefs.sort(
                Comparator.comparingDouble((Belief each) -> -each.probability()).thenComparing(Belief::constraint));
        int top = indexOf(beliefs, Constraint.ACIDITY);
        int below = indexOf(beliefs, Constraint.SUBSURFACE_ACIDITY);
        if (below < top && beliefs.get(top).named()) {
            beliefs.add(below, beliefs.remove(top));
        }
        return beliefs;
    }

    private static int indexOf(List<Belief> beliefs, Constraint constraint) {
        return beliefs.stream().map(Belief::constraint).toList().indexOf(constraint);
    }

    static Belief belief(Constraint constraint, Map<String, Found> findings, LandUse use, EvidenceTables tables) {
        Map<String, List<Evidence>> groups = new LinkedHashMap<>();
        findings.forEach((finding, found) -> {
            EvidenceTables.Row row = tables.row(constraint, finding);
            if (row != null && row.present().containsKey(found.state())) {
                EvidenceTables.Kind kind = tables.kind(finding);
                groups.computeIfAbsent(kind.group(), key -> new ArrayList<>())
                        .add(new Evidence(
                                finding,
                                found.state(),
                                kind.method(),
                                row.weight(found.state()) * found.weight(),
                                found.weight(),
                                found.less(),
                                row.reason(),
                                row.source()));
            }
        });
        List<Evidence> counted = new ArrayList<>();
        groups.values().forEach(group -> {
            group.sort(strongestFirst());
            for (int i = 0; i < group.size(); i++) {
                counted.add(i == 0 ? group.get(i) : group.get(i).half());
            }
        });
        counted.sort(strongestFirst());
        double prior = tables.prior(constraint, use);
        double logOdds = Math.log(prior / (1 - prior))
                + counted.stream().mapToDouble(Evidence::weight).sum();
        double probability = 1 / (1 + Math.exp(-logOdds));
        boolean trusted = counted.stream().anyMatch(each -> each.weight() > 0 && each.share() > Found.INVALID_UP_TO);
        return new Belief(constraint, prior, trusted ? probability : Math.min(probability, UNNAMED), counted);
    }

    private static Comparator<Evidence> strongestFirst() {
        return Comparator.comparingDouble(each -> -Math.abs(each.weight()));
    }
}
