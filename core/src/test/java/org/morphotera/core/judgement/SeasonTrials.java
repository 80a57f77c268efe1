package org.morphotera.core.judgement;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.morphotera.core.CoreData;
import org.morphotera.core.score.FigureScore;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.Source;
import org.morphotera.core.soil.TextureGroup;

/**
 * Made-up fields by another way than the field model thinks: the land is a surface of waves over a square, the year a swing
 * about its mean, the weather of a visit moves every stop by as much as that stop is wet, instruments have heavy tails and
 * are read in steps. No scatter of a table enters.
 */
final class SeasonTrials {

    /** What is read, and what in it swings. */
    enum Property {
        /** pH by a meter: waves of 0.3, swings little over the year. */
        ACIDITY("ph", "meter", 6.4, 0.3, 0.05, 0.02, 0.06, 0.1),
        /** Share of the ground that is covered, %: swings by 6 with the weather of the visit. */
        COVER("ground-cover", null, 62, 9, 6, 3, 4, 1),
        /** Depth at which the probe is stopped, mm: moves by 40 with the moisture of the day. */
        LAYER("compaction", null, 320, 45, 40, 10, 15, 10),
        /** Organic matter, %, by a laboratory. */
        CARBON("organic-matter", null, 3.4, 0.4, 0.08, 0.03, 0.12, 0.1);

        private final String indicator;
        private final String kind;
        private final double mean;
        private final double waves;
        private final double weather;
        private final double year;
        private final double instrument;
        private final double step;

        Property(
                String indicator,
                String kind,
                double mean,
                double waves,
                double weather,
                double year,
                double instrument,
                double step) {
            this.indicator = indicator;
            this.kind = kind;
            this.mean = mean;
            this.waves = waves;
            this.weather = weather;
            this.year = year;
            this.instrument = instrument;
            this.step = step;
        }
    }

    private static final int WAVES = 6;
    /** Degrees of freedom of the errors: a third of the misreadings of a normal law lie twice as far off. */
    private static final int TAILS = 5;

    private final Random random;

    SeasonTrials(long seed) {
        this.random = new Random(seed);
    }

    private double heavy(double scale) {
        double squares = 0;
        for (int i = 0; i < TAILS; i++) {
            double each = random.nextGaussian();
            squares += each * each;
        }
        return scale * random.nextGaussian() / Math.sqrt(squares / TAILS);
    }

    /** A surface with a mean of nothing. */
    private final class Surface {

        private final double[][] waves = new double[WAVES][];
        private final double height;

        Surface(double height) {
            this.height = height * Math.sqrt(2.0 / WAVES);
            for (int i = 0; i < WAVES; i++) {
                double angle = 2 * Math.PI * random.nextDouble();
                double length = 0.15 + 0.6 * random.nextDouble();
                waves[i] = new double[] {
                    Math.cos(angle) / length, Math.sin(angle) / length, 2 * Math.PI * random.nextDouble()
                };
            }
        }

        double at(double x, double y) {
            double sum = 0;
            for (double[] wave : waves) {
                sum += Math.sin(2 * Math.PI * (wave[0] * x + wave[1] * y) + wave[2]);
            }
            return height * sum;
        }
    }

    /**
     * @param done what an event half a year after the first visit does to all stops but those left alone; {@code null} for
     *     no event
     */
    JudgedField draw(Property of, int visits, int stops, int leftAlone, Double done) {
        Surface land = new Surface(of.waves);
        Surface holes = new Surface(of.waves / 3);
        Surface wet = new Surface(0.4);
        double mean = of.mean + of.waves * random.nextGaussian();
        List<JudgedField.Stop> places = new ArrayList<>();
        double[][] at = new double[stops + leftAlone][];
        for (int i = 0; i < at.length; i++) {
            StopRole role = i < stops ? StopRole.ROUTINE : StopRole.CONTROL;
            places.add(new JudgedField.Stop("s" + i, "S" + i, role, null));
            at[i] = new double[] {random.nextDouble(), random.nextDouble()};
        }
        FigureScore score = FigureScore.of(of.indicator, place(), CoreData.BENCHMARKS);
        List<JudgedField.Visit> days = new ArrayList<>();
        List<JudgedField.Reading> readings = new ArrayList<>();
        for (int t = 0; t < visits; t++) {
            LocalDate on = LocalDate.of(2020 + t, 4, 1).plusDays(random.nextInt(40));
            days.add(new JudgedField.Visit("v" + t, on, "p"));
            double day = of.year * Math.sin(2 * Math.PI * on.getDayOfYear() / 365);
            double weather = of.weather * random.nextGaussian();
            for (int i = 0; i < at.length; i++) {
                // each visit digs a few steps away
                double x = at[i][0] + 0.01 * random.nextGaussian();
                double y = at[i][1] + 0.01 * random.nextGaussian();
                double value = mean
                        + land.at(x, y)
                        + holes.at(9 * x, 9 * y)
                        + day
                        + weather * (1 + wet.at(x, y))
                        + heavy(of.instrument)
                        + (done != null && t > 0 && i < stops ? done : 0);
                double figure = Math.max(of.step, Math.rint(value / of.step) * of.step);
                readings.add(new JudgedField.Reading(
                        t + "-" + i,
                        of.indicator,
                        "top-0-100",
                        "method",
                        of.kind,
                        false,
                        of == Property.CARBON ? Source.LABORATORY : Source.METER,
                        "s" + i,
                        "v" + t,
                        score.at(figure),
                        figure,
                        null,
                        null,
                        "",
                        null,
                        Set.of()));
            }
        }
        List<JudgedField.Event> events = done == null
                ? List.of()
                : List.of(new JudgedField.Event("e", LocalDate.of(2020, 9, 1), "lime", "lime", null, null));
        return new JudgedField(LocalDate.of(2020 + visits, 1, 1), place(), places, days, events, readings);
    }

    private static FigureScore.Place place() {
        return new FigureScore.Place(TextureGroup.MEDIUM, null, LandUse.ARABLE);
    }
}
