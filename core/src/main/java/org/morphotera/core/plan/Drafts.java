package org.morphotera.core.plan;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.soil.Source;

/** Proposals as they are drawn up, one limit after the other. */
final class Drafts {

    private final Benchmarks benchmarks;
    private final Predicate<Constraint> named;
    private final List<Proposal> proposals = new ArrayList<>();

    /** @param named whether a constraint is named of the field or of a part of it */
    Drafts(Benchmarks benchmarks, Predicate<Constraint> named) {
        this.benchmarks = benchmarks;
        this.named = named;
    }

    boolean isNamed(Constraint constraint) {
        return named.test(constraint);
    }

    Table table(String id) {
        return benchmarks.table(id);
    }

    List<Proposal> all() {
        return proposals;
    }

    /** An action without an amount. */
    void add(ActionKind kind, Limits.Belief belief, List<String> rules) {
        add(kind, belief, new Inputs(), rules, null);
    }

    /** A refused action, with the code of the reason. */
    void hold(ActionKind kind, Limits.Belief belief, String reason) {
        add(kind, belief, new Inputs(), List.of(), reason);
    }

    /** @param held the code of the reason for which it is held back; {@code null} where it stands */
    void add(ActionKind kind, Limits.Belief belief, Inputs inputs, List<String> rules, @Nullable String held) {
        boolean there = proposals.stream()
                .anyMatch(each -> each.kind() == kind
                        && kind != ActionKind.LIVE_WITH_IT
                        && each.inputs().equals(inputs.values));
        if (!there) {
            proposals.add(new Proposal(
                    kind,
                    belief.constraint(),
                    belief.sure(),
                    Collections.unmodifiableMap(inputs.values),
                    Collections.unmodifiableMap(inputs.origins),
                    List.copyOf(rules),
                    held,
                    Map.of()));
        }
    }

    /** Inputs of a calculator with where they came from; what is not known stays out, for the advisor to give. */
    static final class Inputs {

        private final Map<String, Object> values = new LinkedHashMap<>();
        private final Map<String, String> origins = new LinkedHashMap<>();

        Inputs put(String name, @Nullable Object value, @Nullable String origin) {
            if (value != null) {
                values.put(name, value);
                origins.put(name, origin);
            }
            return this;
        }

        /** What the field is used for, its texture and how much of it is treated. */
        Inputs ground(FieldFacts facts) {
            return put(
                            "landUse",
                            facts.landUse() == null ? null : facts.landUse().code(),
                            "field")
                    .put(
                            "textureGroup",
                            facts.textureGroup() == null
                                    ? null
                                    : facts.textureGroup().code(),
                            "reading")
                    .area(facts);
        }

        /** How much ground is treated. */
        Inputs area(FieldFacts facts) {
            return put("areaHa", facts.treated().areaHa(), facts.treated().patch() ? "patch" : "field");
        }
    }

    /** Which of the field's sources a figure comes from, as a code of origins. */
    static String origin(@Nullable Source source) {
        return source == null ? "reading" : source.code();
    }
}
