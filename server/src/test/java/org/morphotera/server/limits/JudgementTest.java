package org.morphotera.server.limits;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.Land;
import org.morphotera.server.RunningApp;
import org.morphotera.server.SomePicture;

/** The stories of the demo fields come out of sheets, comparisons and changes as they were laid. */
@ExtendWith(RunningApp.class)
@SuppressWarnings("unchecked")
class JudgementTest {

    private final ApiClient advisor;

    JudgementTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    private String field(String name) {
        return advisor.get("/api/fields?find=" + name.replace(" ", "%20"))
                .list()
                .get(0)
                .get("id")
                .toString();
    }

    private Map<String, Object> change(String field, String indicator) {
        Answer answer = advisor.get("/api/fields/" + field + "/change?indicator=" + indicator);
        return (Map<String, Object>) answer.json().get("change");
    }

    @Test
    void aSheetMarksTheSameReadingsByEverySchool() {
        Map<String, Object> sheet =
                advisor.get("/api/fields/" + field("Craigend Ley") + "/sheet").json();
        List<Map<String, Object>> rows = (List<Map<String, Object>>) sheet.get("rows");
        assertThat(rows).hasSizeGreaterThan(20).allSatisfy(row -> {
            Map<String, Object> mark = (Map<String, Object>) row.get("field");
            double standing = ((Number) mark.get("standing")).doubleValue();
            assertThat(mark.get("flag")).isEqualTo(standing >= 0.6 ? "hold" : standing >= 0.35 ? "watch" : "look-into");
            assertThat(((Number) row.get("stopAverage")).doubleValue()).isBetween(1.0, 3.0);
        });
        Map<String, Object> overall = (Map<String, Object>) sheet.get("overall");
        assertThat((List<Object>) overall.get("functions")).hasSize(5);
        assertThat(((Map<String, Object>) sheet.get("soil")).get("percent")).isNotNull();
        assertThat(((Map<String, Object>) sheet.get("plant")).get("percent")).isNotNull();
        assertThat((List<Object>) sheet.get("visits")).hasSize(6);
    }

    @Test
    void limeRaisedThePhAndTheSubsoilingChangedNothing() {
        assertThat(change(field("Craigend Ley"), "ph")).containsEntry("verdict", "risen");
        assertThat(change(field("Long Sluice"), "compaction")).containsEntry("verdict", "cannot-tell");
        assertThat(change(field("Ebb Lane Beds"), "infiltration")).containsEntry("verdict", "risen");
    }

    @Test
    void aSeasonOfWormsIsNoChange() {
        assertThat(change(field("Long Dyke"), "earthworms")).containsEntry("verdict", "cannot-tell");
    }

    @Test
    void thePoorAndTheGoodPatchDifferFirstInWhatLimits() {
        String field = field("Craigend Ley");
        Map<String, Object> face = advisor.get("/api/fields/" + field).json();
        List<Map<String, Object>> stops = (List<Map<String, Object>>) face.get("stops");
        String path = "/api/compare?field=" + field + "&stop=" + stops.get(1).get("id") + "&otherField=" + field
                + "&otherStop=" + stops.get(0).get("id");
        List<Map<String, Object>> differences =
                (List<Map<String, Object>>) advisor.get(path).json().get("differences");
        assertThat(differences.get(0)).containsEntry("defensible", true);
        assertThat(differences.subList(0, 3).stream().map(each -> each.get("indicator")))
                .contains("ph");
        double before = Double.POSITIVE_INFINITY;
        for (Map<String, Object> difference : differences) {
            double ratio = ((Number) difference.get("ratio")).doubleValue();
            assertThat(ratio).isLessThanOrEqualTo(before);
            before = ratio;
        }
        assertThat(differences.toString()).contains("can't be told apart");
    }

    @ParameterizedTest
    @CsvSource({
        "Gull Polder, salinity",
        "Long Sluice, compaction-layer",
        "Beet Reach, sodicity",
        "Millrace Orchard, waterlogging",
        "Long Dyke, weak-aggregation"
    })
    void theEvidenceNamesWhatEachFieldWasMadeWith(String name, String constraint) {
        Map<String, Object> limits =
                advisor.get("/api/fields/" + field(name) + "/limits").json();
        Map<String, Object> first = ((List<Map<String, Object>>) limits.get("constraints")).get(0);
        assertThat(first).containsEntry("constraint", constraint).containsEntry("named", true);
        assertThat((List<Map<String, Object>>) first.get("evidence"))
                .allSatisfy(each -> assertThat(each.get("reason").toString()).isNotBlank());
    }

