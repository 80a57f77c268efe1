package org.morphotera.core.method.surface.ringinfiltration;

import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.CaptureGuide;
import org.morphotera.core.soil.DepthLayer;

/** What the picture of {@link RingInfiltration} starts from, draws and goes by. */
final class RingInfiltrationCapture implements Capture {

    @Override
    public CaptureGuide guide(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN
                .usual("ringDiameterMm", 150)
                .usual("depthLevel", "surface")
                .drawn("waterMl", 450)
                .drawn("lookAgainSeconds", 300)
                .drawn("deepRingFromMm", 150)
                .drawn("dugToMm", DepthLayer.TOPSOIL_ENDS_MM)
                .drawn("fewestPoints", RingInfiltration.POINTS_FOR_A_FIT);
    }
}
