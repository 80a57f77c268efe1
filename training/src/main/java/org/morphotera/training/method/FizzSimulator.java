package org.morphotera.training.method;

import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.chemistry.fizz.Fizz;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link Fizz} reads on a made-up soil. */
final class FizzSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double lime = soil.get(SoilProperty.FIZZ);
        String seen = lime < 0.5 ? "nothing" : lime < 2 ? "few-bubbles" : lime < 10 ? "bubbling" : "low-foam";
        return Map.of("acid", "hcl-10", "seen", seen, "heard", lime < 0.5 ? "no" : "clear");
    }
}
