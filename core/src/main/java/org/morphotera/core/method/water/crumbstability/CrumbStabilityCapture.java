package org.morphotera.core.method.water.crumbstability;

import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.CaptureGuide;

/** What the picture of {@link CrumbStability} starts from, draws and goes by. */
final class CrumbStabilityCapture implements Capture {

    private static final int MOST_CRUMBS = 8;

    @Override
    public CaptureGuide guide(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN
                .usual("water", "rain")
                .usual("airDry", true)
                .drawn("crumbs", 6)
                .drawn("fewestCrumbs", CrumbStability.FEWEST_CRUMBS)
                .drawn("mostCrumbs", MOST_CRUMBS)
                .drawn("stillSeconds", CrumbStability.STAGE_SECONDS)
                .drawn("watchedSeconds", CrumbStability.WATCHED_SECONDS);
    }
}
