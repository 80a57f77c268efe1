package org.morphotera.server.faces;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.judgement.FieldJudgement;
import org.morphotera.core.limits.StopFindings;
import org.morphotera.core.score.FieldFace;
import org.morphotera.core.score.GroundPicture;
import org.morphotera.core.score.StopRole;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Patches;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.indicators.IndicatorReader;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.judgements.JudgedFields;
import org.morphotera.server.limits.FieldLimits;
import org.morphotera.server.limits.Leading;
import org.morphotera.server.limits.NextTests;
import org.morphotera.server.measurements.GroundMarks;
import org.morphotera.server.sheets.SheetBuilder;
import org.morphotera.server.visits.VisitContexts;
import org.morphotera.server.visits.VisitReader;
import org.morphotera.server.web.NotFoundException;
import org.springframework.stereotype.Service;

/** Reads a field's face; also for the report. */
@Service
public class FaceReader {

    private final FieldReader fields;
    private final IndicatorReader rows;
    private final JudgedFields judged;
    private final VisitReader faces;
    private final FaceBuilder builder;
    private final SheetBuilder.Builders sheets;
    private final FieldSummaries strips;
    private final FieldLimits limits;
    private final NextTests next;
    private final GroundMarks marks;
    private final VisitContexts contexts;

    FaceReader(
            FieldReader fields,
            IndicatorReader rows,
            JudgedFields judged,
            VisitReader faces,
            FaceBuilder builder,
            SheetBuilder.Builders sheets,
            FieldSummaries strips,
            FieldLimits limits,
            NextTests next,
            GroundMarks marks,
            VisitContexts contexts) {
        this.contexts = contexts;
        this.next = next;
        this.marks = marks;
        this.fields = fields;
        this.rows = rows;
        this.judged = judged;
        this.faces = faces;
        this.builder = builder;
        this.sheets = sheets;
        this.strips = strips;
        this.limits = limits;
    }

    /** @throws NotFoundException when the practice has no such field */
    public Faces.FieldFaceView read(UUID practice, UUID id) {
        Field field = NotFoundException.require(fields.field(practice, id), "field");
        List<Stop> stops = fields.stops(practice, id);
        List<UUID> walked = stops.stream().map(Stop::id).toList();
        FieldJudgement judgement = judged.of(practice, id);
        List<IndicatorRow> latest = judged.modelled(judgement, rows.latestOfField(practice, id), null).stream()
                .sorted(Comparator.comparingInt(row -> walked.indexOf(row.stopId())))
                .toList();
        FieldFace face = judgement.face(null);
        Map<UUID, String> labels = stops.stream().collect(Collectors.toMap(Stop::id, Stop::label));
        List<Faces.FindingView> findings = builder.findings(face, latest, labels, judgement);
        StopFindings found = limits.findings(practice, field);
        Leading leading = limits.leading(found);
        List<UUID> read = latest.stream().map(IndicatorRow::stopId).distinct().toList();
        GroundPicture ground = GroundPicture.of(marks.of(practice, read, null));
        return new Faces.FieldFaceView(
                field,
                fields.grower(practice, field.growerId()),
                IndicatorRow.readings(latest).texture(field.textureClass()),
                stops,
                findings,
                builder.bands(face),
                builder.limit(face, latest),
                visits(practice, id),
                faces.countVisits(practice, id),
                fields.events(practice, id),
                contexts.southern(practice, stops),
                contexts.read(practice, id, null),
                sheets.of(practice).overall(face),
                FaceBuilder.layout(findings, ground),
                ground,
                findings.isEmpty()
                        ? null
                        : next.of(field, found.field()).stream().findFirst().orElse(null),
                leading,
                patches(judgement, stops, told(builder.limit(face, latest), leading, latest)));
    }

    /** The indicator that both patches are told by: of the strongest evidence, else the lowest. */
    private static @Nullable String told(
            Faces.@Nullable Limit limit, @Nullable Leading leading, List<IndicatorRow> rows) {
        return rows.stream()
                .filter(row -> leading != null && row.method().equals(leading.method()) && row.figure() != null)
                .map(IndicatorRow::indicator)
                .findFirst()
                .orElse(limit == null ? null : limit.indicator());
    }

    /** What limits, in both patches; {@code null} where the poor one does not lead or the good one was not read. */
    private @Nullable String patches(FieldJudgement judgement, List<Stop> stops, @Nullable String indicator) {
        boolean leads = StopRole.leading(Patches.roles(stops)) == StopRole.POOR;
        return !leads || indicator == null ? null : builder.patches(indicator, judgement);
    }

    private List<Faces.VisitStrip> visits(UUID practice, UUID field) {
        Map<UUID, List<Faces.Band>> bands = strips.visits(practice, field);
        return faces.visits(practice, field).stream()
                .map(visit -> new Faces.VisitStrip(
                        visit.id(),
                        visit.visitedOn(),
                        visit.person(),
                        visit.soilMoisture(),
                        visit.measurements(),
                        bands.getOrDefault(visit.id(), List.of())))
                .toList();
    }
}
