package org.morphotera.server.fields;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.server.web.RefusedException;

class BoundaryTest {

    private static final String SOUND =
            "{\"type\":\"Polygon\",\"coordinates\":[[[4,52],[4.01,52],[4.01,52.01],[4,52]]]}";

    @Test
    void aClosedPolygonIsKeptAsItCame() {
        assertThat(Boundary.checked(SOUND)).isEqualTo(SOUND);
        assertThat(Boundary.checked(null)).isNull();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "null",
                "[]",
                "not JSON",
                "{\"type\":\"Polygon\"}",
                "{\"type\":\"Polygon\",\"coordinates\":[]}",
                "{\"type\":\"Polygon\",\"coordinates\":[[[4,52],[4.01,52],[4,52]]]}",
                "{\"type\":\"Polygon\",\"coordinates\":[[[4,52],[4.01,52],[4.01,52.01],[4,52.5]]]}",
                "{\"type\":\"Polygon\",\"coordinates\":[[[4,95],[4.01,52],[4.01,52.01],[4,95]]]}",
                "{\"type\":\"Polygon\",\"coordinates\":[[[181,52],[4.01,52],[4.01,52.01],[181,52]]]}",
                "{\"type\":\"Polygon\",\"coordinates\":[[[\"4\",52],[4.01,52],[4.01,52.01],[\"4\",52]]]}",
                "{\"type\":\"LineString\",\"coordinates\":[[[4,52],[4.01,52],[4.01,52.01],[4,52]]]}"
            })
    void whatCantBeDrawnIsRefusedAtItsEntry(String outline) {
        assertThatThrownBy(() -> Boundary.checked(outline))
                .isInstanceOfSatisfying(
                        RefusedException.class,
                        refused -> assertThat(refused.faults())
                                .singleElement()
                                .satisfies(fault -> assertThat(fault.field()).isEqualTo("boundary")));
    }
}
