package org.morphotera.training.method;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;

/** What one field test reads on a made-up soil, as it would be entered. */
public interface Simulator {

    /**
     * The readings, with the scatter that the test has.
     *
     * @param topMm top of the layer it is made in, mm; 0 above the ground
     */
    Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks);

    /**
     * What is to be seen while time passes, for a picture that moves: rows by name, each with its {@code seconds}. Empty
     * where the readings say all.
     *
     * @param readings as {@link #readings} made them up
     */
    default Map<String, List<Map<String, Object>>> passing(Map<String, Object> readings) {
        return Map.of();
    }
}
