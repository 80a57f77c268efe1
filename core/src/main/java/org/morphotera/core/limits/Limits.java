package org.morphotera.core.limits;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.judgement.JudgedField;
import org.morphotera.core.soil.LandUse;

/**
 * How probable each constraint is, given what was found (naive Bayes; Good, 1950). Findings of one group measure the
 * same thing: only the strongest counts in full, the others at half their weight. A finding that is known to mislead
 * counts by its share.
 */
public final class Limits {

    /** From here on a constraint is named. */
    public static final double NAMED_FROM = 0.5;

    /** The probability at which a constraint is held that rests on misleading findings or signs alone. */
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
     * How probable it is that a constraint holds a stop back.
     *
     * @param area share of the field that the stop stands for, 0 to 1
     */
    public record AtStop(String stop, double probability, double area) {}

    /**
     * What a constraint costs this crop over the whole field, expected: yield lost, %.
     *
     * @param source of the figures
     */
    public record Cost(double low, double likely, double high, String source) {}

    /**
     * How one constraint stands.
     *
     * @param prior before anything was seen
     * @param probability after all findings, that it holds half of the field or more back
     * @param inPart the chance that it holds a fifth back, or a patch of a known area
     * @param share of the field that is held back, 0 to 1, expected
     * @param evidence strongest first, for and against: of the field, or of the stops held back where it is a part of it
     * @param stops in the order of the field; empty where no stops are told apart
     * @param cost {@code null} where nothing is known of it
     */
    public record Belief(
            Constraint constraint,
            double prior,
            double probability,
            double inPart,
            double share,
            List<Evidence> evidence,
            List<AtStop> stops,
            @Nullable Cost cost) {

        /** Of a place that is one. */
        public Belief(Constraint constraint, double prior, double probability, List<Evidence> evidence) {
            this(constraint, prior, probability, probability, probability, evidence, List.of(), null);
        }

        /** Whether it is named of the field. */
        public boolean named() {
            return probability >= NAMED_FROM;
        }

        /** Whether it is named of a part of the field alone. */
        public boolean namedInPart() {
            return !named() && inPart >= NAMED_FROM;
        }

        /** Whether something is to be done about it, in the whole field or a part of it. */
        public boolean isToMend() {
            return named() || namedInPart();
        }

        /** How sure it is of as much of the field as it is told of. */
        public double sure() {
            return namedInPart() ? inPart : probability;
        }

        /** The stops that it holds back. */
        public List<String> heldBack() {
            return stops.stream()
                    .filter(each -> each.probability() >= NAMED_FROM)
                    .map(AtStop::stop)
                    .toList();
        }

        /** The same with the evidence of the stops that it holds back. */
        private Belief by(List<Evidence> there) {
            return new Belief(constraint, prior, probability, inPart, share, there, stops, cost);
        }

        /** By this the first of several is chosen: how probable it is, times what it costs. */
        double weight() {
            return sure() * (cost == null ? 1 : Math.max(cost.likely(), LEAST_COST));
        }
    }

    private static final double LEAST_COST = 0.1;

    /** From this share of a field on a constraint is named in part. */
    private static final double PART = 0.2;

