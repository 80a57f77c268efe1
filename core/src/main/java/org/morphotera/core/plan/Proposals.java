package org.morphotera.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.chemistry.PhWindow;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.limits.LimitWords;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.StopFindings;
import org.morphotera.core.plan.calculator.DrainSpacing;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.plan.order.OrderRules;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.Source;
import org.morphotera.core.text.Messages;

/** From limits to the first actions of a plan: ordered, filled from the field's own readings, each with its rule. */
public final class Proposals {

    private static final double SALT_FREE_ECE = 4;

    /** So far over its target a topsoil may go for the sake of what lies below it. */
    private static final double SURPLUS_PH = 0.2;

    private static final double COMPOST_CN = 15;
    private static final double GARDEN_COMPOST_MM = 20;

    /** Of a usual compost (500 kg/m³, 60 % dry, 30 % of that carbon, C : N 15) 2 mm bring 120 kg/ha of nitrogen, 3 mm 180. */
    private static final double FIELD_COMPOST_MM = 2;

    private static final Set<LandUse> GRASS = Set.of(LandUse.PASTURE, LandUse.TURF);

    /** Closer than this, m, parallel drains are not worth their digging. */
    private static final double CLOSEST_DRAINS_M = 8;

    /**
     * One proposed action.
     *
     * @param inputs of its calculator, by name; empty where it has none
     * @param origins where each input came from, as a code
     * @param rules codes of the rules that hold for it, such as {@code confirm-first}
     * @param held why it is held back for now, as a code; {@code null} for a proposal that stands
     * @param heldWith what the sentence of that code needs, by name
     */
    public record Proposal(
            ActionKind kind,
            Constraint constraint,
            double probability,
            Map<String, Object> inputs,
            Map<String, String> origins,
            List<String> rules,
            String held,
            Map<String, Object> heldWith) {

        /** The same, held back. */
        Proposal heldBack(String why, Map<String, Object> with) {
            return new Proposal(kind, constraint, probability, inputs, origins, rules, why, with);
        }

        /**
         * How far what it mends reaches, where that is a part of the field, and the rules that hold for it, in sentences.
         *
         * @param beliefs that it was drawn from
         */
        public List<String> told(List<Limits.Belief> beliefs, Messages messages) {
            LimitWords words = new LimitWords(messages);
            return Stream.concat(
                            beliefs.stream()
                                    .filter(each -> each.constraint() == constraint && each.namedInPart())
                                    .map(words::extent)
                                    .filter(Objects::nonNull),
                            rules.stream().map(rule -> messages.text("action.rule." + rule)))
                    .toList();
        }

        /** Why it is held back, in a sentence; {@code null} for a proposal that stands. */
        public String heldFor(Messages messages) {
            return held == null ? null : messages.text(List.of("action.rule." + held), heldWith);
        }

        /** Whether it is told but not offered. */
        public boolean isHeld() {
            return held != null;
        }
    }

    private final FieldFacts field;
    private final Benchmarks benchmarks;

    /** Of the field, or of the part of it that is dealt with. */
    private FieldFacts facts;

    private final List<Proposal> proposals = new ArrayList<>();
    private Limits.Belief sown;
    private final Set<String> sownFor = new LinkedHashSet<>();
    private final Set<String> sownBy = new LinkedHashSet<>();

    private Proposals(FieldFacts facts, Benchmarks benchmarks) {
        this.field = facts;
        this.facts = facts;
        this.benchmarks = benchmarks;
    }

    /**
     * For every constraint that is named of the field or of a part of it, in the order in which the work must be done.
     *
     * @param findings that the beliefs come from, with what was done to the field
     */
    public static List<Proposal> of(
            List<Limits.Belief> beliefs,
            StopFindings findings,
            FieldFacts facts,
            EvidenceTables tables,
            Benchmarks benchmarks) {
        Proposals plan = new Proposals(facts, benchmarks);
        plan.proposeAll(beliefs, belief -> HeldGround.of(facts, belief, findings));
        return new ActedOn(findings, tables).closing(plan.proposals, beliefs);
    }

    /** The same where nothing is known of stops and of what was done. */
    public static List<Proposal> of(List<Limits.Belief> beliefs, FieldFacts facts, Benchmarks benchmarks) {
        Proposals plan = new Proposals(facts, benchmarks);
        plan.proposeAll(beliefs, belief -> facts);
        return List.copyOf(plan.proposals);
    }

