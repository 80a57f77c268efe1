package org.morphotera.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.chemistry.PhWindow;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.plan.order.OrderRules;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.Source;

/** From limits to the first actions of a plan: ordered, filled from the field's own readings, each with its rule. */
public final class Proposals {

    private static final double SALT_FREE_ECE = 4;

    /** Under this, parallel drains would have to lie a few metres apart. */
    private static final double TOO_TIGHT_TO_DRAIN_MM_H = 1;

    /**
     * One proposed action.
     *
     * @param inputs of its calculator, by name; empty where it has none
     * @param origins where each input came from, as a code
     * @param rules codes of the rules that hold for it, such as {@code confirm-first}
     * @param held why it is held back for now, as a code; {@code null} for a proposal that stands
     */
    public record Proposal(
            ActionKind kind,
            Constraint constraint,
            double probability,
            Map<String, Object> inputs,
            Map<String, String> origins,
            List<String> rules,
            String held) {

        /** Whether it is told but not offered. */
        public boolean isHeld() {
            return held != null;
        }
    }

    private final FieldFacts facts;
    private final Benchmarks benchmarks;
    private final List<Proposal> proposals = new ArrayList<>();

    private Proposals(FieldFacts facts, Benchmarks benchmarks) {
        this.facts = facts;
        this.benchmarks = benchmarks;
    }

    /** For every named constraint, in the order in which the work must be done. */
    public static List<Proposal> of(List<Limits.Belief> beliefs, FieldFacts facts, Benchmarks benchmarks) {
        Proposals plan = new Proposals(facts, benchmarks);
        Predicate<Constraint> named =
                constraint -> beliefs.stream().anyMatch(each -> each.constraint() == constraint && each.named());
        beliefs.stream().filter(Limits.Belief::named).forEach(belief -> plan.propose(belief, named));
        plan.proposals.sort(Comparator.comparing(Proposal::kind).thenComparing(each -> -each.probability()));
        return List.copyOf(plan.proposals);
    }

    /** Only what is spread by the tonne and so by the patch: lime and gypsum. */
    public static List<Proposal> amendmentsOf(List<Limits.Belief> beliefs, FieldFacts patch, Benchmarks benchmarks) {
        return of(beliefs, patch, benchmarks).stream()
                .filter(each -> each.kind() == ActionKind.LIME || each.kind() == ActionKind.GYPSUM)
                .toList();
    }

    private void propose(Limits.Belief belief, Predicate<Constraint> named) {
        boolean acid = named.test(Constraint.ACIDITY) || named.test(Constraint.SUBSURFACE_ACIDITY);
        switch (belief.constraint()) {
            case ACIDITY -> lime(belief, facts.ph(), List.of("confirm-first", "lime-before-legumes"));
            case SUBSURFACE_ACIDITY -> {
                if (!named.test(Constraint.ACIDITY)) {
                    FieldFacts.Ph below = facts.subsoilPh() == null
                            ? null
                            : new FieldFacts.Ph(
                                    facts.subsoilPh(),
                                    null,
                                    facts.ph() == null ? null : facts.ph().source());
                    lime(belief, below, List.of("confirm-first", "incorporate"));
                }
            }
            case SODICITY -> gypsum(belief, acid);
            case SALINITY -> salt(belief, named);
            case COMPACTION_LAYER -> {
                loosen(belief);
                cover(belief, List.of("layer"), List.of("loosen-before-roots"));
            }
            case WEAK_AGGREGATION -> {
                cover(belief, List.of("crumbs"), List.of());
                compost(belief);
            }
            case WATERLOGGING -> {
                drain(belief);
                cover(belief, List.of("waterlogging"), List.of("after-drain"));
            }
            case OVER_RAPID_DRAINAGE -> compost(belief);
            case FREE_LIME -> add(ActionKind.TOLERANT_CROPS, belief, List.of("no-sulfur"));
            case LOW_BIOLOGY -> {
                cover(belief, List.of("crumbs"), List.of());
                compost(belief);
            }
            case NITROGEN_LOCKED_UP -> add(ActionKind.NITROGEN_OR_PATIENCE, belief, List.of("confirm-first"));
            case NITROGEN_MASKING -> add(ActionKind.LESS_NITROGEN, belief, List.of("confirm-first"));
            case EROSION_RISK -> {
                add(ActionKind.KEEP_COVERED, belief, List.of());
                cover(belief, List.of("erosion"), List.of());
            }
        }
    }

    private void add(ActionKind kind, Limits.Belief belief, List<String> rules) {
        add(kind, belief, Map.of(), Map.of(), rules);
    }

    private void add(
            ActionKind kind,
            Limits.Belief belief,
            Map<String, Object> inputs,
            Map<String, String> origins,
            List<String> rules) {
        add(new Proposal(kind, belief.constraint(), belief.probability(), inputs, origins, rules, null));
    }

    private void add(Proposal proposal) {
        boolean there = proposals.stream()
                .anyMatch(
                        each -> each.kind() == proposal.kind() && each.inputs().equals(proposal.inputs()));
        if (!there) {
            proposals.add(proposal);
        }
    }

