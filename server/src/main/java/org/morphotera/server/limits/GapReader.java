package org.morphotera.server.limits;

import java.util.UUID;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.score.SoilPlantGap;
import org.morphotera.server.indicators.FieldIndicators;
import org.morphotera.server.observations.ObservationReader;
import org.morphotera.server.sheets.ScoreRows;
import org.springframework.stereotype.Service;

/** How far a field's soil sheet stands over its plant sheet, by the newest of each test. */
@Service
public class GapReader {

    private final FieldIndicators indicators;
    private final ObservationReader observations;
    private final Benchmarks benchmarks;

    GapReader(FieldIndicators indicators, ObservationReader observations, Benchmarks benchmarks) {
        this.indicators = indicators;
        this.observations = observations;
        this.benchmarks = benchmarks;
    }

    /** In per cent of the points that were possible; {@code null} when one of the sheets is empty. */
    public Double soilOverPlant(UUID practice, UUID field) {
        return SoilPlantGap.of(
                ScoreRows.faceWithVigour(
                        indicators.ofField(practice, field), observations.latestOfField(practice, field)),
                benchmarks);
    }
}
