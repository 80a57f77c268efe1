package org.morphotera.server.plans;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.server.ApiClient;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;

/** What pH and salt should do after lime and drains, with what was read since. */
@ExtendWith(RunningApp.class)
class OutlooksTest {

    private static final LocalDate BEFORE = LocalDate.of(2025, 3, 3);
    private static final LocalDate SPREAD = LocalDate.of(2025, 9, 1);
    private static final LocalDate SINCE = LocalDate.of(2026, 3, 4);

    private final ApiClient advisor;

    OutlooksTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    private static Map<String, Object> lime(Land land, String state) {
        return new LinkedHashMap<>(Map.of(
                "fieldId",
                land.field,
                "kind",
                "lime",
                "inputs",
                Map.of(
                        "school", "texture-factor",
                        "phWater", 5.4,
                        "targetPh", 6.4,
                        "phHalfWidth", 0.1,
                        "textureGroup", "medium"),
                "state",
                state,
                "version",
                0));
    }

    private List<Map<String, Object>> outlooks(Land land) {
        return Land.rows(advisor.get("/api/fields/" + land.field + "/plan").json(), "outlooks");
    }

    private Land sour() {
        Land land = new Land(advisor, 3);
        String visit = land.visit(BEFORE);
        double[] read = {5.3, 5.4, 5.6};
        for (int i = 0; i < 3; i++) {
            land.ph(visit, i, read[i], BEFORE);
        }
        return land;
    }

    @Test
    void limeHasAnOutlookFromItsInputsWithWhatWasReadOnTop() {
        Land land = sour();
        Map<String, Object> done = lime(land, "done");
        done.put("doneOn", SPREAD.toString());
        done.put("confirmedBy", "buffer pH");
        String action = UUID.randomUUID().toString();
        Land.ok(advisor.put("/api/actions/" + action, done));
        String since = land.visit(SINCE);
        land.ph(since, 0, 5.8, SINCE);
        Map<String, Object> ph = outlooks(land).get(0);
        assertThat(ph).containsEntry("indicator", "ph").containsEntry("unit", "pH");
        assertThat(Land.number(ph, "target")).isEqualTo(6.4);
        List<Map<String, Object>> expected = Land.rows(ph, "expected");
        assertThat(expected.get(0)).containsEntry("on", SPREAD.toString());
        // towards 6.4 within two years, moved a little by the 5.8 that was read after half a year
        assertThat(Land.number(expected.get(0), "value")).isBetween(5.4, 5.5);
        assertThat(Land.number(expected.get(1), "value")).isBetween(5.65, 5.75);
        assertThat(expected).allSatisfy(point -> {
            assertThat(Land.number(point, "low")).isLessThan(Land.number(point, "value"));
            assertThat(Land.number(point, "high")).isGreaterThan(Land.number(point, "value"));
        });
        List<Map<String, Object>> observed = Land.rows(ph, "observed");
        assertThat(observed).hasSize(2);
        assertThat(observed.get(0)).containsEntry("on", BEFORE.toString());
        assertThat(Land.number(observed.get(0), "value")).isEqualTo(5.4);
        assertThat(Land.number(observed.get(0), "low")).isEqualTo(5.3);
        assertThat(Land.number(observed.get(0), "high")).isEqualTo(5.6);
        assertThat(ph.get("basis").toString()).startsWith("From pH 5.4 towards");
        assertThat(advisor.send("DELETE", "/api/actions/" + action, null, "application/json")
                        .status())
                .isEqualTo(204);
        assertThat(outlooks(land)).isEmpty();
    }

    @Test
    void limeThatWasDroppedPromisesNothing() {
        Land land = sour();
        Map<String, Object> dropped = lime(land, "dropped");
        dropped.put("reason", "the grower will not");
        Land.ok(advisor.put("/api/actions/" + UUID.randomUUID(), dropped));
        assertThat(outlooks(land)).isEmpty();
    }

    @Test
    void saltFallsWithRainOnlyWhereDrainsWereLaid() {
        Land land = new Land(advisor, 1, Map.of("textureClass", "loam"));
        String visit = land.visit(BEFORE);
        Land.ok(land.record(
                visit,
                0,
                "salinity",
                Map.of("mode", "slurry-1to1", "readings", List.of(2.4, 2.4), "compensated", true),
                BEFORE,
                Map.of("depthTopMm", 0, "depthBottomMm", 200)));
        assertThat(outlooks(land)).isEmpty();
        land.event(SPREAD, "drain", List.of());
        Map<String, Object> salt = outlooks(land).get(0);
        assertThat(salt).containsEntry("indicator", "salinity").containsEntry("unit", "dS/m");
        List<Map<String, Object>> expected = Land.rows(salt, "expected");
        // medium texture, 1:1: 3.01 · 2.4 − 0.77
        assertThat(Land.number(expected.get(0), "value")).isCloseTo(3.01 * 2.4 - 0.77, within(1e-6));
        for (int year = 1; year < expected.size(); year++) {
            assertThat(Land.number(expected.get(year), "value"))
                    .isLessThan(Land.number(expected.get(year - 1), "value"));
        }
        assertThat(salt.get("basis").toString()).contains("dS/m a year");
    }

    @Test
    void aSmallPlotIsAGarden() {
        assertThat(advisor.get("/api/fields/" + new Land(advisor, 1, Map.of("areaHa", 0.2)).field + "/plan")
                        .json())
                .containsEntry("garden", true);
        assertThat(advisor.get("/api/fields/" + new Land(advisor, 1, Map.of("areaHa", 7)).field + "/plan")
                        .json())
                .containsEntry("garden", false);
    }
}
