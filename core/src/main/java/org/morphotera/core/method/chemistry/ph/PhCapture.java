package org.morphotera.core.method.chemistry.ph;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.CaptureGuide;

/** What the picture of {@link Ph} starts from, draws and goes by. */
final class PhCapture implements Capture {

    @Override
    public CaptureGuide guide(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN
                .usual("kind", "meter-1to1")
                .usual("layers", List.of(slice(0, 100), slice(100, 200), slice(200, 300)))
                .drawn("sliceMm", 100)
                .drawn("firstChip", 4)
                .drawn("lastChip", 9)
                .drawn("chipStep", 0.5)
                .group("chips", "vial-kit", "powder-on-core", "capsule-kit")
                .group("settles", "vial-kit", "capsule-kit");
    }

    private static Map<String, Object> slice(double topMm, double bottomMm) {
        return Map.of("topMm", topMm, "bottomMm", bottomMm);
    }
}
