package org.morphotera.core.method.block.texturejar;

import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.CaptureGuide;

/** What the picture of {@link TextureJar} starts from, draws and goes by. */
final class TextureJarCapture implements Capture {

    private static final double USUAL_WATER_C = 20;

    private static final double USUAL_WATER_MM = 160;

    @Override
    public CaptureGuide guide(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN
                .usual("marks", "timed")
                .usual("waterTempC", USUAL_WATER_C)
                .usual("baseOffsetMm", 0)
                .drawn("settledSeconds", TextureJar.SETTLED_SECONDS)
                .drawn("usualWaterMm", USUAL_WATER_MM);
    }
}
