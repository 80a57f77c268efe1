package org.morphotera.training;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.morphotera.core.limits.CropNeeds;
import org.morphotera.core.limits.Found;
import org.morphotera.core.limits.Limits;
import org.morphotera.core.limits.NextTest;
import org.morphotera.core.limits.Sightings;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.method.RecordedTest;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;

/** The tests made so far at a made-up place, and what follows from them. */
final class TrainingVisit {

    /** A test made: in which layer ({@code null} above the ground), and what was read. */
    record Made(String method, DepthLayer layer, Map<String, Object> readings) {}

    private final TrainingPlace place;
    private final TrainingTools tools;
    private final List<Sighting> seen = new ArrayList<>();
    private final Set<String> methods = new TreeSet<>();
    private String texture;

    TrainingVisit(TrainingPlace place, TrainingTools tools) {
        this.place = place;
        this.tools = tools;
        seen.addAll(place.walkedIn());
    }

    /** A visit that goes on from here by itself. */
    TrainingVisit copy() {
        TrainingVisit copy = new TrainingVisit(place, tools);
        copy.seen.clear();
        copy.seen.addAll(seen);
        copy.methods.addAll(methods);
        copy.texture = texture;
        return copy;
    }

    /**
     * Adds a test.
     *
     * @return what came of it; {@code null} where its readings can't be evaluated, and it counts for nothing
     */
    Envelope add(Made made) {
        methods.add(made.method());
        Envelope envelope = evaluated(made);
        if (envelope == null) {
            return null;
        }
        FieldMethod<?> method = tools.methods().get(made.method());
        if (method.card().contextClass() != null && method.contextCode(envelope) instanceof String code) {
            texture = code;
        }
        seen.addAll(
                RecordedTest.of(method, made.readings(), envelope, made.layer()).sightings());
        return envelope;
    }

    /** What would come of a test with what is known now; {@code null} where its readings can't be evaluated. */
    Envelope evaluated(Made made) {
        Outcome outcome = tools.methods()
                .evaluate(
                        made.method(),
                        Map.of("readings", made.readings(), "context", context(made.layer())),
                        tools.benchmarks());
        return outcome instanceof Outcome.Evaluated done ? Envelope.of(done.evaluation(), tools.messages()) : null;
    }

    private Map<String, Object> context(DepthLayer layer) {
        Map<String, Object> context = new LinkedHashMap<>(place.day().context());
        context.put("landUse", place.landUse().code());
        if (texture != null) {
            context.put("textureClass", texture);
        }
        if (layer != null) {
            context.put("depthTopMm", layer.topMm());
            context.put("depthBottomMm", layer.bottomMm());
        }
        return context;
    }

    Map<String, Found> findings() {
        return Sightings.findings(seen, CropNeeds.of(null, place.landUse(), tools.benchmarks()), tools.evidence());
    }

    List<Limits.Belief> beliefs() {
        return Limits.of(findings(), place.landUse(), tools.evidence());
    }

    /** What is worth testing next, best first. */
    List<NextTest.Offer> next() {
        Map<String, Integer> left = new LinkedHashMap<>();
        tools.offered().forEach(method -> {
            if (!methods.contains(method.card().id())) {
                left.put(method.card().id(), tools.minutes(method));
            }
        });
        return NextTest.ranked(findings(), left, place.landUse(), tools.evidence());
    }

    /** Makes a test in all its layers, reading what it shows with care. */
    void makeWithCare(FieldMethod<?> method) {
        for (DepthLayer layer : tools.layers(method)) {
            double top = layer == null ? 0 : layer.topMm();
            add(new Made(method.card().id(), layer, place.shown(method, top, tools.benchmarks())));
        }
    }
}
