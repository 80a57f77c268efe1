package org.morphotera.core.method.aboveground.groundcover;

import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.CaptureGuide;

/** What the picture of {@link GroundCover} starts from, draws and goes by. */
final class GroundCoverCapture implements Capture {

    @Override
    public CaptureGuide guide(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN.drawn("wantedPoints", 50);
    }
}
