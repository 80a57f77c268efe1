package org.morphotera.server.walk;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.result.Level;
import org.morphotera.core.text.Messages;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.measurements.MeasurementReader;

/**
 * A recorded test in a list: what it rates, without its readings.
 *
 * @param contextClass the class it found, such as a texture, where it is context for others
 */
public record MadeTest(
        UUID id,
        UUID stopId,
        String method,
        @Nullable Double depthTopMm,
        @Nullable Double depthBottomMm,
        Instant takenAt,
        List<Result> results,
        @Nullable String contextClass) {

    /** One indicator that it rates. */
    record Result(
            String indicator,
            String label,
            String level,
            @Nullable Double figure,
            @Nullable String unit) {}

    static List<MadeTest> of(List<MeasurementReader.TestRow> tests, List<IndicatorRow> shown, Messages messages) {
        Map<UUID, List<IndicatorRow>> byTest =
                shown.stream().collect(Collectors.groupingBy(IndicatorRow::measurementId));
        return tests.stream()
                .map(test -> {
                    List<IndicatorRow> own = byTest.getOrDefault(test.id(), List.of());
                    return new MadeTest(
                            test.id(),
                            test.stopId(),
                            test.method(),
                            test.depthTopMm(),
                            test.depthBottomMm(),
                            test.takenAt(),
                            own.stream()
                                    .filter(row -> row.standing() != null)
                                    .map(row -> new Result(
                                            row.indicator(),
                                            messages.word(row.indicator()),
                                            Level.of(row.standing()).code(),
                                            row.figure(),
                                            row.unit()))
                                    .toList(),
                            own.stream()
                                    .filter(row -> row.standing() == null)
                                    .map(IndicatorRow::code)
                                    .findFirst()
                                    .orElse(null));
                })
                .toList();
    }
}
