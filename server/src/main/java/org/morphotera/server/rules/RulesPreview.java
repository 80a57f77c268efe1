package org.morphotera.server.rules;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.text.Messages;
import org.morphotera.server.measurements.MeasurementReader;
import org.morphotera.server.methods.Evaluator;
import org.morphotera.server.methods.OwnRules;
import org.morphotera.server.web.RefusedException;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What other benchmarks would make of the newest tests. */
@Component
class RulesPreview {

    /** Tests that are looked at: enough to see what a change does, and done before anybody waits. */
    private static final int NEWEST = 1500;

    private static final int SHOWN = 100;
    private static final TypeReference<Map<String, Object>> TREE = new TypeReference<>() {};

    /**
     * A level, or a class, that would be another.
     *
     * @param what indicator or class, in words
     * @param levels whether before and after are codes of levels; else they are in words
     */
    @Schema(name = "ChangedFinding")
    record Changed(
            UUID measurementId,
            UUID fieldId,
            String field,
            String stop,
            String method,
            String title,
            Instant takenAt,
            String what,
            boolean levels,
            @Nullable String before,
            @Nullable String after) {}

    /**
     * @param looked how many tests were looked at, the newest
     * @param changed in how many of them something changes
     * @param findings of these, at most a hundred
     */
    @Schema(name = "RulesPreview")
    record Preview(int looked, int changed, List<Changed> findings) {}

    private final MeasurementReader measurements;
    private final Evaluator evaluator;
    private final OwnRules own;
    private final Messages messages;
    private final JsonMapper json;

    RulesPreview(
            MeasurementReader measurements, Evaluator evaluator, OwnRules own, Messages messages, JsonMapper json) {
        this.measurements = measurements;
        this.evaluator = evaluator;
        this.own = own;
        this.messages = messages;
        this.json = json;
    }

    Preview of(UUID practice, Benchmarks supposed) {
        Benchmarks now = own.benchmarks(practice);
        List<MeasurementReader.Newest> newest = measurements.newest(practice, NEWEST);
        List<Changed> findings = new ArrayList<>();
        int changed = 0;
        for (MeasurementReader.Newest each : newest) {
            Map<String, Object> readings = json.readValue(each.readings(), TREE);
            Map<String, Object> context = json.readValue(each.context(), TREE);
            try {
                List<Changed> of = difference(
                        each,
                        evaluator.evaluate(now, each.method(), readings, context),
                        evaluator.evaluate(supposed, each.method(), readings, context));
                changed += of.isEmpty() ? 0 : 1;
                of.stream().limit(SHOWN - findings.size()).forEach(findings::add);
            } catch (RefusedException e) {
                // recorded under rules that took it; it stays as it was judged
            }
        }
        return new Preview(newest.size(), changed, findings);
    }

    private List<Changed> difference(MeasurementReader.Newest of, Envelope before, Envelope after) {
        List<Changed> changed = new ArrayList<>();
        TreeSet<String> indicators = new TreeSet<>();
        before.ratings().forEach(rating -> indicators.add(rating.indicator()));
        after.ratings().forEach(rating -> indicators.add(rating.indicator()));
        for (String indicator : indicators) {
            String was = level(before, indicator);
            String is = level(after, indicator);
            if (!Objects.equals(was, is)) {
                changed.add(changed(of, messages.word(indicator), true, was, is));
            }
        }
        TreeSet<String> classes = new TreeSet<>(before.classes().keySet());
        classes.addAll(after.classes().keySet());
        for (String name : classes) {
            String was = code(before, name);
            String is = code(after, name);
            if (!Objects.equals(was, is)) {
                changed.add(changed(of, messages.word(name), false, word(was), word(is)));
            }
        }
        return changed;
    }

    /** Codes of lists and layers are told by their levels. */
    private static @Nullable String code(Envelope envelope, String name) {
        return envelope.classes().get(name) instanceof String code ? code : null;
    }

    private @Nullable String word(@Nullable String code) {
        return code == null ? null : messages.word(code);
    }

    private static @Nullable String level(Envelope envelope, String indicator) {
        return envelope.ratings().stream()
                .filter(rating ->
                        rating.indicator().equals(indicator) && rating.school().equals("standing"))
                .map(Envelope.RatingText::level)
                .findFirst()
                .orElse(null);
    }

    private Changed changed(
            MeasurementReader.Newest of, String what, boolean levels, @Nullable String was, @Nullable String is) {
        return new Changed(
                of.id(),
                of.fieldId(),
                of.field(),
                of.stop(),
                of.method(),
                messages.text(of.method() + ".title"),
                of.takenAt(),
                what,
                levels,
                was,
                is);
    }
}
