package org.morphotera.core.trend;

import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;

/**
 * The scale on which a figure's changes are held against each other. What spreads in proportion to its size (counts,
 * rates, conductivity) is compared by its logarithm, so that a change is a factor; all else as it stands.
 *
 * @param logarithmic whether changes are factors
 * @param plus added before the logarithm, for counts that may be none
 * @param instrument standard deviation of one reading by the instrument alone, on this scale
 * @param visit standard deviation that all readings of a visit share, on this scale
 * @param better 1 where more of the figure is better, -1 where less is, 0 for neither or something in between
 */
public record ChangeScale(boolean logarithmic, double plus, double instrument, double visit, int better) {

    /** Of figures that are not in the table. */
    public static final ChangeScale PLAIN = new ChangeScale(false, 0, 0, 0, 0);

    /** Of standings, of which more is always better. */
    public static final ChangeScale STANDING = new ChangeScale(false, 0, 0, 0, 1);

    /** Keeps the logarithm of nothing finite where no count is added. */
    private static final double SMALLEST = 1e-6;

    /** Of an indicator's figure, from the table {@code change.scale}. */
    public static ChangeScale of(String indicator, Benchmarks benchmarks) {
        Table table = benchmarks.table("change.scale");
        return table.has(indicator)
                ? new ChangeScale(
                        table.at(indicator, "log") > 0,
                        table.at(indicator, "plus"),
                        table.at(indicator, "instrument"),
                        table.at(indicator, "visit"),
                        (int) table.at(indicator, "better"))
                : PLAIN;
    }

    /** A figure on this scale. */
    public double of(double figure) {
        return logarithmic ? Math.log(Math.max(SMALLEST, figure + plus)) : figure;
    }

    /** A change on this scale as it is told: a difference, or the factor from one figure to the other. */
    public double told(double change) {
        return logarithmic ? Math.exp(change) : change;
    }

    /** A figure from this scale. */
    public double figure(double onScale) {
        return logarithmic ? Math.exp(onScale) - plus : onScale;
    }
}
