package org.morphotera.server.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.compare.Difference;
import org.morphotera.core.compare.Side;
import org.morphotera.core.result.Level;
import org.morphotera.core.score.FaceLayout;
import org.morphotera.core.score.FieldFace;
import org.morphotera.core.score.GroundPicture;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.Numbers;
import org.morphotera.core.text.Messages;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.role.RequiresRole;
import org.morphotera.server.accounts.role.Role;
import org.morphotera.server.faces.FaceBuilder;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Stop;
import org.morphotera.server.indicators.FieldIndicators;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.measurements.GroundMarks;
import org.morphotera.server.visits.Visit;
import org.morphotera.server.visits.VisitReader;
import org.morphotera.server.web.NotFoundException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Any two places or dates side by side. */
@RestController
@RequiresRole(Role.ADVISOR)
class CompareController {

    private final FieldReader fields;
    private final VisitReader visits;
    private final FieldIndicators indicators;
    private final FaceBuilder faces;
    private final Benchmarks benchmarks;
    private final Messages messages;
    private final GroundMarks marks;

    CompareController(
            FieldReader fields,
            VisitReader visits,
            FieldIndicators indicators,
            FaceBuilder faces,
            Benchmarks benchmarks,
            Messages messages,
            GroundMarks marks) {
        this.marks = marks;
        this.fields = fields;
        this.visits = visits;
        this.indicators = indicators;
        this.faces = faces;
        this.benchmarks = benchmarks;
        this.messages = messages;
    }

    /** Where a side's rows come from. */
    private record Chosen(Field field, Stop stop, Visit visit, List<IndicatorRow> rows) {}

