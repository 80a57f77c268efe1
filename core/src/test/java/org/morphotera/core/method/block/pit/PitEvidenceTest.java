package org.morphotera.core.method.block.pit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.method.block.pit.Pit.Horizon;
import org.morphotera.core.method.block.pit.Pit.Moisture;
import org.morphotera.core.method.block.pit.Pit.RootAmount;
import org.morphotera.core.soil.TextureClass;

class PitEvidenceTest {

    private static Horizon horizon(
            double top, double bottom, Double structure, Double kPa, RootAmount roots, Moisture moisture) {
        return new Horizon(
                top, bottom, TextureClass.LOAM, structure, kPa, null, null, null, null, null, null, roots, moisture);
    }

    private static List<Sighting> seen(Double waterMm, Horizon... horizons) {
        return new PitEvidence().sightings(new Pit.Readings(1200.0, waterMm, false, List.of(horizons)), null, null);
    }

    private static final Horizon TOP = horizon(0, 220, 2.0, 900.0, RootAmount.MANY, Moisture.MOIST);
    private static final Horizon PAN = horizon(220, 300, 4.6, 2400.0, RootAmount.FEW, Moisture.MOIST);
    private static final Horizon BELOW = horizon(300, 1200, 2.5, 1100.0, RootAmount.FEW, Moisture.MOIST);

    private static Object state(List<Sighting> seen, String finding) {
        return seen.stream()
                .filter(each -> each.finding().equals(finding))
                .map(each -> each.figure() == null ? each.state() : each.figure())
                .findFirst()
                .orElse(null);
    }

    @Test
    void aLayerStrongerThanWhatLiesAboveThatFewerRootsPassIsHard() {
        List<Sighting> seen = seen(null, TOP, PAN, BELOW);
        assertThat(state(seen, "pit-layer")).isEqualTo("hard");
        assertThat(state(seen, "layer-bottom")).isEqualTo(300.0);
        assertThat(state(seen, "standing-water")).isNull();
    }

    @Test
    void aStrongerLayerThatRootsPassAsBeforeIsNone() {
        Horizon passed = horizon(220, 300, 4.6, 2400.0, RootAmount.MANY, Moisture.MOIST);
        assertThat(state(seen(null, TOP, passed, BELOW), "pit-layer")).isEqualTo("none");
        Horizon firm = horizon(220, 300, 3.6, 1600.0, RootAmount.COMMON, Moisture.MOIST);
        assertThat(state(seen(null, TOP, firm, BELOW), "pit-layer")).isEqualTo("firm");
    }

    @Test
    void whatNobodyPushedOrScoredSaysNothingOfALayer() {
        Horizon plain = horizon(0, 300, null, null, RootAmount.MANY, Moisture.MOIST);
        Horizon rootless = horizon(300, 900, null, null, RootAmount.NONE, Moisture.MOIST);
        assertThat(state(seen(null, plain, rootless), "pit-layer")).isNull();
    }

    @Test
    void waterIsWetnessWithinTheReachOfRootsOnly() {
        assertThat(state(seen(400.0, TOP, BELOW), "standing-water")).isEqualTo("yes");
        assertThat(state(seen(1100.0, TOP, BELOW), "standing-water")).isEqualTo("no");
        assertThat(state(seen(0.0, TOP, BELOW), "standing-water")).isEqualTo("no");
    }

    @Test
    void waterUnderADryLayerThatRootsDoNotPassIsNoWetness() {
        Horizon dry = horizon(220, 450, 4.8, 2900.0, RootAmount.NONE, Moisture.DRY);
        Horizon wet = horizon(450, 1200, 2.5, 800.0, RootAmount.NONE, Moisture.SATURATED);
        List<Sighting> seen = seen(500.0, TOP, dry, wet);
        assertThat(state(seen, "standing-water")).isEqualTo("no");
        assertThat(state(seen, "pit-layer")).isEqualTo("hard");
    }
}
