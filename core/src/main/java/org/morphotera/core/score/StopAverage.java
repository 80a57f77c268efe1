package org.morphotera.core.score;

import java.util.List;
import org.morphotera.core.benchmark.Bands;

/** The stop-average school: good, fair or poor at each stop counts 3, 2 or 1; the mean, to one decimal. */
public final class StopAverage {

    private StopAverage() {}

    /** 1 to 3 with one decimal, halves up; the codes of {@code bands} run from poor to good. */
    public static double of(List<Double> standings, Bands bands) {
        double sum = 0;
        for (double standing : standings) {
            sum += 1 + bands.codes().indexOf(bands.of(standing));
        }
        return Math.floor(sum / standings.size() * 10 + 0.5) / 10;
    }
}
