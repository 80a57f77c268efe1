package org.morphotera.core.plan.road;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.plan.order.OrderRules;
import org.morphotera.core.text.Messages;

/** The programmes that a field's limits ask for: free lime that holds the pH up, and salt. */
public final class Roads {

    private static final String HIGH_PH = "road.high-ph.";
    private static final String SALT = "road.salt.";

    /** Conductivity is told to a tenth. */
    private static final double TENTHS = 10;

    private final List<Limits.Belief> beliefs;
    private final FieldFacts facts;
    private final Benchmarks benchmarks;
    private final Messages messages;

    private Roads(List<Limits.Belief> beliefs, FieldFacts facts, Benchmarks benchmarks, Messages messages) {
        this.beliefs = beliefs;
        this.facts = facts;
        this.benchmarks = benchmarks;
        this.messages = messages;
    }

    /** One for each limit that asks for years; empty where none does. */
    public static List<Road> of(
            List<Limits.Belief> beliefs, FieldFacts facts, Benchmarks benchmarks, Messages messages) {
        Roads roads = new Roads(beliefs, facts, benchmarks, messages);
        List<Road> all = new ArrayList<>();
        if (roads.isNamed(Constraint.FREE_LIME)) {
            all.add(roads.highPh());
        }
        if (roads.isNamed(Constraint.SALINITY) && facts.ece() != null) {
            all.add(roads.salt());
        }
        return all;
    }

    private boolean isNamed(Constraint constraint) {
        return beliefs.stream().anyMatch(each -> each.constraint() == constraint && each.isToMend());
    }

    private Road.Step step(String road, String code, Map<String, ?> args) {
        return new Road.Step(
                messages.text(road + code + ".years"),
                messages.text(List.of(road + code), args),
                messages.optional(road + code + ".only"),
                messages.optional(road + code + ".test"));
    }

    private Road.Step step(String road, String code) {
        return step(road, code, Map.of());
    }

    private Road highPh() {
        List<Road.Step> steps = new ArrayList<>();
        if (isNamed(Constraint.WATERLOGGING)) {
            steps.add(step(HIGH_PH, "water"));
        }
        for (String code : List.of("nitrogen", "band", "crops", "roots", "tillage", "read")) {
            steps.add(step(HIGH_PH, code));
        }
        return new Road(
                Constraint.FREE_LIME,
                messages.text(HIGH_PH + "title"),
                steps,
                messages.text(HIGH_PH + "outlook"),
                null,
                null);
    }

    private Road salt() {
        boolean inPart = facts.treated().patch()
                || beliefs.stream().anyMatch(each -> each.constraint() == Constraint.SALINITY && each.namedInPart());
        boolean sodic =
                isNamed(Constraint.SODICITY) || facts.espPct() != null && facts.espPct() >= OrderRules.SODIC_FROM_PCT;
        List<Road.Step> steps = new ArrayList<>();
        if (!facts.drained()) {
            steps.add(step(SALT, inPart ? "interceptor" : "outlet"));
        }
        if (sodic) {
            steps.add(step(SALT, "gypsum"));
        } else if (facts.saltMayHideSodium()) {
            steps.add(step(SALT, "sodium"));
        }
        for (String code : List.of("straw", "cover", "rain", "read")) {
            steps.add(step(SALT, code));
        }
        double target = target();
        Table rules = benchmarks.table("plan.leaching");
        double aYear = rules.at("rain-ds-per-m-a-year", "value");
        double spread = rules.at("rain-spread-ds-per-m-a-year", "value");
        double over = Math.max(0, facts.ece() - target);
        Map<String, Object> args = new HashMap<>();
        args.put("now", Math.rint(TENTHS * facts.ece()) / TENTHS);
        args.put("target", target);
        args.put("soonest", (int) Math.ceil(over / (aYear + spread)));
        args.put("latest", (int) Math.ceil(over / (aYear - spread)));
        return new Road(
                Constraint.SALINITY,
                messages.text(SALT + (inPart ? "title-spot" : "title")),
                steps,
                messages.text(List.of(SALT + (over == 0 ? "outlook-there" : "outlook")), args),
                messages.text(List.of(SALT + "until"), args),
                messages.text(SALT + "warning"));
    }

    /** What this crop stands, dS/m; what most crops stand where it is not known. */
    private double target() {
        @Nullable String crop = facts.crop();
        Table crops = benchmarks.table("salinity.crops");
        return crop != null && crops.has(crop)
                ? crops.at(crop, "threshold")
                : benchmarks.table("salinity.usual").at("usual", "threshold");
    }
}
