package org.morphotera.server.faces;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.morphotera.core.judgement.FieldJudgement;
import org.morphotera.core.result.Level;
import org.morphotera.core.schedule.Retest;
import org.morphotera.core.score.FieldFace;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.text.Messages;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldChanged;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.GrowerChanged;
import org.morphotera.server.indicators.IndicatorReader;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.judgements.JudgedFields;
import org.morphotera.server.limits.FieldLimits;
import org.morphotera.server.limits.Leading;
import org.morphotera.server.viewcache.ViewCache;
import org.morphotera.server.visits.VisitChanged;
import org.morphotera.server.visits.VisitGone;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * The shrunk faces of fields and visits, kept ready. A write marks them stale and one worker makes them again, so that
 * writing stays quick and reading neither writes nor grows with the years.
 */
@Component
class FieldSummaries {

    /** Sorts fields of which nothing was measured behind all others. */
    private static final double NOTHING_MEASURED = 2;

    private static final TypeReference<List<Faces.Band>> BANDS = new TypeReference<>() {};

    private final SummaryMapper rows;
    private final FieldReader fields;
    private final IndicatorReader indicators;
    private final JudgedFields judged;
    private final FaceBuilder builder;
    private final FieldLimits limits;
    private final Messages messages;
    private final JsonMapper json;
    private final ViewCache views;

    FieldSummaries(
            SummaryMapper rows,
            FieldReader fields,
            IndicatorReader indicators,
            JudgedFields judged,
            FaceBuilder builder,
            FieldLimits limits,
            Messages messages,
            JsonMapper json,
            ViewCache views) {
        this.views = views;
        this.rows = rows;
        this.fields = fields;
        this.indicators = indicators;
        this.judged = judged;
        this.builder = builder;
        this.limits = limits;
        this.messages = messages;
        this.json = json;
    }

    @EventListener
    void fieldChanged(FieldChanged changed) {
        markField(changed.practice(), changed.field());
        // what was done, or what a stop stands for, moves what the model says of all visits
        rows.markVisits(changed.practice(), changed.field());
    }

    private void markField(UUID practice, UUID field) {
        if (rows.markField(practice, field) == 0) {
            rows.addField(practice, field);
        }
    }

    @EventListener
    void growerChanged(GrowerChanged changed) {
        rows.markGrower(changed.practice(), changed.grower());
    }

    @EventListener
    void visitChanged(VisitChanged changed) {
        // a reading moves what the model says of all visits
        if (rows.markVisits(changed.practice(), changed.field()) == 0
                || rows.countVisit(changed.practice(), changed.visit()) == 0) {
            rows.addVisit(changed.practice(), changed.field(), changed.visit());
        }
        markField(changed.practice(), changed.field());
    }

    @EventListener
    void visitGone(VisitGone gone) {
        rows.removeVisit(gone.practice(), gone.visit());
        markField(gone.practice(), gone.field());
    }

    /** Makes the strip of a field from what is there now. */
    private Made make(UUID practice, UUID id) {
        Field field = fields.field(practice, id);
        FieldJudgement judgement = judged.of(practice, id);
        List<IndicatorRow> own = judged.modelled(judgement, indicators.latestOfField(practice, id), null);
        FieldFace face = judgement.face(null);
        Faces.Limit limit = led(builder.limit(face, own), limits.leading(practice, field));
        SummaryMapper.Summary summary = rows.summary(practice, id);
        Level level = limit == null ? null : Coded.find(Level.values(), limit.level());
        Faces.FieldStrip strip = new Faces.FieldStrip(
                id,
                field.name(),
                summary.grower(),
                field.landUse(),
                field.crop(),
                field.areaHa(),
                IndicatorRow.readings(own).texture(field.textureClass()),
                builder.bands(face),
                limit,
                summary.stops(),
                summary.lastVisit(),
                Retest.earlier(
                        Retest.dueOn(summary.lastVisit(), limit == null ? null : limit.indicator(), level),
                        summary.followUpOn()));
        return new Made(strip, face);
    }

    /** A strip, and the face that it shrinks. */
    private record Made(Faces.FieldStrip strip, FieldFace face) {}

    /** Makes a stale strip again and keeps it. */
    void refresh(SummaryMapper.Stale stale) {
        if (stale.visitId() != null) {
            rows.keepVisit(
                    stale.visitId(),
                    json.writeValueAsString(bandsOf(stale.practiceId(), stale.fieldId(), stale.visitId())),
                    stale.marks());
            return;
        }
        Made made = make(stale.practiceId(), stale.fieldId());
        Faces.FieldStrip strip = made.strip();
        rows.keepField(
                new SummaryMapper.FieldRow(
                        strip.id(),
                        strip.name(),
                        strip.grower(),
                        search(strip),
                        fieldLevel(made.face(), strip.limit()),
                        made.face().lowest() == null
                                ? NOTHING_MEASURED
                                : made.face().lowest().median(),
                        strip.lastVisit(),
                        strip.dueOn(),
                        json.writeValueAsString(strip)),
                stale.marks());
    }

    private List<Faces.Band> bandsOf(UUID practice, UUID field, UUID visit) {
        return builder.bands(judged.of(practice, field).face(visit.toString()));
    }

    /** The lowest finding says how low; the evidence together, where it names a constraint, says why. */
    private static Faces.Limit led(Faces.Limit lowest, Leading leading) {
        return lowest == null || leading == null
                ? lowest
                : new Faces.Limit(
                        lowest.indicator(),
                        lowest.label(),
                        lowest.level(),
                        lowest.standing(),
                        lowest.depthTopMm(),
                        lowest.depthBottomMm(),
                        leading.sentence());
    }

    private static String fieldLevel(FieldFace face, Faces.Limit limit) {
        return face.lowest() == null ? null : limit == null ? Level.ROBUST.code() : limit.level();
    }

    private String search(Faces.FieldStrip strip) {
        return String.join(
                        " ",
                        strip.name(),
                        strip.grower(),
                        strip.landUse(),
                        strip.crop() == null ? "" : messages.word(strip.crop()),
                        strip.textureClass() == null ? "" : messages.word(strip.textureClass()),
                        strip.limit() == null ? "" : strip.limit().why())
                .toLowerCase(Locale.ROOT);
    }

    /** A strip as it is kept; made on the way, once for all who ask, where a write has passed it by. */
    Faces.FieldStrip shown(UUID practice, SummaryMapper.Strip kept) {
        UUID field = kept.fieldId();
        return kept.stale() || kept.content() == null
                ? views.of(
                        Faces.FieldStrip.class,
                        practice,
                        field,
                        () -> make(practice, field).strip())
                : json.readValue(kept.content(), Faces.FieldStrip.class);
    }

    /** The bands of each of a field's visits, likewise. */
    Map<UUID, List<Faces.Band>> visits(UUID practice, UUID field) {
        Map<UUID, List<Faces.Band>> bands = new HashMap<>();
        rows.visitBands(practice, field)
                .forEach(row -> bands.put(
                        row.visitId(),
                        row.stale() || row.bands() == null
                                ? bandsOf(practice, field, row.visitId())
                                : json.readValue(row.bands(), BANDS)));
        return bands;
    }
}
