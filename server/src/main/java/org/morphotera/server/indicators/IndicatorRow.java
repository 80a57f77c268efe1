package org.morphotera.server.indicators;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.morphotera.core.plan.FieldReadings;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Source;

/**
 * What one measurement shows for one indicator, or the class by which it is context for others.
 *
 * @param standing 0..1; {@code null} for a context class
 * @param points the method's own score of 2, or {@code null}
 * @param kind by which instrument, key or water it was read, or {@code null}
 * @param source code of where the figure comes from
 * @param code the reason of the rating, or the context class
 */
public record IndicatorRow(
        UUID measurementId,
        String indicator,
        UUID fieldId,
        UUID visitId,
        UUID stopId,
        String method,
        String band,
        Double depthTopMm,
        Double depthBottomMm,
        Double standing,
        Double standingLow,
        Double standingHigh,
        String code,
        Double figure,
        Double figureLow,
        Double figureHigh,
        String unit,
        Double points,
        String kind,
        String source,
        Instant takenAt) {

    /** Newest readings of a field as the core takes its facts from them. */
    public static FieldReadings readings(List<IndicatorRow> rows) {
        return new FieldReadings(rows.stream()
                .map(row -> new FieldReadings.Reading(
                        row.indicator,
                        row.method,
                        row.kind,
                        row.code,
                        row.standing,
                        row.figure,
                        row.figureLow,
                        row.figureHigh,
                        row.from(),
                        row.layer()))
                .toList());
    }

    /** The same with another standing, 0 to 1, and its interval. */
    public IndicatorRow standing(double score, double low, double high) {
        return new IndicatorRow(
                measurementId,
                indicator,
                fieldId,
                visitId,
                stopId,
                method,
                band,
                depthTopMm,
                depthBottomMm,
                score,
                low,
                high,
                code,
                figure,
                figureLow,
                figureHigh,
                unit,
                points,
                kind,
                source,
                takenAt);
    }

    /** Where the figure comes from. */
    public Source from() {
        return Coded.find(Source.values(), source);
    }

    /** The sampled layer; {@code null} where the measurement has none. */
    public DepthLayer layer() {
        return depthTopMm == null || depthBottomMm == null ? null : new DepthLayer(depthTopMm, depthBottomMm);
    }
}
