package org.morphotera.core.plan.order;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.plan.FieldFacts;

/**
 * The order in which the work on a soil must be done: drainage first; gypsum before or with leaching where there is
 * sodium (Shainberg and Letey, 1984); lime before legumes and before gypsum; loosening and drains before the roots
 * that are to follow them; and nothing bought before it is confirmed.
 */
public final class OrderRules {

    /** Exchangeable sodium from which a soil that is leached alone disperses (Northcote and Skene, 1972). */
    public static final double SODIC_FROM_PCT = 6;

    /** How far an action has come. */
    public enum Stage {
        AGREED,
        DONE,
        DROPPED
    }

    /**
     * One action of a plan.
     *
     * @param constraint what it answers, or {@code null}
     * @param inputs of its calculator, by name
     * @param from first day of its window, or {@code null}
     */
    public record Step(
            ActionKind kind, Constraint constraint, Map<String, Object> inputs, Stage stage, LocalDate from) {}

    /**
     * A rule that an action would break.
     *
     * @param field the entry that can put it right, such as {@code dueFrom}
     * @param code its text is {@code action.breach.CODE} in the catalogue of messages
     */
    public record Breach(String field, String code) {}

    /** Something that comes before something else; {@code required} where the second is wrong without it. */
    private record Before(ActionKind kind, boolean required, String code) {}

    private final FieldFacts facts;
    private final Set<Constraint> named;

    /** @param named the constraints that limit the field as far as is known */
    public OrderRules(FieldFacts facts, Set<Constraint> named) {
        this.facts = facts;
        this.named = Set.copyOf(named);
    }

    /**
     * What speaks against an action as it is wanted.
     *
     * @param others all other actions of the field's plan
     * @param confirmed somebody said what confirmed it, or the laboratory has spoken
     */
    public List<Breach> breaches(Step wanted, Collection<Step> others, boolean confirmed) {
        List<Breach> breaches = new ArrayList<>();
        switch (wanted.stage()) {
            case AGREED -> {
                if (wanted.kind() == ActionKind.LOOSEN
                        && Boolean.FALSE.equals(wanted.inputs().get("rolledWormCrumbles"))) {
                    breaches.add(new Breach("inputs.rolledWormCrumbles", "TOO_WET"));
                }
                if (wanted.kind() == ActionKind.LEACH && facts.saltMayHideSodium() && !withGypsum(others)) {
                    breaches.add(new Breach("state", "ESP_FIRST"));
                }
                for (Before before : before(wanted)) {
                    add(breaches, before, wanted, others);
                }
            }
            case DONE -> {
                if (!confirmed && needsConfirmation(wanted)) {
                    breaches.add(new Breach("confirmedBy", "UNCONFIRMED"));
                }
            }
            case DROPPED -> {
                if (others.stream().anyMatch(each -> waitsFor(each, wanted.kind(), others))) {
                    breaches.add(new Breach("state", "OTHERS_WAIT"));
                }
            }
        }
        return breaches;
    }

    /** Kinds of action that must be done before this one and are in the plan but not done yet, in their order. */
    public List<ActionKind> waitsFor(Step step, Collection<Step> others) {
        if (step.stage() != Stage.AGREED) {
            return List.of();
        }
        return before(step).stream()
                .map(Before::kind)
                .filter(kind -> isAt(Stage.AGREED, kind, others) && !isAt(Stage.DONE, kind, others))
                .toList();
    }

    /** Whether money for it waits until something confirmed it; a test strip of gypsum is itself such a test. */
    public static boolean needsConfirmation(Step step) {
        return switch (step.kind()) {
            case LIME, NITROGEN_OR_PATIENCE, LESS_NITROGEN -> true;
            case GYPSUM -> !strip(step);
            default -> false;
        };
    }

    private static boolean strip(Step step) {
        return !step.inputs().containsKey("espPct");
    }

    private List<Before> before(Step step) {
        List<Before> rules = new ArrayList<>();
        boolean acid = named.contains(Constraint.ACIDITY);
        switch (step.kind()) {
            case LEACH -> {
                if (!facts.drained()) {
                    rules.add(new Before(ActionKind.DRAIN, true, "DRAIN_FIRST"));
                }
                rules.add(new Before(ActionKind.GYPSUM, sodic(), "GYPSUM_FIRST"));
            }
            case GYPSUM -> rules.add(new Before(ActionKind.LIME, acid && !strip(step), "LIME_FIRST"));
            case COVER_CROP -> {
                if (step.constraint() == Constraint.COMPACTION_LAYER) {
                    rules.add(new Before(ActionKind.LOOSEN, false, "LOOSEN_FIRST"));
                }
                if (step.constraint() == Constraint.WATERLOGGING) {
                    rules.add(new Before(ActionKind.DRAIN, false, "DRAIN_FIRST"));
                }
                if (legumes(step)) {
                    rules.add(new Before(ActionKind.LIME, acid, "LIME_BEFORE_LEGUMES"));
                }
            }
            default -> {
                // nothing has to come before it
            }
        }
        return rules;
    }

    private static boolean withGypsum(Collection<Step> others) {
        return isAt(Stage.AGREED, ActionKind.GYPSUM, others) || isAt(Stage.DONE, ActionKind.GYPSUM, others);
    }

    private static boolean legumes(Step step) {
        return step.inputs().get("aims") instanceof Collection<?> aims && aims.contains("nitrogen");
    }

    private boolean sodic() {
        return named.contains(Constraint.SODICITY)
                || facts.disperses()
                || facts.espPct() != null && facts.espPct() >= SODIC_FROM_PCT;
    }

    private static void add(List<Breach> breaches, Before rule, Step wanted, Collection<Step> others) {
        if (isAt(Stage.DONE, rule.kind(), others)) {
            return;
        }
        if (!isAt(Stage.AGREED, rule.kind(), others)) {
            if (rule.required()) {
                breaches.add(new Breach("state", rule.code()));
            }
            return;
        }
        boolean early = others.stream()
                .filter(each -> each.kind() == rule.kind() && each.stage() == Stage.AGREED)
                .anyMatch(each -> each.from() != null
                        && wanted.from() != null
                        && wanted.from().isBefore(each.from()));
        if (early) {
            breaches.add(new Breach("dueFrom", rule.code()));
        }
    }

    /** Whether an agreed step can't stand without a kind of action that nothing else in the plan provides. */
    private boolean waitsFor(Step step, ActionKind kind, Collection<Step> others) {
        return step.stage() == Stage.AGREED
                && before(step).stream().anyMatch(rule -> rule.required() && rule.kind() == kind)
                && !isAt(Stage.AGREED, kind, others)
                && !isAt(Stage.DONE, kind, others);
    }

    private static boolean isAt(Stage stage, ActionKind kind, Collection<Step> steps) {
        return steps.stream().anyMatch(each -> each.kind() == kind && each.stage() == stage);
    }
}
