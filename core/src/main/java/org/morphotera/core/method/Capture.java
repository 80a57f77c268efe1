package org.morphotera.core.method;

import org.morphotera.core.benchmark.Benchmarks;

/** What the picture of a test starts from, draws and goes by. */
@FunctionalInterface
public interface Capture {

    /** Of a test whose picture needs nothing but its readings. */
    Capture PLAIN = benchmarks -> CaptureGuide.PLAIN;

    CaptureGuide guide(Benchmarks benchmarks);
}
