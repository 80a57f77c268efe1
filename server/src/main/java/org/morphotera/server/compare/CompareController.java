package org.morphotera.server.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.judgement.ChangeWords;
import org.morphotera.core.judgement.FieldJudgement;
import org.morphotera.core.judgement.IndicatorSeries;
import org.morphotera.core.judgement.IndicatorSeries.PatchDifference;
import org.morphotera.core.judgement.IndicatorSeries.Side;
import org.morphotera.core.judgement.JudgedField;
import org.morphotera.core.result.Level;
import org.morphotera.core.score.FaceLayout;
import org.morphotera.core.score.FieldFace;
import org.morphotera.core.score.GroundPicture;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.text.Messages;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.faces.FaceBuilder;
import org.morphotera.server.faces.Faces;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.indicators.IndicatorReader;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.judgements.JudgedFields;
import org.morphotera.server.measurements.GroundMarks;
import org.morphotera.server.sheets.ScoreRows;
import org.morphotera.server.visits.Visit;
import org.morphotera.server.visits.VisitReader;
import org.morphotera.server.web.NotFoundException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Any two patches, stops, fields or dates side by side, by the field model. */
@RestController
@RequiresRole(Role.ADVISOR)
class CompareController {

    /** What lies in no patch. */
    private static final String ROUTINE = "routine";

    private final FieldReader fields;
    private final VisitReader visits;
    private final IndicatorReader indicators;
    private final JudgedFields judged;
    private final FaceBuilder faces;
    private final ChangeWords words;
    private final Messages messages;
    private final GroundMarks marks;

    CompareController(
            FieldReader fields,
            VisitReader visits,
            IndicatorReader indicators,
            JudgedFields judged,
            FaceBuilder faces,
            Messages messages,
            GroundMarks marks) {
        this.marks = marks;
        this.fields = fields;
        this.visits = visits;
        this.indicators = indicators;
        this.judged = judged;
        this.faces = faces;
        this.words = new ChangeWords(messages);
        this.messages = messages;
    }

    /** A side, where its rows come from, and the judgement of its field. */
    private record Chosen(
            Field field,
            List<Stop> stops,
            @Nullable Stop stop,
            @Nullable String patch,
            @Nullable Visit visit,
            FieldJudgement judgement,
            List<IndicatorRow> rows) {

        private Side side() {
            String on = visit == null ? null : visit.id().toString();
            return stop != null
                    ? new Side(Side.Of.STOP, stop.id().toString(), on)
                    : patch != null
                            ? new Side(Side.Of.PATCH, patch.equals(ROUTINE) ? null : patch, on)
                            : new Side(Side.Of.FIELD, null, on);
        }
    }

    /**
     * Compares one place with another; without a visit the newest of each test counts, without stop and patch the stops
     * that speak for the field.
     *
     * @param patch {@code routine}, or what stops of a role stand for: {@code poor}, {@code good}, {@code reference},
     *     {@code wheel-track}, {@code left-alone}
     */
    @GetMapping("/api/compare")
    Comparisons.ComparisonView compare(
            @AuthenticationPrincipal Advisor who,
            @RequestParam UUID field,
            @RequestParam(required = false) @Nullable UUID stop,
            @RequestParam(required = false) @Nullable String patch,
            @RequestParam(required = false) @Nullable UUID visit,
            @RequestParam UUID otherField,
            @RequestParam(required = false) @Nullable UUID otherStop,
            @RequestParam(required = false) @Nullable String otherPatch,
            @RequestParam(required = false) @Nullable UUID otherVisit) {
        UUID practice = who.practiceId();
        Chosen one = choose(practice, field, stop, patch, visit);
        Chosen other = choose(practice, otherField, otherStop, otherPatch, otherVisit);
        Comparisons.ComparedPlace onePlace = place(practice, one);
        Comparisons.ComparedPlace otherPlace = place(practice, other);
        List<Comparisons.DifferenceView> differences = differences(one, other, onePlace.name(), otherPlace.name());
        return new Comparisons.ComparisonView(
                onePlace,
                otherPlace,
                patches(one),
                differences,
                strung(onePlace, otherPlace, differences),
                differences.isEmpty() ? messages.text("compare.nothing") : null);
    }

    private List<Comparisons.DifferenceView> differences(Chosen one, Chosen other, String oneName, String otherName) {
        boolean same = one.field().id().equals(other.field().id());
        List<Comparisons.DifferenceView> differences = new ArrayList<>();
        for (IndicatorSeries series : one.judgement().series()) {
            IndicatorSeries there = other.judgement().of(series.id());
            PatchDifference apart = there == null
                    ? null
                    : same
                            ? series.difference(one.side(), other.side())
                            : series.difference(one.side(), there, other.side());
            if (apart != null) {
                differences.add(view(series, apart, oneName, otherName));
            }
        }
        differences.sort(Comparator.comparingDouble(Comparisons.DifferenceView::ratio)
                .reversed()
                .thenComparing(Comparisons.DifferenceView::indicator));
        return differences;
    }

    private Comparisons.DifferenceView view(
            IndicatorSeries series, PatchDifference apart, String oneName, String otherName) {
        IndicatorSeries.Id id = series.id();
        return new Comparisons.DifferenceView(
                id.indicator(),
                messages.word(id.indicator()),
                id.band(),
                messages.text("depth." + id.band()),
                series.hasFigure() ? series.unit() : null,
                messages.optional("figure." + id.indicator()),
                side(apart.oneStops(), apart.oneScore(), figure(series, apart.one())),
                side(apart.otherStops(), apart.otherScore(), figure(series, apart.other())),
                apart.otherScore() - apart.oneScore(),
                series.ratio(),
                apart.mean(),
                apart.low(),
                apart.high(),
                apart.times(),
                apart.told(),
                words.apart(series, apart, oneName, otherName));
    }

