package org.morphotera.core.method.block.texturefeel;

import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.CaptureGuide;

/** What the picture of {@link TextureFeel} starts from, draws and goes by. */
final class TextureFeelCapture implements Capture {

    @Override
    public CaptureGuide guide(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN.usual("key", "ribbon");
    }
}