    private void proposeAll(List<Limits.Belief> beliefs, Function<Limits.Belief, FieldFacts> ground) {
        Predicate<Constraint> named =
                constraint -> beliefs.stream().anyMatch(each -> each.constraint() == constraint && each.isToMend());
        beliefs.stream().filter(Limits.Belief::isToMend).forEach(belief -> {
            facts = ground.apply(belief);
            propose(belief, named);
        });
        facts = field;
        sow();
        proposals.sort(Comparator.comparing(Proposal::kind).thenComparing(each -> -each.probability()));
    }

    /** Only what is spread by the tonne and so by the patch: lime and gypsum. */
    public static List<Proposal> amendmentsOf(
            List<Limits.Belief> beliefs,
            StopFindings findings,
            FieldFacts patch,
            EvidenceTables tables,
            Benchmarks benchmarks) {
        return of(beliefs, findings, patch, tables, benchmarks).stream()
                .filter(each -> each.kind() == ActionKind.LIME || each.kind() == ActionKind.GYPSUM)
                .toList();
    }

    private void propose(Limits.Belief belief, Predicate<Constraint> named) {
        boolean acid = named.test(Constraint.ACIDITY) || named.test(Constraint.SUBSURFACE_ACIDITY);
        switch (belief.constraint()) {
            case ACIDITY -> lime(belief, facts.ph(), List.of("confirm-first", "lime-before-legumes"));
            case SUBSURFACE_ACIDITY -> {
                if (!named.test(Constraint.ACIDITY)) {
                    limeOverSourSubsoil(belief);
                }
            }
            case SODICITY -> gypsum(belief, acid);
            case SALINITY -> salt(belief, named);
            case COMPACTION_LAYER -> {
                loosen(belief, named);
                cover(belief, List.of("layer"), List.of("loosen-before-roots"));
            }
            case WEAK_AGGREGATION -> {
                cover(belief, List.of("crumbs"), List.of());
                compost(belief, named);
            }
            case WATERLOGGING -> {
                drain(belief);
                cover(belief, List.of("waterlogging"), List.of("after-drain"));
            }
            case OVER_RAPID_DRAINAGE -> compost(belief, named);
            case FREE_LIME -> add(ActionKind.TOLERANT_CROPS, belief, List.of("no-sulfur"));
            case LOW_BIOLOGY -> {
                cover(belief, List.of("crumbs"), List.of());
                compost(belief, named);
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
        add(new Proposal(kind, belief.constraint(), belief.sure(), inputs, origins, rules, null, Map.of()));
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
        lime(belief, ph, target(window), rules);
    }

    private void lime(Limits.Belief belief, FieldFacts.Ph ph, double target, List<String> rules) {
        Filled in = new Filled();
        in.put("school", "texture-factor", "default");
        String origin = ph == null ? null : origin(ph.source());
        in.put("phWater", ph == null ? null : ph.water(), origin);
        in.put("targetPh", target, "window");
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

    /**
     * Lime goes to the layer that is sour. What is spread on top moves about 10 mm a year, so over a sound topsoil it would
     * only raise that too far: then roots that stand it are the way, or placing it deep. A topsoil under its target gets
     * lime up to a little above it, year by year, and the surplus goes down.
     */
    private void limeOverSourSubsoil(Limits.Belief belief) {
        PhWindow window = PhWindow.of(facts.crop(), facts.landUse(), benchmarks.table("ph.windows"));
        FieldFacts.Ph top = facts.ph();
        double target = target(window);
        if (top == null) {
            hold(ActionKind.LIME, belief, "topsoil-first");
        } else if (top.water() >= target) {
            hold(ActionKind.LIME, belief, "sound-topsoil");
        } else {
            lime(belief, top, Math.rint(10 * (target + SURPLUS_PH)) / 10, List.of("confirm-first", "lime-moves-down"));
        }
        if (facts.subsoilPh() == null || facts.subsoilPh() < window.low()) {
            add(ActionKind.TOLERANT_CROPS, belief, List.of("sour-subsoil"));
        }
    }

    /** The pH that lime is spread up to: what is advised for the crop, not the middle of what it stands. */
    private double target(PhWindow window) {
        return benchmarks.table("ph.advised").at(window.crop(), "ph");
    }

    private void hold(ActionKind kind, Limits.Belief belief, String reason) {
        add(new Proposal(kind, belief.constraint(), belief.sure(), Map.of(), Map.of(), List.of(), reason, Map.of()));
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
        Table limits = benchmarks.table("salinity.crops");
        double stands =
                facts.crop() != null && limits.has(facts.crop()) ? limits.at(facts.crop(), "threshold") : SALT_FREE_ECE;
        if (facts.ece() != null && facts.ece() <= stands) {
            // this crop loses nothing by it
            hold(ActionKind.LEACH, belief, "stands-salt");
            return;
        }
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
                belief.sure(),
                in.inputs,
                in.origins,
                rules,
                hold ? "esp-first" : null,
                Map.of()));
        cover(belief, List.of("salt"), List.of());
    }

    /** Which of the field's sources a figure comes from. */
    private static String origin(Source source) {
        return source == null ? "reading" : source.code();
    }

    /** Pipes only where they may lie far enough apart to be worth it, and never in a garden; water on top is led off first. */
    private void drain(Limits.Belief belief) {
        if (facts.garden()) {
            add(ActionKind.SURFACE_OUTLETS, belief, List.of("garden-beds"));
            hold(ActionKind.DRAIN, belief, "garden-drain");
            return;
        }
        if (facts.permeabilityMmH() != null && DrainSpacing.usualM(facts.permeabilityMmH()) < CLOSEST_DRAINS_M) {
            add(ActionKind.SURFACE_OUTLETS, belief, List.of("surface-first"));
            hold(ActionKind.DRAIN, belief, "too-tight");
            return;
        }
        Filled in = new Filled();
        in.put("permeabilityAboveMmH", facts.permeabilityMmH(), "straight-down");
        in.put("permeabilityBelowMmH", facts.permeabilityMmH(), "straight-down");
        in.put("drainDepthM", 0.9, "default");
        in.put("waterTableDepthM", 0.5, "default");
        in.put("impermeableDepthM", 2.4, "default");
        in.put("dischargeMmDay", 7.0, "default");
        add(ActionKind.DRAIN, belief, in.inputs, in.origins, List.of("drain-first", "licensed"));
    }

    private void loosen(Limits.Belief belief, Predicate<Constraint> named) {
        String held = facts.garden()
                ? "garden-fork"
                : facts.landUse() != null && GRASS.contains(facts.landUse())
                        ? "grass-slit"
                        : facts.layerBottomMm() == null
                                ? "layer-first"
                                : named.test(Constraint.SODICITY)
                                        ? "sodium-before-loosening"
                                        : named.test(Constraint.WATERLOGGING) && !facts.drained()
                                                ? "after-drain"
                                                : null;
        Filled in = new Filled();
        in.put("layerFound", facts.layerBottomMm() == null ? null : true, "reading");
        in.put("layerBottomMm", facts.layerBottomMm(), "reading");
        add(new Proposal(
                ActionKind.LOOSEN,
                belief.constraint(),
                belief.sure(),
                in.inputs,
                in.origins,
                // whether it is dry enough is asked of the layer itself, and never taken from the look of the day
                List.of("roll-a-worm"),
                held,
                Map.of()));
    }

    /** Notes what a sowing is to do; {@link #sow} makes one sowing of it all. */
    private void cover(Limits.Belief belief, List<String> aims, List<String> rules) {
        if (sown == null || belief.sure() > sown.sure()) {
            sown = belief;
        }
        sownFor.addAll(aims);
        sownBy.addAll(rules);
    }

    /** One sowing, of a mixture for all aims at once. */
    private void sow() {
        if (sown == null) {
            return;
        }
        boolean grass = facts.landUse() != null && GRASS.contains(facts.landUse());
        if (facts.landUse() == LandUse.ORCHARD) {
            sownBy.add("in-the-alleys");
        }
        add(new Proposal(
                ActionKind.COVER_CROP,
                sown.constraint(),
                sown.sure(),
                Map.of("aims", List.copyOf(sownFor)),
                Map.of("aims", "limits"),
                List.copyOf(sownBy),
                grass ? "oversow-grass" : null,
                Map.of()));
    }

    /** Not more than brings 170 kg/ha of nitrogen a year to a field (Council Directive 91/676/EEC); none beside a surplus of nitrogen. */
    private void compost(Limits.Belief belief, Predicate<Constraint> named) {
        Filled in = new Filled();
        boolean garden = facts.landUse() == LandUse.VEGETABLE || facts.landUse() == LandUse.LANDSCAPE;
        in.put("thicknessMm", garden ? GARDEN_COMPOST_MM : FIELD_COMPOST_MM, "default");
        in.put("areaHa", facts.treated().areaHa(), facts.treated().patch() ? "patch" : "field");
        in.put("cnRatio", COMPOST_CN, "default");
        add(new Proposal(
                ActionKind.COMPOST,
                belief.constraint(),
                belief.sure(),
                in.inputs,
                in.origins,
                garden ? List.of() : List.of("nitrogen-ceiling"),
                named.test(Constraint.NITROGEN_MASKING) ? "surplus-nitrogen" : null,
                Map.of()));
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
