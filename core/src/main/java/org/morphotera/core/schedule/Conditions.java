package org.morphotera.core.schedule;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.morphotera.core.method.Context;
import org.morphotera.core.result.Envelope.NoteText;
import org.morphotera.core.result.Evaluation.Note;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Season;
import org.morphotera.core.soil.SoilMoisture;
import org.morphotera.core.text.Messages;

/**
 * Whether a day is one on which figures can be trusted and compared: spring or autumn, two to three days after real
 * rain, soil moist, 5 to 20 °C.
 */
public final class Conditions {

    private static final int FEWEST_DAYS = 2;
    private static final int MOST_DAYS = 3;
    private static final double COLDEST_C = 5;
    private static final double WARMEST_C = 20;

    private Conditions() {}

    /** What to mind about a day; empty where nothing speaks against it or nothing is known. */
    public static List<NoteText> warnings(Context day, Messages messages) {
        List<Note> notes = new ArrayList<>();
        if (day.soilMoisture() == SoilMoisture.DRY) {
            add(notes, "SOIL_DRY", Map.of());
        }
        if (day.soilMoisture() == SoilMoisture.WET) {
            add(notes, "SOIL_WET", Map.of());
        }
        if (day.daysSinceRain() != null && day.daysSinceRain() < FEWEST_DAYS) {
            add(notes, "RAIN_TOO_RECENT", Map.of("days", day.daysSinceRain()));
        }
        if (day.daysSinceRain() != null && day.daysSinceRain() > MOST_DAYS) {
            add(notes, "RAIN_TOO_LONG_AGO", Map.of("days", day.daysSinceRain()));
        }
        if (day.soilTempC() != null && day.soilTempC() < COLDEST_C) {
            add(notes, "SOIL_COLD", Map.of("temp", day.soilTempC()));
        }
        if (day.soilTempC() != null && day.soilTempC() > WARMEST_C) {
            add(notes, "SOIL_WARM", Map.of("temp", day.soilTempC()));
        }
        if (day.season() == Season.SUMMER || day.season() == Season.WINTER) {
            add(notes, "OUT_OF_SEASON", Map.of("season", day.season().code()));
        }
        return notes.stream()
                .map(note -> NoteText.of(note, "conditions", messages))
                .toList();
    }

    private static void add(List<Note> notes, String code, Map<String, Object> args) {
        notes.add(new Note(code, Severity.CAUTION, args));
    }
}
