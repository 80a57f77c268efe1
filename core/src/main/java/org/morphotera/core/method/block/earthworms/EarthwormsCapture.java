package org.morphotera.core.method.block.earthworms;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.CaptureGuide;

/** What the picture of {@link Earthworms} starts from, draws and goes by. */
final class EarthwormsCapture implements Capture {

    @Override
    public CaptureGuide guide(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN
                .usual("blocks", List.of(Map.of("lengthMm", 200, "widthMm", 200, "depthMm", 300)))
                .drawn("blocks", Earthworms.FEWEST_BLOCKS);
    }
}
