package org.morphotera.core.method.surface.penetration;

import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.CaptureGuide;

/** What the picture of {@link Penetration} starts from, draws and goes by. */
final class PenetrationCapture implements Capture {

    private static final double USUAL_TIP_MM = 12.7;

    private static final double DRAWN_TO_KPA = 4000;

    @Override
    public CaptureGuide guide(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN
                .usual("instrument", "gauge")
                .usual("tipDiameterMm", USUAL_TIP_MM)
                .drawn("rootsStopKPa", benchmarks.table("penetration.limit").at("roots", "kPa"))
                .drawn("stepMm", Penetration.STEP_MM)
                .drawn("deepestMm", Penetration.UNLIMITED_COUNTS_AS_MM)
                .drawn("mostKPa", DRAWN_TO_KPA);
    }
}
