package org.morphotera.core.compare;

import java.util.ArrayList;
import java.util.List;
import org.morphotera.core.statistics.Sample;
import org.morphotera.core.trend.ChangeScale;

/**
 * One indicator on one side of a comparison: its mean over the stops and the half-width of its uncertainty, once as
 * standing and once as the measured figure.
 *
 * @param standing mean, 0..1
 * @param scoreHalf half-width, about 95 %
 * @param figure mean of the measured figure, or {@code null}
 * @param onScale mean of the figure on the scale on which it is compared, or {@code null}
 * @param onScaleHalf its half-width; not under what the instrument itself is worth
 */
public record Side(
        int stops,
        double standing,
        double scoreHalf,
        Double figure,
        Double figureHalf,
        Double onScale,
        Double onScaleHalf) {

    /** What one stop shows; intervals may be {@code null} where no uncertainty is known. */
    public record Reading(
            double standing,
            Double standingLow,
            Double standingHigh,
            Double figure,
            Double figureLow,
            Double figureHigh) {}

    /** A t-quantile of two or three stops would drown every difference; from two stops on it is held to this. */
    private static final double LARGEST_QUANTILE = 4.303;

    private static final double NORMAL_95 = 1.96;

    /**
     * Replicate spread and instrument together. Between stops: t · s/√n, the larger of this and what the readings
     * themselves allow, so that for counts the scatter between places stands beside the Poisson interval of each (the
     * larger counts; worms clump). A single reading without any interval has the scatter of two readers.
     *
     * @param readings one for each stop, at least one
     * @param scatter half-width of the standing of a reading without interval
     * @param scale on which the figure is compared
     */
    public static Side of(List<Reading> readings, double scatter, ChangeScale scale) {
        List<Double> standings = new ArrayList<>();
        List<Double> figures = new ArrayList<>();
        double ownHalf = 0;
        double figureOwnHalf = 0;
        double scaledOwnHalf = 0;
        for (Reading reading : readings) {
            standings.add(reading.standing());
            ownHalf += halfWidth(reading.standingLow(), reading.standingHigh(), scatter);
            if (reading.figure() != null) {
                figures.add(reading.figure());
                figureOwnHalf += halfWidth(reading.figureLow(), reading.figureHigh(), 0);
                scaledOwnHalf += reading.figureLow() == null || reading.figureHigh() == null
                        ? 0
                        : (scale.of(reading.figureHigh()) - scale.of(reading.figureLow())) / 2;
            }
        }
        int n = readings.size();
        double scoreHalf = Math.max(between(standings), ownHalf / n / Math.sqrt(n));
        Double figure = figures.size() == n ? Double.valueOf(Sample.of(figures).mean()) : null;
        Double figureHalf =
                figure == null ? null : Double.valueOf(Math.max(between(figures), figureOwnHalf / n / Math.sqrt(n)));
        if (figure == null) {
            return new Side(n, Sample.of(standings).mean(), scoreHalf, null, null, null, null);
        }
        List<Double> scaled = figures.stream().map(scale::of).toList();
        // of a difference of two readings one bears the half of the variance
        double instrument = NORMAL_95 * scale.instrument() / Math.sqrt(n);
        double onScaleHalf = Math.max(instrument, Math.max(between(scaled), scaledOwnHalf / n / Math.sqrt(n)));
        return new Side(
                n,
                Sample.of(standings).mean(),
                scoreHalf,
                figure,
                figureHalf,
                Sample.of(scaled).mean(),
                onScaleHalf);
    }

    private static double halfWidth(Double low, Double high, double otherwise) {
        return low == null || high == null ? otherwise : (high - low) / 2;
    }

    /** Half-width of the mean from the scatter between stops; 0 for one stop. */
    private static double between(List<Double> values) {
        int n = values.size();
        if (n < 2) {
            return 0;
        }
        double t = Sample.studentTQuantile(Sample.TWO_SIDED_95, n - 1);
        return Math.min(t, LARGEST_QUANTILE) * Sample.of(values).standardError();
    }
}