    /** No lime where the pH that it is to mend lies inside the crop's window, whatever else speaks for it. */
    private void lime(Limits.Belief belief, FieldFacts.Ph ph, List<String> rules) {
        PhWindow window = PhWindow.of(facts.crop(), facts.landUse(), benchmarks.table("ph.windows"));
        if (ph != null && ph.water() >= window.low()) {
            return;
        }
        Filled in = new Filled();
        in.put("school", "texture-factor", "default");
        String origin = ph == null ? null : origin(ph.source());
        in.put("phWater", ph == null ? null : ph.water(), origin);
        in.put("targetPh", Math.rint(5 * (window.low() + window.high())) / 10, "window");
        in.put("phHalfWidth", ph == null ? null : ph.halfWidth(), origin);
        in.put("fromKit", ph == null ? null : ph.source() == Source.KIT, origin);
        in.put("landUse", facts.landUse() == null ? null : facts.landUse().code(), "field");
        in.put(
                "textureGroup",
                facts.textureGroup() == null ? null : facts.textureGroup().code(),
                "reading");
        in.put("areaHa", facts.treated().areaHa(), facts.treated().patch() ? "patch" : "field");
        add(ActionKind.LIME, belief, in.inputs, in.origins, rules);
    }

    private void gypsum(Limits.Belief belief, boolean acid) {
        Filled in = new Filled();
        in.put("espPct", facts.cecCmolKg() == null ? null : facts.espPct(), "laboratory");
        in.put("cecCmolKg", facts.espPct() == null ? null : facts.cecCmolKg(), "laboratory");
        in.put("areaHa", facts.treated().areaHa(), facts.treated().patch() ? "patch" : "field");
        List<String> rules = new ArrayList<>(List.of("confirm-first", "gypsum-before-leaching"));
        if (acid) {
            rules.add("lime-first");
        }
        add(ActionKind.GYPSUM, belief, in.inputs, in.origins, rules);
    }

    private void salt(Limits.Belief belief, Predicate<Constraint> named) {
        if (!facts.drained()) {
            drain(belief);
        }
        boolean sodic = named.test(Constraint.SODICITY)
                || facts.disperses()
                || facts.espPct() != null && facts.espPct() >= OrderRules.SODIC_FROM_PCT;
        Filled in = new Filled();
        in.put("eceNow", facts.ece(), origin(facts.eceSource()));
        Table crops = benchmarks.table("salinity.crops");
        boolean known = facts.crop() != null && crops.has(facts.crop());
        double target = known ? crops.at(facts.crop(), "threshold") : SALT_FREE_ECE;
        in.put("eceTarget", target, known ? "crop" : "default");
        in.put("way", "sprinkled", "default");
        in.put("drained", facts.drained(), "events");
        if (known) {
            in.put("cropThresholdEce", target, "crop");
        }
        List<String> rules = new ArrayList<>();
        if (!facts.drained()) {
            rules.add("after-drain");
        }
        boolean hold = facts.saltMayHideSodium() && !named.test(Constraint.SODICITY);
        rules.add(hold ? "esp-first" : sodic ? "gypsum-before-leaching" : "no-gypsum-needed");
        add(new Proposal(
                ActionKind.LEACH,
                belief.constraint(),
                belief.probability(),
                in.inputs,
                in.origins,
                rules,
                hold ? "esp-first" : null));
        cover(belief, List.of("salt"), List.of());
    }

    /** Which of the field's sources a figure comes from. */
    private static String origin(Source source) {
        return source == null ? "reading" : source.code();
    }

    private void drain(Limits.Belief belief) {
        Filled in = new Filled();
        in.put("permeabilityAboveMmH", facts.permeabilityMmH(), "straight-down");
        in.put("permeabilityBelowMmH", facts.permeabilityMmH(), "straight-down");
        in.put("drainDepthM", 0.9, "default");
        in.put("waterTableDepthM", 0.5, "default");
        in.put("impermeableDepthM", 2.4, "default");
        in.put("dischargeMmDay", 7.0, "default");
        boolean tight = facts.permeabilityMmH() != null && facts.permeabilityMmH() < TOO_TIGHT_TO_DRAIN_MM_H;
        add(
                ActionKind.DRAIN,
                belief,
                in.inputs,
                in.origins,
                tight ? List.of("drain-first", "licensed", "too-tight") : List.of("drain-first", "licensed"));
    }

    private void loosen(Limits.Belief belief) {
        Filled in = new Filled();
        in.put("layerFound", true, "reading");
        in.put("layerBottomMm", facts.layerBottomMm(), "reading");
        if (facts.wet()) {
            in.put("rolledWormCrumbles", false, "reading");
        }
        add(ActionKind.LOOSEN, belief, in.inputs, in.origins, List.of(facts.wet() ? "too-wet" : "roll-a-worm"));
    }

    private void cover(Limits.Belief belief, List<String> aims, List<String> rules) {
        add(ActionKind.COVER_CROP, belief, Map.of("aims", aims), Map.of("aims", "limits"), rules);
    }

    private void compost(Limits.Belief belief) {
        Filled in = new Filled();
        boolean garden = facts.landUse() == LandUse.VEGETABLE || facts.landUse() == LandUse.LANDSCAPE;
        in.put("thicknessMm", garden ? 20.0 : 5.0, "default");
        in.put("areaHa", facts.treated().areaHa(), facts.treated().patch() ? "patch" : "field");
        in.put("cnRatio", 15.0, "default");
        add(ActionKind.COMPOST, belief, in.inputs, in.origins, List.of());
    }

    /** Inputs with where they came from; what is not known stays out, for the advisor to give. */
    private static final class Filled {

        private final Map<String, Object> inputs = new LinkedHashMap<>();
        private final Map<String, String> origins = new LinkedHashMap<>();

        private void put(String name, Object value, String origin) {
            if (value != null) {
                inputs.put(name, value);
                origins.put(name, origin);
            }
        }
    }
}
