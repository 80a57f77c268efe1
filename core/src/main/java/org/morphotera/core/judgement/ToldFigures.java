package org.morphotera.core.judgement;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.judgement.FieldModel.Estimate;
import org.morphotera.core.judgement.IndicatorSeries.LevelFigure;
import org.morphotera.core.result.Level;
import org.morphotera.core.score.FigureScore;

/** From the model's scale to the figures that are told: as shown, as differences or ratios, with their scores. */
final class ToldFigures {

    /** A score that moved by less than this did not move. */
    private static final double STOOD_STILL = 0.005;

    private final IndicatorModel model;
    private final @Nullable String key;
    private final boolean figures;
    private final @Nullable FigureScore scored;

    /**
     * @param figures whether every reading has a figure; else the score is shown
     * @param scored how figures are scored; {@code null} where the model stands on the score
     */
    ToldFigures(IndicatorModel model, @Nullable String key, boolean figures, @Nullable FigureScore scored) {
        this.model = model;
        this.key = key;
        this.figures = figures;
        this.scored = scored;
    }

    /** A value of the model as it is shown. */
    double shown(double onScale) {
        double value = model.scale().figure(onScale);
        return figures ? model.shown(value, key) : value;
    }

    /** @param falls whether the figure as it is shown falls where the model's value rises */
    record Moved(double mean, double low, double high, boolean falls) {}

    /** A difference on the model's scale as it is told: a ratio, or the difference of two figures about the same middle. */
    Moved moved(Estimate estimate, double earlier, double later) {
        if (model.scale().ratio()) {
            return new Moved(Math.exp(estimate.value()), Math.exp(estimate.low()), Math.exp(estimate.high()), false);
        }
        double middle = (earlier + later) / 2;
        double mean = apart(middle, estimate.value());
        double one = apart(middle, estimate.low());
        double other = apart(middle, estimate.high());
        return new Moved(mean, Math.min(one, other), Math.max(one, other), shown(middle + 1) < shown(middle));
    }

    /** A difference of the model about some middle, as it is shown. */
    double apart(double middle, double difference) {
        return shown(middle + difference / 2) - shown(middle - difference / 2);
    }

    /** By what the scores of both figures say. */
    int better(double earlier, double later) {
        double before = score(earlier);
        double after = score(later);
        return Math.abs(after - before) < STOOD_STILL ? 0 : after > before ? 1 : -1;
    }

    double score(double onScale) {
        double figure = model.scale().figure(onScale);
        return scored == null ? figure : scored.at(figure);
    }

    /**
     * A figure with its score and level.
     *
     * @param by readings whose scores it stands on: one that stands on more than the figure keeps its distance
     */
    LevelFigure level(
            Estimate estimate, LocalDate readOn, List<JudgedField.Event> since, List<JudgedField.Reading> by) {
        double value = model.scale().figure(estimate.value());
        double low = model.scale().figure(estimate.low());
        double high = model.scale().figure(estimate.high());
        if (scored == null) {
            double one = shown(estimate.low());
            double other = shown(estimate.high());
            return new LevelFigure(
                    shown(estimate.value()),
                    Math.min(one, other),
                    Math.max(one, other),
                    value,
                    low,
                    high,
                    Level.of(value),
                    readOn,
                    since);
        }
        double off = scored.byCrop()
                ? 0
                : by.stream()
                        .mapToDouble(each -> each.score() - scored.at(each.figure()))
                        .average()
                        .orElse(0);
        double score = within(scored.at(value) + off);
        return new LevelFigure(
                value,
                low,
                high,
                score,
                Math.min(score, within(scored.lowest(low, high) + off)),
                Math.max(score, within(scored.highest(low, high) + off)),
                Level.of(score),
                readOn,
                since);
    }

    private static double within(double score) {
        return Math.max(0, Math.min(1, score));
    }

    /** 1 where more of the figure is better wherever it was read, −1 where less is, 0 for neither or in between. */
    int moreIsBetter(List<JudgedField.Reading> readings) {
        if (model.ofScore()) {
            return figures && model.shown(1, key) < model.shown(0, key) ? -1 : 1;
        }
        double least =
                readings.stream().mapToDouble(JudgedField.Reading::figure).min().orElseThrow();
        double most =
                readings.stream().mapToDouble(JudgedField.Reading::figure).max().orElseThrow();
        double margin = Math.max(Math.abs(most) * WIDER, most - least);
        double low = scored.at(least - margin);
        double middle = scored.at((least + most) / 2);
        double high = scored.at(most + margin);
        boolean up = low <= middle && middle <= high && low < high;
        boolean down = low >= middle && middle >= high && low > high;
        return up ? 1 : down ? -1 : 0;
    }

    private static final double WIDER = 0.3;
}
