package org.morphotera.server.exchange;

import java.io.IOException;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Catalogue;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.text.Messages;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Grower;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.measurements.Measurement;
import org.morphotera.server.measurements.Measurements;
import org.morphotera.server.visits.Visit;
import org.morphotera.server.visits.VisitReader;
import org.morphotera.server.web.NotFoundException;
import org.springframework.stereotype.Component;

/** All that stands in a practice's record, line by line, a field at a time. */
@Component
class Records {

    /** Takes lines as they come. */
    interface Lines {
        void take(RecordLine line) throws IOException;
    }

    private final FieldReader fields;
    private final VisitReader visits;
    private final Measurements measurements;
    private final MethodRegistry methods;
    private final Messages messages;
    private final Benchmarks benchmarks;
    private final Map<String, ReadingShape> shapes = new ConcurrentHashMap<>();

    Records(
            FieldReader fields,
            VisitReader visits,
            Measurements measurements,
            MethodRegistry methods,
            Messages messages,
            Benchmarks benchmarks) {
        this.fields = fields;
        this.visits = visits;
        this.measurements = measurements;
        this.methods = methods;
        this.messages = messages;
        this.benchmarks = benchmarks;
    }

    /** How the readings of a test are written one by one. */
    ReadingShape shape(String method) {
        return shapes.computeIfAbsent(
                method,
                id -> new ReadingShape(
                        Catalogue.entry(methods.get(id), messages, benchmarks).readings()));
    }

    /** The fields asked for: one, or all of the practice. */
    List<Field> fields(UUID practice, @Nullable UUID field) {
        return field == null
                ? fields.fields(practice)
                : List.of(NotFoundException.require(fields.field(practice, field), "field"));
    }

    /**
     * @param what whether a line of this kind is wanted
     */
    void each(UUID practice, @Nullable UUID only, Predicate<String> what, Lines lines) throws IOException {
        Map<UUID, String> growers =
                fields.growers(practice).stream().collect(Collectors.toMap(Grower::id, Grower::name));
        for (Field field : fields(practice, only)) {
            Map<UUID, Visit> of = new HashMap<>();
            visits.visitsOf(practice, field.id()).forEach(visit -> of.put(visit.id(), visit));
            Map<UUID, Stop> stops = new HashMap<>();
            fields.stops(practice, field.id()).forEach(stop -> stops.put(stop.id(), stop));
            List<Measurement> all = measurements.active(practice, field.id()).stream()
                    .sorted(Comparator.comparing(
                                    (Measurement m) -> of.get(m.visitId()).visitedOn())
                            .thenComparing(m -> stops.get(m.stopId()).position())
                            .thenComparing(Measurement::stopId)
                            .thenComparing(Measurement::takenAt)
                            .thenComparing(Measurement::id))
                    .toList();
            for (Measurement each : all) {
                Place place = new Place(
                        field.name(),
                        growers.getOrDefault(field.growerId(), ""),
                        stops.get(each.stopId()).label(),
                        of.get(each.visitId()));
                write(place, each, what, lines);
            }
        }
    }

    private record Place(String field, String grower, String stop, Visit visit) {

        private RecordLine line(Measurement of, String what, String name, Object value, String unit) {
            return new RecordLine(
                    field,
                    grower,
                    stop,
                    visit.visitedOn(),
                    of.takenAt(),
                    of.method(),
                    of.id(),
                    of.depthTopMm(),
                    of.depthBottomMm(),
                    what,
                    name,
                    value,
                    unit == null ? "" : unit);
        }
    }

    private void write(Place place, Measurement of, Predicate<String> what, Lines lines) throws IOException {
        if (what.test(RecordLine.READING)) {
            for (ReadingShape.Leaf leaf : shape(of.method()).leaves(of.readings())) {
                lines.take(place.line(of, RecordLine.READING, leaf.path(), leaf.value(), leaf.unit()));
            }
        }
        if (what.test("figure")) {
            Envelope evaluation = of.evaluation();
            for (Map.Entry<String, Envelope.Figure> each : evaluation.values().entrySet()) {
                lines.take(place.line(
                        of,
                        "figure",
                        each.getKey(),
                        each.getValue().value(),
                        each.getValue().unit()));
            }
            for (Map.Entry<String, Object> each : evaluation.classes().entrySet()) {
                Object code = each.getValue() instanceof List<?> several
                        ? several.stream().map(Object::toString).collect(Collectors.joining(" "))
                        : each.getValue();
                lines.take(place.line(of, "class", each.getKey(), code, ""));
            }
            for (Envelope.RatingText each : evaluation.ratings()) {
                if (each.standing() != null && each.school().equals("standing")) {
                    lines.take(place.line(of, "standing", each.indicator(), each.standing(), ""));
                }
            }
        }
    }
}