    @Test
    void aSoundGardenIsNotAccusedAndAWhatIfIsTold() {
        String garden = field("Ebb Lane Beds");
        Map<String, Object> limits =
                advisor.get("/api/fields/" + garden + "/limits").json();
        assertThat((List<Map<String, Object>>) limits.get("constraints"))
                .allSatisfy(each -> assertThat(each).containsEntry("named", false));
        assertThat(advisor.get("/api/fields/" + garden).json()).doesNotContainKey("leading");
        Answer supposed = advisor.get("/api/fields/" + garden + "/limits?suppose=fizz:strong");
        assertThat(supposed.text()).contains("\"supposed\":true");
        assertThat(advisor.get("/api/fields/" + garden + "/limits?suppose=fizz:loud")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void aCorrectionChangesWhatIsFound() {
        String field = field("Schoolyard Basin");
        Map<String, Object> face = advisor.get("/api/fields/" + field).json();
        Object visit = ((List<Map<String, Object>>) face.get("visits")).get(0).get("id");
        List<Map<String, Object>> tests = (List<Map<String, Object>>)
                advisor.get("/api/visits/" + visit).json().get("measurements");
        Map<String, Object> old = tests.stream()
                .filter(each -> each.get("method").equals("lab-result"))
                .findFirst()
                .orElseThrow();
        Map<String, Object> readings = Map.of(
                "analytes",
                List.of(
                        Map.of("code", "cec", "value", 16, "unit", "cmol/kg"),
                        Map.of("code", "ex-na", "value", 4, "unit", "cmol/kg")));
        Map<String, Object> body = new LinkedHashMap<>(Map.of(
                "visitId",
                visit,
                "stopId",
                old.get("stopId"),
                "method",
                "lab-result",
                "readings",
                readings,
                "takenAt",
                old.get("takenAt"),
                "supersedes",
                old.get("id"),
                "reason",
                "laboratory corrected it"));
        assertThat(advisor.put("/api/measurements/" + UUID.randomUUID(), body).status())
                .isEqualTo(200);
        assertThat(advisor.get("/api/fields/" + field + "/limits").text())
                .contains("\"finding\":\"esp\",\"label\":\"Exchangeable sodium\",\"state\":\"sodic\"");
    }

    @Test
    void fieldsAreFoundFilteredAndOrderedByTheServer() {
        assertThat(advisor.get("/api/fields?find=hop").list())
                .singleElement()
                .satisfies(each -> assertThat(each).containsEntry("name", "Long Sluice"));
        assertThat(advisor.get("/api/fields?level=failing").list())
                .isNotEmpty()
                .allSatisfy(each ->
                        assertThat(((Map<String, Object>) each.get("limit"))).containsEntry("level", "failing"));
        List<Map<String, Object>> byName =
                advisor.get("/api/fields?order=name&grower=Saltholm%20Farm").list();
        assertThat(byName)
                .extracting(each -> each.get("name"))
                .containsSubsequence("Beet Reach", "Gull Polder", "Long Dyke");
        assertThat(advisor.get("/api/fields?offset=5000").list()).isEmpty();
    }

    @Test
    void reportsAndBlankSheetsArePdf() {
        Answer report = advisor.get("/api/fields/" + field("Gull Polder") + "/report.pdf");
        assertThat(report.status()).isEqualTo(200);
        assertThat(report.type()).isEqualTo("application/pdf");
        assertThat(report.text()).startsWith("%PDF");
        assertThat(advisor.get("/api/blank-sheet.pdf?tests=ph,pit").text()).startsWith("%PDF");
        assertThat(advisor.get("/api/blank-sheet.pdf?tests=none").status()).isEqualTo(404);
    }

    @Test
    void aPhotoIsCheckedByContentAndLosesItsPosition() {
        Map<String, Object> face =
                advisor.get("/api/fields/" + field("Gull Polder")).json();
        Object visit = ((List<Map<String, Object>>) face.get("visits")).get(0).get("id");
        Object stop = ((List<Map<String, Object>>) face.get("stops")).get(0).get("id");
        UUID id = UUID.randomUUID();
        String path =
                "/api/photos/" + id + "?visit=" + visit + "&stop=" + stop + "&method=ph&takenAt=2026-05-01T09:00:00Z";
        assertThat(advisor.sendBytes("PUT", path, "no picture".getBytes(), "image/jpeg")
                        .status())
                .isEqualTo(422);
        byte[] jpeg = SomePicture.jpeg(600, 400);
        assertThat(advisor.sendBytes("PUT", path, jpeg, "image/jpeg").status()).isEqualTo(200);
        assertThat(advisor.sendBytes("PUT", path, jpeg, "image/jpeg").status()).isEqualTo(200);
        Answer kept = advisor.get("/api/photos/" + id);
        assertThat(kept.type()).isEqualTo("image/jpeg");
        assertThat(advisor.bytes("/api/photos/" + id + "?size=small").length)
                .isLessThan(advisor.bytes("/api/photos/" + id).length);
        assertThat(advisor.get("/api/fields/" + face(face) + "/photos").list())
                .filteredOn(each -> each.get("id").equals(id.toString()))
                .hasSize(1);
        assertThat(advisor.send("DELETE", "/api/photos/" + id, null, "application/json")
                        .status())
                .isEqualTo(204);
    }

    private static Object face(Map<String, Object> face) {
        return ((Map<String, Object>) face.get("field")).get("id");
    }

    @Test
    void whatIsSeenIsKeptOncePerStopAndVisit() {
        Map<String, Object> face =
                advisor.get("/api/fields/" + field("Whin Bank")).json();
        Object visit = ((List<Map<String, Object>>) face.get("visits")).get(0).get("id");
        Object stop = ((List<Map<String, Object>>) face.get("stops")).get(0).get("id");
        Answer second = advisor.put(
                "/api/observations/" + UUID.randomUUID(),
                Map.of("visitId", visit, "stopId", stop, "cropVigour", 1, "version", 0));
        assertThat(second.status()).isEqualTo(409);
        Map<String, Object> current = (Map<String, Object>) second.json().get("current");
        Answer changed = advisor.put(
                "/api/observations/" + current.get("id"),
                Map.of("visitId", visit, "stopId", stop, "cropVigour", 0.25, "version", current.get("version")));
        assertThat(changed.status()).isEqualTo(422);
        assertThat(changed.text()).contains("cropVigour");
    }

    /** What was read since the lime and since the drains lies in the band nine times in ten. */
    @Test
    void outlooksHoldWhatWasReadSince() {
        int inside = 0;
        int all = 0;
        for (String name : List.of("Craigend Ley", "Gull Polder")) {
            Map<String, Object> plan =
                    advisor.get("/api/fields/" + field(name) + "/plan").json();
            for (Map<String, Object> outlook : Land.rows(plan, "outlooks")) {
                List<Map<String, Object>> band = Land.rows(outlook, "expected");
                for (Map<String, Object> read : Land.rows(outlook, "observed")) {
                    double at = day(read);
                    if (at <= day(band.get(0)) || at > day(band.get(band.size() - 1))) {
                        continue;
                    }
                    double value = Land.number(read, "value");
                    all++;
                    inside += value >= between(band, at, "low") && value <= between(band, at, "high") ? 1 : 0;
                }
            }
        }
        assertThat(all).isGreaterThanOrEqualTo(5);
        assertThat((double) inside / all).isGreaterThanOrEqualTo(0.9);
    }

    private static double day(Map<String, Object> point) {
        return LocalDate.parse(point.get("on").toString()).toEpochDay();
    }

    /** A side of the band on a day, along the line between two dates. */
    private static double between(List<Map<String, Object>> band, double at, String side) {
        for (int i = 1; i < band.size(); i++) {
            double from = day(band.get(i - 1));
            double to = day(band.get(i));
            if (at <= to) {
                double share = (at - from) / (to - from);
                double before = Land.number(band.get(i - 1), side);
                return before + share * (Land.number(band.get(i), side) - before);
            }
        }
        throw new IllegalArgumentException("after the band");
    }
}
