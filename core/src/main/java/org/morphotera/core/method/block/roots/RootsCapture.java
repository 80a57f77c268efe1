package org.morphotera.core.method.block.roots;

import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.CaptureGuide;

/** What the picture of {@link Roots} starts from, draws and goes by. */
final class RootsCapture implements Capture {

    private static final double DRAWN_TO_MM = 1000;

    @Override
    public CaptureGuide guide(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN.usual("barrier", "none").drawn("deepestMm", DRAWN_TO_MM);
    }
}
