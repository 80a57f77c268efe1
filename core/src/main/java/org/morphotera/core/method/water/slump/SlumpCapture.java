package org.morphotera.core.method.water.slump;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.CaptureGuide;

/** What the picture of {@link Slump} starts from, draws and goes by. */
final class SlumpCapture implements Capture {

    @Override
    public CaptureGuide guide(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN
                .usual("clods", List.of(Map.of("label", "here", "dryAtStart", true)))
                .drawn("mostClods", 4)
                .group("places", "here", "under the hedge", "wheel track", "good patch")
                .group("outcomes", List.of(Slump.ClodOutcome.values()));
    }
}
