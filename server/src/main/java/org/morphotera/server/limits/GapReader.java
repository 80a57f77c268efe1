package org.morphotera.server.limits;

import java.util.UUID;
import org.morphotera.core.score.FieldFace;
import org.morphotera.core.score.PointsSheet;
import org.morphotera.server.indicators.IndicatorReader;
import org.morphotera.server.observations.ObservationReader;
import org.morphotera.server.sheets.SheetBuilder;
import org.morphotera.server.sheets.StandingRows;
import org.springframework.stereotype.Service;

/** How far a field's soil sheet stands over its plant sheet, by the newest of each test. */
@Service
public class GapReader {

    private final IndicatorReader indicators;
    private final ObservationReader observations;
    private final SheetBuilder builder;

    GapReader(IndicatorReader indicators, ObservationReader observations, SheetBuilder builder) {
        this.indicators = indicators;
        this.observations = observations;
        this.builder = builder;
    }

    /** In per cent of the points that were possible; {@code null} when one of the sheets is empty. */
    public Double soilOverPlant(UUID practice, UUID field) {
        FieldFace face = StandingRows.faceWithVigour(
                indicators.latestOfField(practice, field), observations.latestOfField(practice, field));
        PointsSheet soil = builder.soil(face);
        PointsSheet plant = builder.plant(face);
        return soil.percent() == null || plant.percent() == null ? null : soil.percent() - plant.percent();
    }
}
