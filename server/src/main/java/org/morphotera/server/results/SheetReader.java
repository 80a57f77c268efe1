package org.morphotera.server.results;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.score.FieldFace;
import org.morphotera.core.score.PointsSheet;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldMapper;
import org.morphotera.server.indicators.IndicatorMapper;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.visits.Observation;
import org.morphotera.server.visits.ObservationMapper;
import org.morphotera.server.visits.Visit;
import org.morphotera.server.visits.VisitMapper;
import org.morphotera.server.web.NotFoundException;
import org.springframework.stereotype.Service;

/** Reads what a sheet is made of; also for the report. */
@Service
public class SheetReader {

    private final FieldMapper fields;
    private final VisitMapper visits;
    private final ObservationMapper observations;
    private final IndicatorMapper indicators;
    private final FaceMapper faces;
    private final SheetBuilder builder;

    SheetReader(
            FieldMapper fields,
            VisitMapper visits,
            ObservationMapper observations,
            IndicatorMapper indicators,
            FaceMapper faces,
            SheetBuilder builder) {
        this.fields = fields;
        this.visits = visits;
        this.observations = observations;
        this.indicators = indicators;
        this.faces = faces;
        this.builder = builder;
    }

    /** @throws NotFoundException when the field has no such visit, or none at all */
    public Sheets.SheetView read(UUID practice, UUID fieldId, @Nullable UUID visitId) {
        Field field = NotFoundException.require(fields.field(practice, fieldId), "field");
        List<FaceMapper.VisitRow> all = faces.visits(practice, fieldId);
        UUID chosen = visitId != null
                ? visitId
                : all.stream()
                        .filter(each -> each.measurements() > 0)
                        .map(FaceMapper.VisitRow::id)
                        .findFirst()
                        .orElseThrow(() -> new NotFoundException("visit with a test"));
        Visit visit = NotFoundException.require(visits.visit(practice, chosen), "visit");
        if (!visit.fieldId().equals(fieldId)) {
            throw new NotFoundException("visit");
        }
        List<IndicatorRow> rows = indicators.ofVisit(practice, fieldId, chosen);
        List<Observation> seen = observations.ofVisit(practice, chosen);
        FieldFace face = StandingRows.faceWithVigour(rows, seen);
        PointsSheet soil = builder.soil(face);
        PointsSheet plant = builder.plant(face);
        return new Sheets.SheetView(
                field,
                fields.grower(practice, field.growerId()),
                chosen,
                visit.visitedOn(),
                visit.person(),
                visit.soilMoisture(),
                visit.daysSinceRain(),
                visit.soilTempC(),
                fields.stops(practice, fieldId),
                builder.rows(face, rows),
                seen,
                builder.points(soil),
                builder.points(plant),
                builder.question(soil, plant),
                builder.overall(face),
                all.stream()
                        .map(each -> new Sheets.SheetVisit(each.id(), each.visitedOn(), each.measurements()))
                        .toList());
    }
}