    private static @Nullable Double figure(IndicatorSeries series, double figure) {
        return series.hasFigure() ? Double.valueOf(ChangeWords.rounded(series, figure)) : null;
    }

    private static Comparisons.SideView side(int stops, double score, @Nullable Double figure) {
        return new Comparisons.SideView(stops, score, Level.of(score).code(), figure);
    }

    /** The patches of a field that were read, with how many stops each has. */
    private List<Comparisons.PatchChoice> patches(Chosen chosen) {
        Map<String, Integer> stops = new LinkedHashMap<>();
        chosen.judgement().field().stops().forEach(each -> stops.merge(code(each), 1, Integer::sum));
        return stops.entrySet().stream()
                .map(each -> new Comparisons.PatchChoice(each.getKey(), words.patch(each.getKey()), each.getValue()))
                .toList();
    }

    private static String code(JudgedField.Stop stop) {
        String patch = stop.inPatch();
        return patch == null ? ROUTINE : patch;
    }

    /** Both faces share one scale, as deep as the deeper of both. */
    private static FaceLayout strung(
            Comparisons.ComparedPlace one,
            Comparisons.ComparedPlace other,
            List<Comparisons.DifferenceView> differences) {
        GroundPicture deeper = one.ground().deepestMm() >= other.ground().deepestMm() ? one.ground() : other.ground();
        return FaceLayout.of(
                differences.stream()
                        .map(each -> new FaceLayout.Row(
                                layer(one, each),
                                one.ground().bites().get(each.indicator()),
                                each.defensible() ? -each.ratio() : 1 - Math.abs(each.standing()),
                                each.defensible()))
                        .toList(),
                deeper);
    }

    private static @Nullable DepthLayer layer(Comparisons.ComparedPlace place, Comparisons.DifferenceView difference) {
        return place.findings().stream()
                .filter(finding -> finding.indicator().equals(difference.indicator())
                        && finding.band().equals(difference.band()))
                .findFirst()
                .map(FaceBuilder::layer)
                .orElse(null);
    }

    private Chosen choose(
            UUID practice, UUID fieldId, @Nullable UUID stopId, @Nullable String patch, @Nullable UUID visitId) {
        Field field = NotFoundException.require(fields.field(practice, fieldId), "field");
        Stop stop = stopId == null ? null : NotFoundException.require(fields.stop(practice, stopId), "stop");
        Visit visit = visitId == null ? null : NotFoundException.require(visits.visit(practice, visitId), "visit");
        if (stop != null && !stop.fieldId().equals(fieldId)) {
            throw new NotFoundException("stop in this field");
        }
        if (visit != null && !visit.fieldId().equals(fieldId)) {
            throw new NotFoundException("visit of this field");
        }
        List<Stop> stops = fields.stops(practice, fieldId);
        FieldJudgement judgement = judged.of(practice, fieldId);
        Map<UUID, String> patches = judgement.field().stops().stream()
                .collect(Collectors.toMap(each -> UUID.fromString(each.id()), CompareController::code));
        if (stop == null && patch != null && !patches.containsValue(patch)) {
            throw new NotFoundException("patch in this field");
        }
        List<IndicatorRow> rows = (visit != null
                        ? stop == null && patch == null
                                ? indicators.ofVisitLeading(practice, fieldId, visitId)
                                : indicators.ofVisit(practice, fieldId, visitId)
                        : stop == null && patch == null
                                ? indicators.latestOfField(practice, fieldId)
                                : stops.stream()
                                        .flatMap(each -> indicators.latestOfStop(practice, each.id()).stream())
                                        .toList())
                .stream()
                        .filter(row -> stop == null || row.stopId().equals(stopId))
                        .filter(row ->
                                stop != null || patch == null || Objects.equals(patches.get(row.stopId()), patch))
                        .toList();
        return new Chosen(field, stops, stop, patch, visit, judgement, judged.modelled(judgement, rows, visitId));
    }

    private Comparisons.ComparedPlace place(UUID practice, Chosen chosen) {
        FieldFace face = ScoreRows.face(chosen.rows());
        Map<UUID, String> labels = chosen.stops().stream().collect(Collectors.toMap(Stop::id, Stop::label));
        Visit visit = chosen.visit();
        Stop stop = chosen.stop();
        List<Faces.FindingView> findings = faces.findings(face, chosen.rows(), labels, null);
        return new Comparisons.ComparedPlace(
                chosen.field().id(),
                chosen.field().name(),
                stop == null ? null : stop.id(),
                stop == null ? null : stop.label(),
                chosen.patch(),
                stop != null
                        ? stop.label()
                        : chosen.patch() != null
                                ? words.patch(chosen.patch())
                                : chosen.field().name(),
                visit == null ? null : visit.id(),
                visit == null ? null : visit.visitedOn(),
                IndicatorRow.readings(chosen.rows()).texture(chosen.field().textureClass()),
                findings,
                faces.bands(face),
                GroundPicture.of(marks.of(
                        practice,
                        chosen.rows().stream()
                                .map(IndicatorRow::stopId)
                                .distinct()
                                .toList(),
                        visit == null ? null : visit.id())));
    }
}