    /** Compares one place with another; without a visit the newest of each test counts. */
    @GetMapping("/api/compare")
    Comparisons.ComparisonView compare(
            @AuthenticationPrincipal Advisor who,
            @RequestParam UUID field,
            @RequestParam(required = false) @Nullable UUID stop,
            @RequestParam(required = false) @Nullable UUID visit,
            @RequestParam UUID otherField,
            @RequestParam(required = false) @Nullable UUID otherStop,
            @RequestParam(required = false) @Nullable UUID otherVisit) {
        Chosen one = choose(who.practiceId(), field, stop, visit);
        Chosen other = choose(who.practiceId(), otherField, otherStop, otherVisit);
        Map<String, String> units = new HashMap<>();
        one.rows().forEach(row -> units.put(row.indicator(), row.unit()));
        List<Comparisons.DifferenceView> differences = new ArrayList<>();
        for (Difference difference : Difference.ranked(readings(one.rows()), readings(other.rows()), benchmarks)) {
            differences.add(view(difference, units.get(difference.key().indicator())));
        }
        Comparisons.ComparedPlace onePlace = place(who.practiceId(), one);
        Comparisons.ComparedPlace otherPlace = place(who.practiceId(), other);
        return new Comparisons.ComparisonView(
                onePlace,
                otherPlace,
                differences,
                strung(onePlace, otherPlace, differences),
                differences.isEmpty() ? messages.text("compare.nothing") : null);
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

    private Chosen choose(UUID practice, UUID fieldId, UUID stopId, UUID visitId) {
        Field field = NotFoundException.require(fields.field(practice, fieldId), "field");
        Stop stop = stopId == null ? null : NotFoundException.require(fields.stop(practice, stopId), "stop");
        Visit visit = visitId == null ? null : NotFoundException.require(visits.visit(practice, visitId), "visit");
        if (stop != null && !stop.fieldId().equals(fieldId)) {
            throw new NotFoundException("stop in this field");
        }
        if (visit != null && !visit.fieldId().equals(fieldId)) {
            throw new NotFoundException("visit of this field");
        }
        List<IndicatorRow> rows = stop != null
                ? indicators.ofStop(practice, fieldId, stopId, visitId)
                : visit == null
                        ? indicators.ofField(practice, fieldId)
                        : indicators.ofVisit(practice, fieldId, visitId);
        return new Chosen(field, stop, visit, rows);
    }

    private static Map<Difference.Key, List<Side.Reading>> readings(List<IndicatorRow> rows) {
        Map<Difference.Key, List<Side.Reading>> readings = new LinkedHashMap<>();
        for (IndicatorRow row : rows) {
            if (row.standing() != null) {
                readings.computeIfAbsent(new Difference.Key(row.indicator(), row.band()), key -> new ArrayList<>())
                        .add(new Side.Reading(
                                row.standing(),
                                row.standingLow(),
                                row.standingHigh(),
                                row.figure(),
                                row.figureLow(),
                                row.figureHigh()));
            }
        }
        return readings;
    }

    private Comparisons.ComparedPlace place(UUID practice, Chosen chosen) {
        FieldFace face = faces.face(chosen.rows());
        Map<UUID, String> labels =
                fields.stops(practice, chosen.field().id()).stream().collect(Collectors.toMap(Stop::id, Stop::label));
        String texture =
                IndicatorRow.readings(chosen.rows()).texture(chosen.field().textureClass());
        return new Comparisons.ComparedPlace(
                chosen.field().id(),
                chosen.field().name(),
                chosen.stop() == null ? null : chosen.stop().id(),
                chosen.stop() == null ? null : chosen.stop().label(),
                chosen.visit() == null ? null : chosen.visit().id(),
                chosen.visit() == null ? null : chosen.visit().visitedOn(),
                texture,
                faces.findings(face, chosen.rows(), labels),
                faces.bands(face),
                GroundPicture.of(marks.of(
                        practice,
                        chosen.rows().stream()
                                .map(IndicatorRow::stopId)
                                .distinct()
                                .toList(),
                        chosen.visit() == null ? null : chosen.visit().id())));
    }

    private Comparisons.DifferenceView view(Difference difference, String unit) {
        String depth = messages.text("depth." + difference.key().band());
        return new Comparisons.DifferenceView(
                difference.key().indicator(),
                messages.word(difference.key().indicator()),
                difference.key().band(),
                depth,
                unit,
                messages.optional("figure." + difference.key().indicator()),
                side(difference.one()),
                side(difference.other()),
                difference.standing(),
                difference.figure(),
                difference.ratio(),
                difference.defensible(),
                sentence(difference, depth, unit));
    }

    private static Comparisons.SideView side(Side side) {
        return new Comparisons.SideView(
                side.stops(),
                side.standing(),
                Level.of(side.standing()).code(),
                side.scoreHalf(),
                side.figure(),
                side.figureHalf());
    }

    private String sentence(Difference difference, String depth, String unit) {
        Map<String, Object> args = new HashMap<>();
        args.put("indicator", difference.key().indicator());
        args.put("depth", depth);
        if (!difference.defensible()) {
            return messages.text(List.of("compare.alike"), args);
        }
        args.put("times", Numbers.significant(difference.ratio(), 2));
        args.put("better", messages.text("compare.better." + difference.better().code()));
        String pattern = messages.optional("figure." + difference.key().indicator());
        boolean hasUnit = unit != null && !unit.isEmpty();
        boolean measured = difference.figure() != null && (hasUnit || pattern != null);
        if (measured) {
            args.put("one", figure(difference.one().figure(), hasUnit ? null : pattern));
            args.put("other", figure(difference.other().figure(), hasUnit ? null : pattern));
            args.put("unit", hasUnit ? " " + unit : "");
        } else {
            args.put("oneLevel", Level.of(difference.one().standing()).code());
            args.put("otherLevel", Level.of(difference.other().standing()).code());
        }
        return messages.text(List.of("compare." + (measured ? "figure" : "standing")), args);
    }

    private static String figure(double figure, String pattern) {
        String plain = Numbers.show(Numbers.significant(figure, 3));
        return pattern == null ? plain : pattern.replace("{x}", plain);
    }
}
