package org.morphotera.core.method.chemistry.fizz;

import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.CaptureGuide;

/** What the picture of {@link Fizz} starts from, draws and goes by. */
final class FizzCapture implements Capture {

    @Override
    public CaptureGuide guide(Benchmarks benchmarks) {
        return CaptureGuide.PLAIN.usual("acid", "hcl-10");
    }
}