    private static final double HALF = 0.5;

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
        return ordered(
                beliefs,
                Comparator.comparingDouble((Belief each) -> -each.probability()).thenComparing(Belief::constraint));
    }

    /**
     * The same of a field, stop by stop.
     *
     * @return every constraint: those that are named first, then those that are in part, each by what they cost and how
     *     probable they are; a sour topsoil before the sour subsoil under it
     */
    public static List<Belief> of(StopFindings findings, EvidenceTables tables) {
        List<Belief> beliefs = new ArrayList<>();
        for (Constraint constraint : Constraint.values()) {
            beliefs.add(ofField(constraint, findings, tables));
        }
        return ordered(
                beliefs,
                Comparator.comparing((Belief each) -> !each.named())
                        .thenComparing(each -> !each.namedInPart())
                        .thenComparingDouble(each -> -each.weight())
                        .thenComparing(Belief::constraint));
    }

    private static List<Belief> ordered(List<Belief> beliefs, Comparator<Belief> by) {
        beliefs.sort(by);
        int top = indexOf(beliefs, Constraint.ACIDITY);
        int below = indexOf(beliefs, Constraint.SUBSURFACE_ACIDITY);
        if (below < top && beliefs.get(top).isToMend()) {
            beliefs.add(below, beliefs.remove(top));
        }
        return beliefs;
    }

    private static Belief ofField(Constraint constraint, StopFindings findings, EvidenceTables tables) {
        Belief whole = belief(constraint, findings.field(), findings.landUse(), tables);
        List<JudgedField.Stop> stops = findings.stops();
        if (stops.isEmpty()) {
            return whole;
        }
        Map<String, Double> shares = findings.shares();
        List<AtStop> at = new ArrayList<>();
        double[] chances = new double[stops.size()];
        double[] areas = new double[stops.size()];
        double share = 0;
        boolean tested = false;
        Spread lost = new Spread();
        for (int i = 0; i < chances.length; i++) {
            String stop = stops.get(i).id();
            Map<String, Found> here = findings.at(stop);
            Weighed weighed = weighed(constraint, here, findings.landUse(), tables);
            tested |= weighed.tested();
            chances[i] = weighed.probability();
            areas[i] = shares.get(stop);
            double told = weighed.told();
            at.add(new AtStop(stop, told, areas[i]));
            share += areas[i] * told;
            lost.add(areas[i] * told, Costs.of(constraint, here, findings.crop(), tables));
        }
        AreaHeldBack held = new AreaHeldBack(chances, areas);
        double inPart = held.atLeast(PART);
        for (int i = 0; i < chances.length; i++) {
            // a patch of a known area is told, however small it is
            if (stops.get(i).inPatch() != null && stops.get(i).areaPct() != null) {
                inPart = Math.max(inPart, chances[i]);
            }
        }
        Belief belief = new Belief(
                constraint,
                whole.prior(),
                tested ? held.atLeast(HALF) : Math.min(held.atLeast(HALF), UNNAMED),
                tested ? inPart : Math.min(inPart, UNNAMED),
                share,
                whole.evidence(),
                List.copyOf(at),
                lost.cost());
        List<String> there = belief.heldBack();
        return belief.namedInPart() && !there.isEmpty()
                ? belief.by(weighed(constraint, findings.over(there), findings.landUse(), tables)
                        .evidence())
                : belief;
    }

    /** Costs of several places, added up by their shares. */
    private static final class Spread {

        private double low;
        private double likely;
        private double high;
        private @Nullable String source;

        void add(double share, EvidenceTables.@Nullable Loss loss) {
            if (loss != null) {
                low += share * loss.low();
                likely += share * loss.likely();
                high += share * loss.high();
                source = loss.source();
            }
        }

        @Nullable
        Cost cost() {
            return source == null ? null : new Cost(low, likely, high, source);
        }
    }

    private static int indexOf(List<Belief> beliefs, Constraint constraint) {
        return beliefs.stream().map(Belief::constraint).toList().indexOf(constraint);
    }

    static Belief belief(Constraint constraint, Map<String, Found> findings, LandUse use, EvidenceTables tables) {
        Weighed weighed = weighed(constraint, findings, use, tables);
        return new Belief(constraint, tables.prior(constraint, use), weighed.told(), weighed.evidence());
    }

    /**
     * Everything found on one constraint at one place.
     *
     * @param tested whether something speaks for it that tests it and is not known to mislead
     */
    private record Weighed(double probability, boolean tested, List<Evidence> evidence) {

        /** As it may be told. */
        double told() {
            return tested ? probability : Math.min(probability, UNNAMED);
        }
    }

    private static Weighed weighed(
            Constraint constraint, Map<String, Found> findings, LandUse use, EvidenceTables tables) {
        Map<String, List<Evidence>> groups = new LinkedHashMap<>();
        findings.forEach((finding, found) -> {
            EvidenceTables.Row row = tables.row(constraint, finding);
            if (row != null && row.present().containsKey(found.state())) {
                FindingKind kind = tables.kind(finding);
                groups.computeIfAbsent(kind.group(), key -> new ArrayList<>())
                        .add(new Evidence(
                                finding,
                                found.state(),
                                kind.method(),
                                row.weight(found) * found.weight(),
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
        boolean tested = counted.stream()
                .anyMatch(each -> each.weight() > 0
                        && each.share() > Found.INVALID_UP_TO
                        && tables.isOwn(constraint, each.finding()));
        return new Weighed(probability, tested, counted);
    }

    private static Comparator<Evidence> strongestFirst() {
        return Comparator.comparingDouble(each -> -Math.abs(each.weight()));
    }
}
