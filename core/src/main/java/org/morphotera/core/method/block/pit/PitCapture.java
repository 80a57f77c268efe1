package org.morphotera.core.method.block.pit;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.CaptureGuide;

/** What the picture of {@link Pit} starts from, draws and goes by. */
final class PitCapture implements Capture {

    @Override
    public CaptureGuide guide(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN.usual(
                "horizons", List.of(Map.of("topMm", 0, "bottomMm", 250), Map.of("topMm", 250, "bottomMm", 600)));
    }
}
