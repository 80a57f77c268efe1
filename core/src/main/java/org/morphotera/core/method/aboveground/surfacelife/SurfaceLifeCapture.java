package org.morphotera.core.method.aboveground.surfacelife;

import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.CaptureGuide;

/** What the picture of {@link SurfaceLife} starts from, draws and goes by. */
final class SurfaceLifeCapture implements Capture {

    @Override
    public CaptureGuide guide(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN
                .usual("quadratAreaM2", 0.25)
                .group("kinds", "beetles", "spiders", "ants", "worm casts", "springtails");
    }
}
