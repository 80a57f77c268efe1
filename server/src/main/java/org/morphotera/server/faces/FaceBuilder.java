package org.morphotera.server.faces;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.judgement.ChangeWords;
import org.morphotera.core.judgement.FieldJudgement;
import org.morphotera.core.judgement.IndicatorSeries;
import org.morphotera.core.judgement.IndicatorSeries.PatchDifference;
import org.morphotera.core.judgement.IndicatorSeries.Side;
import org.morphotera.core.judgement.JudgedField;
import org.morphotera.core.result.Level;
import org.morphotera.core.score.DepthBand;
import org.morphotera.core.score.FaceLayout;
import org.morphotera.core.score.FieldFace;
import org.morphotera.core.score.Finding;
import org.morphotera.core.score.GroundPicture;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.text.Messages;
import org.morphotera.server.indicators.IndicatorRow;
import org.springframework.stereotype.Component;

/** From rows of indicators to faces, by the core's scoring. */
@Component
public class FaceBuilder {

    private final Messages messages;

    FaceBuilder(Messages messages) {
        this.messages = messages;
    }

    public List<Faces.Band> bands(FieldFace face) {
        List<Faces.Band> bands = new ArrayList<>();
        for (DepthBand band : DepthBand.values()) {
            Finding lowest = face.bands().get(band);
            bands.add(
                    lowest == null
                            ? new Faces.Band(band.code(), null, null, null)
                            : new Faces.Band(
                                    band.code(),
                                    lowest.level().code(),
                                    lowest.median(),
                                    messages.word(lowest.indicator())));
        }
        return bands;
    }

    /** What limits, or {@code null} where nothing measured is under robust. */
    Faces.Limit limit(FieldFace face, List<IndicatorRow> rows) {
        Finding lowest = face.lowest();
        if (lowest == null || lowest.level() == Level.ROBUST) {
            return null;
        }
        DepthLayer layer = lowest.layer();
        // the stop nearest to the median speaks for the field
        String reason = rows.stream()
                .filter(row -> row.indicator().equals(lowest.indicator())
                        && row.band().equals(lowest.band().code())
                        && row.standing() != null)
                .min(Comparator.comparingDouble(row -> Math.abs(row.standing() - lowest.median())))
                .map(IndicatorRow::code)
                .orElse("");
        String why = messages.text(
                List.of(
                        "limit." + lowest.indicator() + "." + reason,
                        "limit." + lowest.level().code(),
                        "limit.other"),
                Map.of("indicator", lowest.indicator()));
        return new Faces.Limit(
                lowest.indicator(),
                messages.word(lowest.indicator()),
                lowest.level().code(),
                lowest.median(),
                layer == null ? null : layer.topMm(),
                layer == null ? null : layer.bottomMm(),
                why);
    }

    /** One indicator in the poor and in the good patch, as a sentence; {@code null} where one of them was not read. */
    @Nullable
    String patches(String indicator, FieldJudgement judgement) {
        for (IndicatorSeries series : judgement.series()) {
            PatchDifference apart = !series.id().indicator().equals(indicator) || !series.hasFigure()
                    ? null
                    : series.difference(Side.patch(StopRole.POOR.patch()), Side.patch(StopRole.GOOD.patch()));
            if (apart != null) {
                String unit = series.unit();
                return messages.text(
                        List.of(plain(unit) ? "patch.both" : "patch.both-in-unit"),
                        Map.of(
                                "label", messages.word(indicator),
                                "poor", ChangeWords.rounded(series, apart.one()),
                                "good", ChangeWords.rounded(series, apart.other()),
                                "unit", plain(unit) ? "" : unit));
            }
        }
        return null;
    }

    private static boolean plain(@Nullable String unit) {
        return unit == null || unit.isEmpty() || unit.equals("pH");
    }

    /**
     * @param labels stop labels by id
     * @param judgement of the field; {@code null} for a part of it, whose figures are the middle of its stops
     */
    public List<Faces.FindingView> findings(
            FieldFace face, List<IndicatorRow> rows, Map<UUID, String> labels, @Nullable FieldJudgement judgement) {
        Map<String, IndicatorRow> byStop = new HashMap<>();
        // a visit written down later keeps its own day
        Map<String, LocalDate> days = judgement == null
                ? Map.of()
                : judgement.field().visits().stream()
                        .collect(Collectors.toMap(JudgedField.Visit::id, JudgedField.Visit::on));
        List<UUID> walked = rows.stream().map(IndicatorRow::stopId).distinct().toList();
        for (IndicatorRow row : rows) {
            byStop.put(row.stopId() + row.indicator() + row.band(), row);
        }
        List<Faces.FindingView> views = new ArrayList<>();
        for (Finding finding : face.findings()) {
            List<IndicatorRow> own = finding.stops().stream()
                    .map(stop -> byStop.get(
                            stop.stop() + stop.indicator() + finding.band().code()))
                    .sorted(Comparator.comparingInt(row -> walked.indexOf(row.stopId())))
                    .toList();
            IndicatorSeries series = judgement == null
                    ? null
                    : judgement.of(finding.indicator(), finding.band().code());
            views.add(view(finding, own, labels, days, series, series == null ? null : series.field()));
        }
        return views;
    }

