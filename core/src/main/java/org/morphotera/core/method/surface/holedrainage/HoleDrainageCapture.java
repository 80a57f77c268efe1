package org.morphotera.core.method.surface.holedrainage;

import java.util.List;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.CaptureGuide;
import org.morphotera.core.soil.Purpose;

/** What the picture of {@link HoleDrainage} starts from, draws and goes by. */
final class HoleDrainageCapture implements Capture {

    @Override
    public CaptureGuide guide(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN
                .usual("mode", "stepped")
                .usual("holeDiameterMm", 200)
                .usual("holeDepthMm", 300)
                .usual("presoaked", true)
                .usual("measure", "water-depth")
                .group("depth", "holeDepthMm")
                .group("purposes", List.of(Purpose.values()));
    }
}
