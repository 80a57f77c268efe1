package org.morphotera.core.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.morphotera.core.WorkedCase;

/** The page's units are held to the same cases. */
class ShownUnitsTest {

    static List<Map<String, Object>> cases() throws Exception {
        try (InputStream in = ShownUnitsTest.class.getResourceAsStream("/shown-units.json")) {
            return WorkedCase.JSON.readValue(in, new tools.jackson.core.type.TypeReference<>() {});
        }
    }

    @ParameterizedTest
    @MethodSource("cases")
    void figuresAndSentencesAreShownAsInTheCases(Map<String, Object> each) {
        String us = (String) each.get("us");
        if (each.get("prose") instanceof String sentence) {
            assertThat(ShownUnits.METRIC.prose(sentence)).isEqualTo(sentence);
            assertThat(ShownUnits.US.prose(sentence)).isEqualTo(us);
        } else {
            double value = ((Number) each.get("value")).doubleValue();
            String unit = (String) each.get("unit");
            assertThat(ShownUnits.METRIC.text(value, unit)).isEqualTo(each.get("metric"));
            assertThat(ShownUnits.US.text(value, unit)).isEqualTo(us);
        }
    }

    @Test
    void aPureNumberHasNoUnit() {
        assertThat(ShownUnits.US.text(12, null)).isEqualTo("12");
        assertThat(ShownUnits.of(true).us()).isTrue();
        assertThat(ShownUnits.of(false)).isSameAs(ShownUnits.METRIC);
    }

    @Test
    void onlyWhatDiffersIsConverted() {
        assertThat(ShownUnits.US.symbol("mm")).isEqualTo("in");
        assertThat(ShownUnits.US.symbol("dS/m")).isEqualTo("dS/m");
        assertThat(ShownUnits.US.number(3, "furlong")).isEqualTo("3");
    }
}
