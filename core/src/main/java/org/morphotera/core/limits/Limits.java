package org.morphotera.core.limits;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.soil.LandUse;

/**
 * How probable each constraint is, given what was found (naive Bayes; Good, 1950). Findings of one group measure the
 * same thing: only the strongest counts in full, the others at half their weight.
 */
public final class Limits {

    /** From here on a constraint is named. */
    public static final double NAMED_FROM = 0.5;

    private static final double OTHERS_OF_A_GROUP = 0.5;

    /** What one finding weighs for one constraint: positive speaks for it. Natural-log likelihood ratio. */
    public record Evidence(String finding, String state, String method, double weight, String reason, String source) {}

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
     * @param findings state by finding; findings and states that the tables don't know are passed over
     * @return every constraint, most probable first
     */
    public static List<Belief> of(Map<String, String> findings, LandUse use, EvidenceTables tables) {
        List<Belief> beliefs = new ArrayList<>();
        for (Constraint constraint : Constraint.values()) {
            beliefs.add(belief(constraint, findings, use, tables));
        }
        beliefs.sort(
                Comparator.comparingDouble((Belief each) -> -each.probability()).thenComparing(Belief::constraint));
        return beliefs;
    }

    static Belief belief(Constraint constraint, Map<String, String> findings, LandUse use, EvidenceTables tables) {
        Map<String, List<Evidence>> groups = new LinkedHashMap<>();
        findings.forEach((finding, state) -> {
            EvidenceTables.Row row = tables.row(constraint, finding);
            if (row != null && row.present().containsKey(state)) {
                EvidenceTables.Kind kind = tables.kind(finding);
                groups.computeIfAbsent(kind.group(), key -> new ArrayList<>())
                        .add(new Evidence(
                                finding, state, kind.method(), row.weight(state), row.reason(), row.source()));
            }
        });
        List<Evidence> counted = new ArrayList<>();
        groups.values().forEach(group -> {
            group.sort(Comparator.comparingDouble(each -> -Math.abs(each.weight())));
            for (int i = 0; i < group.size(); i++) {
                Evidence each = group.get(i);
                counted.add(
                        i == 0
                                ? each
                                : new Evidence(
                                        each.finding(),
                                        each.state(),
                                        each.method(),
                                        each.weight() * OTHERS_OF_A_GROUP,
                                        each.reason(),
                                        each.source()));
            }
        });
        counted.sort(Comparator.comparingDouble(each -> -Math.abs(each.weight())));
        double prior = tables.prior(constraint, use);
        double logOdds = Math.log(prior / (1 - prior))
                + counted.stream().mapToDouble(Evidence::weight).sum();
        return new Belief(constraint, prior, 1 / (1 + Math.exp(-logOdds)), counted);
    }
}
