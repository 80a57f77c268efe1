package org.morphotera.core.method.block.structure;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.CaptureGuide;

/** What the picture of {@link Structure} starts from, draws and goes by. */
final class StructureCapture implements Capture {

    @Override
    public CaptureGuide guide(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN
                .usual("key", "spade-block")
                .usual(
                        "fractions",
                        List.of(
                                sizeClass(0, 5),
                                sizeClass(5, Structure.FINE_UP_TO_MM),
                                sizeClass(Structure.FINE_UP_TO_MM, 75),
                                sizeClass(75, 200)))
                .drawn("mostG", 5000);
    }

    private static Map<String, Object> sizeClass(double minMm, double maxMm) {
        return Map.of("minMm", minMm, "maxMm", maxMm);
    }
}
