package org.morphotera.core.plan;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.LimitWords;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.text.Messages;

/**
 * One way to answer a limit, offered or refused.
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
        @Nullable String held,
        Map<String, Object> heldWith) {

    private static final String CONFIRM_FIRST = "confirm-first";

    /** The same, held back. */
    Proposal heldBack(String why, Map<String, Object> with) {
        return new Proposal(kind, constraint, probability, inputs, origins, rules, why, with);
    }

    /**
     * How far what it mends reaches, where that is a part of the field, and the rules that hold for it, in sentences.
     *
     * @param beliefs that it was drawn from
     * @param confirmed whether a laboratory has confirmed what it answers
     */
    public List<String> told(List<Limits.Belief> beliefs, boolean confirmed, Messages messages) {
        LimitWords words = new LimitWords(messages);
        return Stream.concat(
                        beliefs.stream()
                                .filter(each -> each.constraint() == constraint && each.namedInPart())
                                .map(words::extent)
                                .filter(Objects::nonNull),
                        rules.stream()
                                .filter(rule -> !confirmed || !rule.equals(CONFIRM_FIRST))
                                .map(rule -> messages.text("action.rule." + rule)))
                .toList();
    }

    /** Why it is held back, in a sentence; {@code null} for a proposal that stands. */
    public @Nullable String heldFor(Messages messages) {
        return held == null ? null : messages.text(List.of("action.rule." + held), heldWith);
    }

    /** Whether it is held back until something is known or read again, and not refused. */
    public boolean isWaiting() {
        return held != null
                && (held.endsWith("-first") || held.equals(ActedOn.HELD) || held.equals(WetGround.ONE_PERMEABILITY));
    }

    /** Whether it is told but not offered. */
    public boolean isHeld() {
        return held != null;
    }
}
