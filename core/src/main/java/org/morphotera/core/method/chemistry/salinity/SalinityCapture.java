package org.morphotera.core.method.chemistry.salinity;

import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.CaptureGuide;

/** What the picture of {@link Salinity} starts from, draws and goes by. */
final class SalinityCapture implements Capture {

    private static final int WANTED_READINGS = 3;

    /** Two readings in a row that differ by no more have stopped drifting. */
    private static final double ALIKE_WITHIN_SHARE = 0.05;

    @Override
    public CaptureGuide guide(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN
                .usual("mode", "slurry-1to1")
                .usual("compensated", true)
                .drawn("wantedReadings", WANTED_READINGS)
                .drawn("alikeWithinShare", ALIKE_WITHIN_SHARE);
    }
}
