package org.morphotera.training;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.EvidenceTables;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.plan.order.ActionKind;
import org.morphotera.core.reading.FaultText;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.ParsedFields;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Numbers;
import org.morphotera.core.text.Messages;
import org.morphotera.training.method.Simulators;

/**
 * A ground to practise on: deals a made-up place, shows what its tests show, and judges what was made of it. Plain trees
 * in and out; a round is its deal and what the learner did, and nothing is kept here.
 */
public final class TrainingGround {

    private static final int DIGITS = 6;

    private final TrainingTools tools;

    /** @param evidence the tables in force, by which findings speak of limits */
    public TrainingGround(MethodRegistry methods, Benchmarks benchmarks, EvidenceTables evidence, Messages messages) {
        this.tools = new TrainingTools(methods, benchmarks, evidence, messages);
    }

    /**
     * A place as the learner finds it.
     *
     * @param dealTree {@code seed}, {@code level}, {@code like?}
     * @return the place, or {@code errors}
     */
    public Map<String, Object> deal(Object dealTree) {
        Faults faults = new Faults();
        TrainingPlace place = place(dealTree, faults);
        if (place == null) {
            return refused(faults);
        }
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("seed", place.deal().seed());
        out.put("level", place.deal().level().code());
        out.put("landUse", place.landUse().code());
        out.put("context", place.day().context());
        out.put("kitOnly", place.day().kitOnly());
        out.put("tapWater", place.day().tapWater());
        out.put("seen", place.walkedIn().stream().map(this::seen).toList());
        out.put("tests", tools.offered().stream().map(this::test).toList());
        out.put("limits", names(Constraint.values(), "constraint."));
        out.put("actions", names(ActionKind.values(), "action."));
        return out;
    }

    private Map<String, Object> seen(Sighting each) {
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("finding", tools.messages().text("finding." + each.finding()));
        if (each.figure() == null) {
            row.put("state", tools.messages().word(each.state()));
        } else {
            row.put("figure", each.figure());
        }
        return row;
    }

    private Map<String, Object> test(FieldMethod<?> method) {
        List<Map<String, Object>> layers = new ArrayList<>();
        for (DepthLayer layer : method.layers()) {
            layers.add(Map.of("topMm", layer.topMm(), "bottomMm", layer.bottomMm()));
        }
        return Map.of("method", method.card().id(), "minutes", method.card().handsOnMinutes(), "layers", layers);
    }

    private List<Map<String, Object>> names(Coded[] all, String section) {
        List<Map<String, Object>> names = new ArrayList<>();
        for (Coded each : all) {
            names.add(Map.of("code", each.code(), "name", tools.messages().text(section + each.code())));
        }
        return names;
    }

    /**
     * What a test shows to whoever reads it with care.
     *
     * @param topMm top of the layer; 0 above the ground
     * @return {@code readings}, and {@code passing}: what moves with time
     */
    public Map<String, Object> scene(Object dealTree, String method, double topMm) {
        Faults faults = new Faults();
        TrainingPlace place = place(dealTree, faults);
        if (place == null || !tools.methods().has(method)) {
            return refused(faults);
        }
        FieldMethod<?> test = tools.methods().get(method);
        Map<String, Object> readings = place.shown(test, topMm, tools.benchmarks());
        Map<String, Object> scene = new LinkedHashMap<>();
        scene.put("readings", readings);
        scene.put("passing", Simulators.of(test).passing(readings));
        return rounded(scene);
    }

    /**
     * What a round comes to.
     *
     * @param made tests in their order: {@code method}, {@code topMm?}, {@code bottomMm?}, {@code readings}
     * @param named code of the constraint said to limit first, or {@code null}
     * @param action code of the action said to come first, or {@code null}
     */
    public Map<String, Object> verdict(Object dealTree, List<?> made, String named, String action) {
        Faults faults = new Faults();
        TrainingPlace place = place(dealTree, faults);
        if (place == null) {
            return refused(faults);
        }
        List<TrainingVisit.Made> tests = new ArrayList<>();
        for (Object each : made) {
            if (each instanceof Map<?, ?> row
                    && row.get("method") instanceof String id
                    && tools.methods().has(id)) {
                tests.add(new TrainingVisit.Made(id, layer(row), readings(row)));
            }
        }
        return rounded(new Verdict(place, tools, tests)
                .of(Coded.find(Constraint.values(), named), Coded.find(ActionKind.values(), action)));
    }

    private static DepthLayer layer(Map<?, ?> row) {
        return row.get("topMm") instanceof Number top && row.get("bottomMm") instanceof Number bottom
                ? new DepthLayer(top.doubleValue(), bottom.doubleValue())
                : null;
    }

    private static Map<String, Object> readings(Map<?, ?> row) {
        Map<String, Object> readings = new LinkedHashMap<>();
        if (row.get("readings") instanceof Map<?, ?> given) {
            given.forEach((name, value) -> readings.put(String.valueOf(name), value));
        }
        return readings;
    }

    private TrainingPlace place(Object dealTree, Faults faults) {
        Deal deal = ParsedFields.read("", dealTree, Deal::read, faults).value();
        return faults.isEmpty() ? TrainingPlace.of(deal) : null;
    }

    private Map<String, Object> refused(Faults faults) {
        List<Map<String, Object>> errors = new ArrayList<>();
        for (FaultText fault : FaultText.of(faults.found(), tools.messages())) {
            errors.add(Map.of("field", fault.field(), "code", fault.code(), "message", fault.message()));
        }
        return Map.of("errors", errors);
    }

    /** To the digits that a JVM and a page agree on. */
    private static Map<String, Object> rounded(Map<?, ?> tree) {
        Map<String, Object> out = new LinkedHashMap<>();
        tree.forEach((key, value) -> out.put(String.valueOf(key), roundedValue(value)));
        return out;
    }

    private static Object roundedValue(Object value) {
        if (value instanceof Map<?, ?> map) {
            return rounded(map);
        }
        if (value instanceof List<?> list) {
            List<Object> out = new ArrayList<>();
            list.forEach(each -> out.add(roundedValue(each)));
            return out;
        }
        return value instanceof Double number ? (Object) Numbers.significant(number, DIGITS) : value;
    }
}
