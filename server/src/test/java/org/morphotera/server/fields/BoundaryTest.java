package org.morphotera.server.fields;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.morphotera.core.CoreData;
import org.morphotera.server.web.RefusedException;
import tools.jackson.databind.json.JsonMapper;

@Tag("no-database")
class BoundaryTest {

    private static final String SOUND =
            "{\"type\":\"Polygon\",\"coordinates\":[[[4,52],[4.01,52],[4.01,52.01],[4,52]]]}";

    private static final Boundary SHAPES = new Boundary(JsonMapper.builder().build(), CoreData.MESSAGES);

    @Test
    void soundShapesPassAndNoneIsNeeded() {
        String zones = "{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\",\"properties\":"
                + "{\"id\":\"heavy\"},\"geometry\":" + SOUND + "}]}";
        assertThatCode(() -> SHAPES.check(SOUND, zones, zones)).doesNotThrowAnyException();
        assertThatCode(() -> SHAPES.check(null, null, null)).doesNotThrowAnyException();
        assertThatThrownBy(() -> SHAPES.check(null, SOUND, null))
                .isInstanceOfSatisfying(
                        RefusedException.class,
                        refused -> assertThat(refused.faults().get(0).field()).isEqualTo("zones"));
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
        assertThatThrownBy(() -> SHAPES.check(outline, null, null))
                .isInstanceOfSatisfying(
                        RefusedException.class,
                        refused -> assertThat(refused.faults())
                                .singleElement()
                                .satisfies(fault -> assertThat(fault.field()).isEqualTo("boundary")));
    }
}