    private Faces.FindingView view(
            Finding finding,
            List<IndicatorRow> own,
            Map<UUID, String> labels,
            Map<String, LocalDate> days,
            @Nullable IndicatorSeries series,
            IndicatorSeries.@Nullable LevelFigure field) {
        double[] figures = sorted(own, IndicatorRow::figure);
        DepthLayer layer = finding.layer();
        return new Faces.FindingView(
                finding.indicator(),
                messages.word(finding.indicator()),
                own.get(0).method(),
                finding.band().code(),
                layer == null ? null : layer.topMm(),
                layer == null ? null : layer.bottomMm(),
                finding.level().code(),
                finding.median(),
                field == null ? finding.lowest() : field.scoreLow(),
                field == null ? finding.highest() : field.scoreHigh(),
                figures.length == 0
                        ? null
                        : field == null ? median(figures) : ChangeWords.rounded(series, field.value()),
                figures.length == 0 ? null : field == null ? figures[0] : ChangeWords.rounded(series, field.low()),
                figures.length == 0
                        ? null
                        : field == null ? figures[figures.length - 1] : ChangeWords.rounded(series, field.high()),
                own.get(0).unit(),
                messages.optional("figure." + finding.indicator()),
                field == null
                        ? own.stream()
                                .map(FaceBuilder::takenOn)
                                .max(LocalDate::compareTo)
                                .orElseThrow()
                        : field.readOn(),
                field == null
                        ? List.of()
                        : field.since().stream().map(JudgedField.Event::what).toList(),
                series == null || field == null ? List.of() : weights(series),
                own.stream()
                        .map(row -> new Faces.StopFinding(
                                row.stopId(),
                                labels.getOrDefault(row.stopId(), ""),
                                row.measurementId(),
                                days.getOrDefault(row.visitId().toString(), takenOn(row)),
                                Level.of(row.standing()).code(),
                                row.standing(),
                                row.standingLow(),
                                row.standingHigh(),
                                row.figure(),
                                row.figureLow(),
                                row.figureHigh(),
                                finding.oddStops().contains(row.stopId().toString())))
                        .toList());
    }

    private static LocalDate takenOn(IndicatorRow row) {
        return row.takenAt().atZone(ZoneOffset.UTC).toLocalDate();
    }

    private List<Faces.Weight> weights(IndicatorSeries series) {
        return series.weights().stream()
                .map(each -> new Faces.Weight(messages.word(each.kind()), each.stops(), each.share()))
                .toList();
    }

    private static double[] sorted(List<IndicatorRow> rows, Function<IndicatorRow, Double> part) {
        return rows.stream()
                .map(part)
                .filter(Objects::nonNull)
                .mapToDouble(Double::doubleValue)
                .sorted()
                .toArray();
    }

    private static double median(double[] sorted) {
        int middle = sorted.length / 2;
        return sorted.length % 2 == 1
                ? sorted[middle]
                : Arrays.stream(sorted, middle - 1, middle + 1).average().orElseThrow();
    }

    /** How findings stand beside the ground: what is under serviceable is told, the lowest of a band always. */
    public static FaceLayout layout(List<Faces.FindingView> findings, GroundPicture ground) {
        return FaceLayout.of(
                findings.stream()
                        .map(each -> new FaceLayout.Row(
                                layer(each),
                                ground.bites().get(each.indicator()),
                                each.standing(),
                                Level.of(each.standing()).compareTo(Level.SERVICEABLE) < 0))
                        .toList(),
                ground);
    }

    /** The layer of a finding; {@code null} above the ground. */
    public static @Nullable DepthLayer layer(Faces.FindingView finding) {
        return finding.depthTopMm() == null || finding.depthBottomMm() == null
                ? null
                : new DepthLayer(finding.depthTopMm(), finding.depthBottomMm());
    }
}
