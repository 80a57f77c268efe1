package org.morphotera.server.exchange;

import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.judgement.ChangeWords;
import org.morphotera.core.judgement.FieldJudgement;
import org.morphotera.core.judgement.IndicatorSeries;
import org.morphotera.core.judgement.JudgedField;
import org.morphotera.server.fields.Field;
import org.morphotera.server.fields.FieldReader;
import org.morphotera.server.fields.Grower;
import org.morphotera.server.judgements.JudgedFields;
import org.springframework.stereotype.Component;

/** Where each field and each of its stops stands, as its pages say: by all readings of the years, with intervals. */
@Component
class Levels {

    private static final double HUNDREDTHS = 100;

    /** The head of every table of levels, in the order of {@link Line#cells()}. */
    static final List<String> COLUMNS = List.of(
            "field",
            "grower",
            "stop",
            "indicator",
            "depth",
            "value",
            "low",
            "high",
            "unit",
            "level",
            "score",
            "read_on",
            "done_since");

    /** Takes lines as they come. */
    interface Lines {
        void take(Line line) throws IOException;
    }

    /**
     * One level.
     *
     * @param stop empty for the whole field
     * @param value low <= value <= high, with an interval of 95 %; the score where the indicator has no figure
     * @param score 0 to 1
     * @param since what was done since it was read, whose expected effect is in it
     */
    record Line(
            String field,
            String grower,
            String stop,
            String indicator,
            String depth,
            double value,
            double low,
            double high,
            String unit,
            String level,
            double score,
            LocalDate readOn,
            String since) {

        Object[] cells() {
            return new Object[] {
                field,
                grower,
                stop,
                indicator,
                depth,
                Figures.text(value),
                Figures.text(low),
                Figures.text(high),
                unit,
                level,
                Figures.text(score),
                readOn,
                since
            };
        }
    }

    private final Records records;
    private final FieldReader fields;
    private final JudgedFields judged;

    Levels(Records records, FieldReader fields, JudgedFields judged) {
        this.records = records;
        this.fields = fields;
        this.judged = judged;
    }

    void each(UUID practice, @Nullable UUID only, Lines lines) throws IOException {
        Map<UUID, String> growers =
                fields.growers(practice).stream().collect(Collectors.toMap(Grower::id, Grower::name));
        for (Field field : records.fields(practice, only)) {
            FieldJudgement judgement = judged.of(practice, field.id());
            Map<String, String> stops = judgement.field().stops().stream()
                    .collect(Collectors.toMap(JudgedField.Stop::id, JudgedField.Stop::label));
            String grower = growers.getOrDefault(field.growerId(), "");
            for (IndicatorSeries series : judgement.series()) {
                IndicatorSeries.LevelFigure whole = series.field();
                if (whole != null) {
                    lines.take(line(field.name(), grower, "", series, whole));
                }
                for (String stop : series.stops()) {
                    lines.take(line(
                            field.name(), grower, stops.get(stop), series, Objects.requireNonNull(series.stop(stop))));
                }
            }
        }
    }

    private static Line line(
            String field, String grower, String stop, IndicatorSeries series, IndicatorSeries.LevelFigure of) {
        String key = series.id().key();
        String unit = series.unit();
        return new Line(
                field,
                grower,
                stop,
                series.id().indicator() + (key == null ? "" : " by " + key),
                series.id().band(),
                ChangeWords.rounded(series, of.value()),
                ChangeWords.rounded(series, of.low()),
                ChangeWords.rounded(series, of.high()),
                unit == null ? "" : unit,
                of.level().code(),
                Math.rint(HUNDREDTHS * of.score()) / HUNDREDTHS,
                of.readOn(),
                of.since().stream().map(JudgedField.Event::what).collect(Collectors.joining("; ")));
    }
}
