package org.morphotera.core.plan;

import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.StopFindings;
import org.morphotera.core.plan.order.ActionKind;

/**
 * From limits to the options of a plan: in the order of the work, filled from the field's own readings, each with its
 * rules; living with a limit is always one.
 */
public final class Proposals {

    private final Drafts plan;
    private final Sowing sowing;

    private Proposals(List<Limits.Belief> beliefs, Benchmarks benchmarks) {
        this.plan = new Drafts(
                benchmarks,
                constraint -> beliefs.stream().anyMatch(each -> each.constraint() == constraint && each.isToMend()));
        this.sowing = new Sowing(plan);
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
        List<Proposal> all = new Proposals(beliefs, benchmarks)
                .draft(beliefs, facts, belief -> HeldGround.of(facts, belief, findings));
        return new ActedOn(findings, tables).closing(all, beliefs);
    }

    /** The same where nothing is known of stops and of what was done. */
    public static List<Proposal> of(List<Limits.Belief> beliefs, FieldFacts facts, Benchmarks benchmarks) {
        return List.copyOf(new Proposals(beliefs, benchmarks).draft(beliefs, facts, belief -> facts));
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

    private List<Proposal> draft(
            List<Limits.Belief> beliefs, FieldFacts field, Function<Limits.Belief, FieldFacts> ground) {
        beliefs.stream().filter(Limits.Belief::isToMend).forEach(belief -> draft(belief, ground.apply(belief)));
        sowing.draft(field);
        return plan.all().stream()
                .sorted(Comparator.comparing(Proposal::kind).thenComparing(each -> -each.probability()))
                .toList();
    }

    private void draft(Limits.Belief belief, FieldFacts facts) {
        switch (belief.constraint()) {
            case ACIDITY -> new SourGround(plan, facts, belief).topsoil();
            case SUBSURFACE_ACIDITY -> new SourGround(plan, facts, belief).subsoil();
            case FREE_LIME -> AlkalineGround.draft(plan, belief);
            case SODICITY -> new SaltyGround(plan, facts, belief).sodium();
            case SALINITY -> {
                new SaltyGround(plan, facts, belief).salt();
                sowing.answers(belief, "salt");
            }
            case COMPACTION_LAYER -> {
                HardLayer.draft(plan, facts, belief);
                sowing.answers(belief, "layer", "loosen-before-roots");
            }
            case WATERLOGGING -> {
                new WetGround(plan, facts, belief).standing();
                sowing.answers(belief, "waterlogging", "after-drain");
            }
            case WEAK_AGGREGATION, LOW_BIOLOGY -> {
                sowing.answers(belief, "crumbs");
                OrganicSupply.draft(plan, facts, belief);
            }
            case OVER_RAPID_DRAINAGE -> OrganicSupply.draft(plan, facts, belief);
            case SHORT_NITROGEN -> {
                Nourishment.lacking("nitrogen", plan, facts, belief);
                sowing.answers(belief, "nitrogen");
            }
            case SHORT_PHOSPHORUS -> Nourishment.lacking("phosphorus", plan, facts, belief);
            case SHORT_POTASSIUM -> Nourishment.lacking("potassium", plan, facts, belief);
            case SHORT_MAGNESIUM -> Nourishment.lacking("magnesium", plan, facts, belief);
            case NITROGEN_LOCKED_UP -> Nourishment.lockedUp(plan, belief);
            case NITROGEN_MASKING -> {
                Nourishment.surplus(plan, belief);
                sowing.answers(belief, "catch-nitrogen");
            }
            case EROSION_RISK -> {
                plan.add(ActionKind.KEEP_COVERED, belief, List.of());
                sowing.answers(belief, "erosion");
            }
        }
        plan.add(
                ActionKind.LIVE_WITH_IT,
                belief,
                List.of("live." + belief.constraint().code()));
    }
}
