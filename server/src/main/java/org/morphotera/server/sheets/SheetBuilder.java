package org.morphotera.server.sheets;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.result.Level;
import org.morphotera.core.score.FieldFace;
import org.morphotera.core.score.Finding;
import org.morphotera.core.score.PointsSheet;
import org.morphotera.core.score.SoilFunction;
import org.morphotera.core.score.StopAverage;
import org.morphotera.core.score.StopScore;
import org.morphotera.core.text.Messages;
import org.morphotera.server.indicators.IndicatorRow;
import org.morphotera.server.methods.OwnRules;
import org.springframework.stereotype.Component;

/** From a face to the marks of every school, by the core's scoring. */
public final class SheetBuilder {

    /** Builders by the benchmarks of a practice. */
    @Component
    public static final class Builders {

        private final Messages messages;
        private final OwnRules rules;

        Builders(Messages messages, OwnRules rules) {
            this.messages = messages;
            this.rules = rules;
        }

        public SheetBuilder of(UUID practice) {
            return new SheetBuilder(messages, rules.benchmarks(practice));
        }
    }

    private final Messages messages;
    private final Benchmarks benchmarks;

    private SheetBuilder(Messages messages, Benchmarks benchmarks) {
        this.messages = messages;
        this.benchmarks = benchmarks;
    }

    public Sheets.OverallView overall(FieldFace face) {
        SoilFunction.Overall overall = SoilFunction.overall(face, benchmarks);
        return new Sheets.OverallView(
                overall.functions().stream().map(this::function).toList(),
                overall.level() == null ? null : overall.level().code(),
                overall.mean());
    }

    private Sheets.FunctionView function(SoilFunction.Score score) {
        return new Sheets.FunctionView(
                score.function().code(),
                messages.text("function." + score.function().code()),
                score.mean(),
                score.low(),
                score.high(),
                score.measuredShare(),
                score.level() == null ? null : score.level().code(),
                score.capped(),
                score.parts().stream().map(this::part).toList());
    }

    private Sheets.FunctionPart part(SoilFunction.Part part) {
        Finding finding = part.finding();
        return new Sheets.FunctionPart(
                part.indicator(),
                messages.word(part.indicator()),
                part.weight(),
                finding == null ? null : finding.median(),
                finding == null ? null : finding.level().code(),
                finding == null ? null : finding.band().code());
    }

    /** Every indicator at every depth with the marks of each stop and of the field. */
    List<Sheets.SheetRow> rows(FieldFace face, List<IndicatorRow> stored) {
        Map<String, IndicatorRow> byStop = new HashMap<>();
        stored.forEach(row -> byStop.put(row.stopId() + row.indicator() + row.band(), row));
        Table soil = benchmarks.table("points.soil");
        Table plant = benchmarks.table("points.plant");
        List<Sheets.SheetRow> rows = new ArrayList<>();
        for (Finding finding : face.findings()) {
            Map<String, Sheets.Mark> marks = new LinkedHashMap<>();
            List<Double> points = new ArrayList<>();
            for (StopScore stop : finding.stops()) {
                IndicatorRow row = byStop.get(
                        stop.stop() + finding.indicator() + finding.band().code());
                marks.put(stop.stop(), mark(stop.standing(), stop.pointsOfTwo(), row, finding.oddStops()));
                points.add(stop.pointsOfTwo());
            }
            points.sort(null);
            double middle = (points.get((points.size() - 1) / 2) + points.get(points.size() / 2)) / 2;
            String band = finding.band().code();
            rows.add(new Sheets.SheetRow(
                    finding.indicator(),
                    messages.word(finding.indicator()),
                    band,
                    messages.text("depth." + band),
                    finding.layer() == null ? null : finding.layer().topMm(),
                    finding.layer() == null ? null : finding.layer().bottomMm(),
                    weight(soil, finding.indicator()),
                    weight(plant, finding.indicator().startsWith("sap-") ? "sap" : finding.indicator()),
                    marks,
                    mark(finding.median(), middle, null, List.of()),
                    StopAverage.of(
                            finding.stops().stream().map(StopScore::standing).toList(),
                            benchmarks.bands("stop-average")),
                    messages.optional("figure." + finding.indicator())));
        }
        return rows;
    }

    private static Double weight(Table weights, String indicator) {
        return weights.has(indicator) ? weights.at(indicator, "weight") : null;
    }

    private Sheets.Mark mark(double standing, double points, IndicatorRow row, List<String> odd) {
        UUID measurement = row == null ? null : row.measurementId();
        return new Sheets.Mark(
                measurement,
                standing,
                Level.of(standing).code(),
                points,
                benchmarks.bands("flags").of(standing),
                benchmarks.bands("stop-average").of(standing),
                row == null ? null : row.figure(),
                row == null ? null : row.unit(),
                row != null && odd.contains(row.stopId().toString()));
    }

    public PointsSheet soil(FieldFace face) {
        return PointsSheet.of(face, benchmarks.table("points.soil"));
    }

    public PointsSheet plant(FieldFace face) {
        return PointsSheet.of(face, benchmarks.table("points.plant"));
    }

    Sheets.PointsView points(PointsSheet sheet) {
        return new Sheets.PointsView(
                sheet.percent(),
                sheet.percent() == null ? null : benchmarks.bands("points").of(sheet.percent()),
                sheet.byStop(),
                sheet.lines().stream()
                        .filter(line -> line.points() == null)
                        .map(line -> messages.word(line.indicator()))
                        .toList());
    }

    /** What the gap between soil and plant asks, as a sentence; {@code null} where it asks nothing. */
    String question(PointsSheet soil, PointsSheet plant) {
        String code = PointsSheet.question(soil, plant, benchmarks.table("points.gap"));
        return code == null ? null : messages.text("gap." + code);
    }
}
