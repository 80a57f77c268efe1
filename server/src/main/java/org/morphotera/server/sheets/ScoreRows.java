package org.morphotera.server.sheets;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.morphotera.core.score.FieldFace;
import org.morphotera.core.score.StopScore;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.observations.Observation;

/** From stored rows to what the core's scoring reads. */
public final class ScoreRows {

    private static final String CROP_VIGOUR = "crop-vigour";

    private ScoreRows() {}

    public static FieldFace face(List<IndicatorRow> rows) {
        return FieldFace.of(standings(rows).toList());
    }

    /** With the crop's vigour, which is seen and not tested, as one more indicator above the ground. */
    public static FieldFace faceWithVigour(List<IndicatorRow> rows, List<Observation> observations) {
        return faceWithVigour(rows, observations, Map.of());
    }

    /** @param field where the field itself stands, by finding; the middle of its stops where it is not said */
    static FieldFace faceWithVigour(
            List<IndicatorRow> rows, List<Observation> observations, Map<FieldFace.Group, Double> field) {
        Stream<StopScore> seen = observations.stream()
                .filter(each -> each.cropVigour() != null)
                .map(each -> new StopScore(
                        each.stopId().toString(), CROP_VIGOUR, null, each.cropVigour() / 2, each.cropVigour()));
        return FieldFace.of(Stream.concat(standings(rows), seen).toList(), field);
    }

    private static Stream<StopScore> standings(List<IndicatorRow> rows) {
        return rows.stream()
                .filter(row -> row.standing() != null)
                .map(row -> new StopScore(
                        row.stopId().toString(), row.indicator(), row.layer(), row.standing(), row.points()));
    }
}
