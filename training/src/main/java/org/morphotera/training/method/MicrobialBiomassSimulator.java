package org.morphotera.training.method;

import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.life.microbialbiomass.MicrobialBiomass;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link MicrobialBiomass} reads on a made-up soil. */
final class MicrobialBiomassSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double carbon = soil.get(SoilProperty.BIOMASS);
        return Map.of(
                "ugCPerG",
                Scatter.rounded(scatter.around(carbon, 0.08 * carbon, 20, 2000), 0),
                "minutesSinceDrops",
                1.5,
                "settleMinutes",
                21);
    }
}
