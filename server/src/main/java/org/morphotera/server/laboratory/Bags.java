package org.morphotera.server.laboratory;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Stop;
import org.springframework.stereotype.Component;

/** Bags as they are shown: with the names of their places and how long they keep. */
@Component
class Bags {

    /** Composites that are to be there sooner than this are kept cool. */
    private static final double COOL_UNDER_DAYS = 4;

    private static final long SECONDS_OF_DAY = 86_400;

    private final FieldReader fields;
    private final Benchmarks benchmarks;

    Bags(FieldReader fields, Benchmarks benchmarks) {
        this.fields = fields;
        this.benchmarks = benchmarks;
    }

    static List<UUID> stopIds(LaboratoryMapper.BagRow row) {
        return Arrays.stream(row.stopIds().split(",")).map(UUID::fromString).toList();
    }

    static List<String> tests(LaboratoryMapper.BagRow row) {
        return List.of(row.tests().split(","));
    }

    Bag view(UUID practice, LaboratoryMapper.BagRow row) {
        return views(practice, List.of(row)).get(0);
    }

    List<Bag> views(UUID practice, List<LaboratoryMapper.BagRow> rows) {
        Map<UUID, Map<UUID, String>> labels = rows.stream()
                .map(LaboratoryMapper.BagRow::fieldId)
                .distinct()
                .collect(Collectors.toMap(
                        field -> field,
                        field -> fields.stops(practice, field).stream()
                                .collect(Collectors.toMap(Stop::id, Stop::label))));
        return rows.stream().map(row -> view(row, labels.get(row.fieldId()))).toList();
    }

    private Bag view(LaboratoryMapper.BagRow row, Map<UUID, String> labels) {
        Table table = benchmarks.table("laboratory.tests");
        double days = tests(row).stream()
                .mapToDouble(test -> table.at(test, "days"))
                .min()
                .orElseThrow();
        Instant until = row.takenAt().plus(Math.round(days * SECONDS_OF_DAY), ChronoUnit.SECONDS);
        return new Bag(
                row.id(),
                row.code(),
                row.fieldId(),
                row.field(),
                row.visitId(),
                stopIds(row),
                stopIds(row).stream().map(id -> labels.getOrDefault(id, "")).collect(Collectors.joining(", ")),
                row.depthTopMm(),
                row.depthBottomMm(),
                row.takenAt(),
                row.sampler(),
                tests(row),
                row.cores(),
                row.note(),
                until,
                days < COOL_UNDER_DAYS,
                row.dispatchId(),
                row.measurementId(),
                row.measurementId() != null ? "answered" : row.dispatchId() != null ? "sent" : "here",
                row.version());
    }
}
