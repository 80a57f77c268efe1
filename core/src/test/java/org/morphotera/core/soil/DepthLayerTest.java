package org.morphotera.core.soil;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DepthLayerTest {

    @ParameterizedTest(name = "{0} to {1} mm: subsoil {2}")
    @CsvSource({
        "0, 200, false",
        "0, 300, false",
        "100, 300, false",
        "0, 400, false",
        "101, 300, true",
        "0, 401, true",
        "200, 300, true",
        "199, 199, false",
        "200, 200, true"
    })
    void aLayerIsTopsoilWhereAtLeastHalfOfItLiesAboveTheBoundary(double top, double bottom, boolean subsoil) {
        assertThat(DepthLayer.isSubsoil(new DepthLayer(top, bottom))).isEqualTo(subsoil);
    }

    @Test
    void whatHasNoLayerIsTopsoil() {
        assertThat(DepthLayer.isSubsoil(null)).isFalse();
    }
}
