package org.morphotera.server.sheets;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.judgement.FieldJudgement;
import org.morphotera.core.score.FieldFace;
import org.morphotera.core.score.PointsSheet;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.indicators.IndicatorReader;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.judgements.JudgedFields;
import org.morphotera.server.observations.Observation;
import org.morphotera.server.observations.ObservationReader;
import org.morphotera.server.visits.Visit;
import org.morphotera.server.visits.VisitReader;
import org.morphotera.server.web.NotFoundException;
import org.springframework.stereotype.Service;

/** Reads what a sheet is made of; also for the report. */
@Service
public class SheetReader {

    private final FieldReader fields;
    private final VisitReader visits;
    private final ObservationReader observations;
    private final IndicatorReader indicators;
    private final JudgedFields judged;
    private final VisitReader faces;
    private final SheetBuilder.Builders builders;

    SheetReader(
            FieldReader fields,
            VisitReader visits,
            ObservationReader observations,
            IndicatorReader indicators,
            JudgedFields judged,
            VisitReader faces,
            SheetBuilder.Builders builders) {
        this.fields = fields;
        this.visits = visits;
        this.observations = observations;
        this.indicators = indicators;
        this.judged = judged;
        this.faces = faces;
        this.builders = builders;
    }

    /** @throws NotFoundException when the field has no such visit, or none at all */
    public Sheets.SheetView read(UUID practice, UUID fieldId, @Nullable UUID visitId) {
        Field field = NotFoundException.require(fields.field(practice, fieldId), "field");
        List<VisitReader.VisitRow> all = faces.visits(practice, fieldId);
        UUID chosen = visitId != null
                ? visitId
                : all.stream()
                        .filter(each -> each.measurements() > 0)
                        .map(VisitReader.VisitRow::id)
                        .findFirst()
                        .orElseThrow(() -> new NotFoundException("visit with a test"));
        Visit visit = NotFoundException.require(visits.visit(practice, chosen), "visit");
        if (!visit.fieldId().equals(fieldId)) {
            throw new NotFoundException("visit");
        }
        FieldJudgement judgement = judged.of(practice, fieldId);
        List<IndicatorRow> rows =
                judged.modelled(judgement, indicators.ofVisitLeading(practice, fieldId, chosen), chosen);
        List<Observation> seen = observations.ofVisit(practice, chosen);
        FieldFace face = ScoreRows.faceWithVigour(rows, seen, judgement.standings(chosen.toString()));
        SheetBuilder builder = builders.of(practice);
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
