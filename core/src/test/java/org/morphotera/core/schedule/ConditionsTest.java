package org.morphotera.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.method.Context;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.result.Envelope.NoteText;

class ConditionsTest {

    private static List<String> codes(Map<String, Object> day) {
        Faults faults = new Faults();
        Context context = Context.parse(day, faults);
        assertThat(faults.found()).isEmpty();
        return Conditions.warnings(context, CoreData.MESSAGES).stream()
                .map(NoteText::code)
                .toList();
    }

    @Test
    void aGoodDayBringsNoWarning() {
        assertThat(codes(Map.of("soilMoisture", "moist", "daysSinceRain", 2, "soilTempC", 12, "season", "autumn")))
                .isEmpty();
        assertThat(codes(Map.of())).isEmpty();
    }

    @Test
    void namesEverythingThatSpeaksAgainstADay() {
        assertThat(codes(Map.of("soilMoisture", "dry", "daysSinceRain", 12, "soilTempC", 24, "season", "summer")))
                .containsExactly("SOIL_DRY", "RAIN_TOO_LONG_AGO", "SOIL_WARM", "OUT_OF_SEASON");
        assertThat(codes(Map.of("soilMoisture", "wet", "daysSinceRain", 0, "soilTempC", 3)))
                .containsExactly("SOIL_WET", "RAIN_TOO_RECENT", "SOIL_COLD");
    }

    @ParameterizedTest(name = "{0} = {1}: {2}")
    @CsvSource({
        "daysSinceRain, 1, RAIN_TOO_RECENT",
        "daysSinceRain, 2, ''",
        "daysSinceRain, 3, ''",
        "daysSinceRain, 4, RAIN_TOO_LONG_AGO",
        "soilTempC, 4.9, SOIL_COLD",
        "soilTempC, 5, ''",
        "soilTempC, 20, ''",
        "soilTempC, 20.1, SOIL_WARM"
    })
    void aDayIsGoodUpToItsEdges(String what, double figure, String code) {
        Object said = what.equals("daysSinceRain") ? (Object) (int) figure : (Object) figure;
        assertThat(String.join(" ", codes(Map.of(what, said)))).isEqualTo(code);
    }
}
