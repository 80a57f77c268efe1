package org.morphotera.server.indicators;

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

/** Which readings speak for a field: the best source, since the last that was done, on the ground that it stands for. */
@ExtendWith(RunningApp.class)
class SourcesTest {

    private static final LocalDate SPRING = LocalDate.of(2026, 4, 3);
    private static final LocalDate LATER = LocalDate.of(2026, 5, 20);
    private static final LocalDate AUTUMN = LocalDate.of(2026, 10, 5);

    private final ApiClient advisor;

    SourcesTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    private Map<String, Object> limits(Land land) {
        return advisor.get("/api/fields/" + land.field + "/limits").json();
    }

    private Map<String, Object> constraint(Land land, String code) {
        return Land.rows(limits(land), "constraints").stream()
                .filter(each -> each.get("constraint").equals(code))
                .findFirst()
                .orElseThrow();
    }

    private Map<String, Object> plan(Land land) {
        return advisor.get("/api/fields/" + land.field + "/plan").json();
    }

    private List<Map<String, Object>> proposals(Land land, String kind) {
        return Land.rows(plan(land), "proposals").stream()
                .filter(each -> each.get("kind").equals(kind))
                .toList();
    }

    private void laboratory(
            Land land, String visit, int stop, String analyte, double value, String unit, LocalDate on) {
        Land.ok(land.record(
                visit,
                stop,
                "lab-result",
                Map.of("analytes", List.of(Map.of("code", analyte, "value", value, "unit", unit))),
                on,
                Map.of("depthTopMm", 0, "depthBottomMm", 200)));
    }

    private Land soursByKit() {
        Land land = new Land(advisor, 3, Map.of("crop", "barley", "textureClass", "loam"));
        String visit = land.visit(SPRING);
        for (int i = 0; i < 3; i++) {
            land.ph(visit, i, "vial-kit", 5.2, SPRING);
        }
        return land;
    }

    @Test
    void aLaboratoryRefutesTheKitAndTakesTheLimeOutOfThePlan() {
        Land land = soursByKit();
        Map<String, Object> lime = proposals(land, "lime").get(0);
        assertThat(Land.part(lime, "inputs")).containsEntry("fromKit", true).containsEntry("phWater", 5.2);
        assertThat(Land.rows(lime, "origins"))
                .anySatisfy(each -> assertThat(each.get("text").toString()).contains("kit"));
        assertThat(constraint(land, "acidity")).containsEntry("named", true);
        String visit = land.visit(LATER);
        laboratory(land, visit, 0, "ph-water", 6.7, "pH", LATER);
        assertThat(constraint(land, "acidity")).containsEntry("named", false);
        // one laboratory place of three does not silence the kit for good, and outweighs it
        assertThat(Land.number(constraint(land, "acidity"), "probability")).isLessThan(0.2);
        assertThat(proposals(land, "lime")).isEmpty();
        // whichever was read last: a kit after it does not outvote it
        String again = land.visit(LATER.plusDays(9));
        land.ph(again, 0, "vial-kit", 5.1, LATER.plusDays(9));
        assertThat(proposals(land, "lime")).isEmpty();
    }

    @Test
    void aLaboratoryThatAgreesConfirmsAndOneThatDoesNotLeavesItOpen() {
        Land land = soursByKit();
        String visit = land.visit(LATER);
        laboratory(land, visit, 0, "ph-water", 5.4, "pH", LATER);
        Map<String, Object> lime = proposals(land, "lime").get(0);
        assertThat(Land.part(lime, "laboratory")).containsEntry("agrees", true).containsEntry("on", LATER.toString());
        assertThat(Land.part(lime, "inputs")).containsEntry("fromKit", false).containsEntry("phWater", 5.4);
        Land far = soursByKit();
        String sampled = far.visit(LATER);
        // still too sour for barley, but so far from the kit that one of them is wrong
        laboratory(far, sampled, 0, "ph-water", 6.1, "pH", LATER);
        List<Map<String, Object>> wanted = proposals(far, "lime");
        if (!wanted.isEmpty()) {
            assertThat(Land.part(wanted.get(0), "laboratory")).containsEntry("agrees", false);
        }
        assertThat(done(far, null).status()).isEqualTo(422);
        assertThat(done(far, "a second sample").status()).isBetween(200, 299);
        assertThat(done(land, null).status()).isBetween(200, 299);
    }

    private ApiClient.Answer done(Land land, String confirmedBy) {
        Map<String, Object> body = new LinkedHashMap<>(Map.of(
                "fieldId",
                land.field,
                "kind",
                "lime",
                "constraint",
                "acidity",
                "inputs",
                Map.of("school", "texture-factor", "phWater", 5.4, "targetPh", 6.5, "textureGroup", "medium"),
                "state",
                "done",
                "doneOn",
                LATER.plusDays(3).toString(),
                "version",
                0));
        if (confirmedBy != null) {
            body.put("confirmedBy", confirmedBy);
        }
        return advisor.put("/api/actions/" + UUID.randomUUID(), body);
    }

    @Test
    void whatWasReadBeforeTheLimeProposesNoMoreOfIt() {
        Land land = new Land(advisor, 3, Map.of("crop", "barley", "textureClass", "loam"));
        String visit = land.visit(SPRING);
        for (int i = 0; i < 3; i++) {
            land.ph(visit, i, 5.0, SPRING);
        }
        assertThat(constraint(land, "acidity")).containsEntry("named", true);
        double before = Land.number(constraint(land, "acidity"), "probability");
        land.event(LATER, "lime", List.of());
        assertThat(Land.number(constraint(land, "acidity"), "probability")).isLessThan(before);
        assertThat(proposals(land, "lime"))
                .singleElement()
                .satisfies(each -> assertThat(each.get("held").toString()).contains("Read again from"));
        String since = land.visit(AUTUMN);
        land.ph(since, 0, 5.3, AUTUMN);
        assertThat(constraint(land, "acidity")).containsEntry("named", true);
        assertThat(Land.part(proposals(land, "lime").get(0), "inputs")).containsEntry("phWater", 5.3);
    }

    @Test
    void aLaboratoryOfBeforeTheLimeConfirmsNoMoreOfIt() {
        Land land = soursByKit();
        String sampled = land.visit(LATER);
        laboratory(land, sampled, 0, "ph-water", 5.4, "pH", LATER);
        assertThat(Land.part(proposals(land, "lime").get(0), "laboratory")).containsEntry("agrees", true);
        land.event(LATER.plusDays(20), "lime", List.of());
        String since = land.visit(AUTUMN);
        land.ph(since, 0, 5.3, AUTUMN);
        assertThat(proposals(land, "lime")).hasSize(1);
        assertThat(proposals(land, "lime").get(0).get("laboratory")).isNull();
    }

    @Test
    void limeOnSomeStopsLeavesTheOthersAsTheyWereRead() {
        Land land = new Land(advisor, 2, Map.of("crop", "barley", "textureClass", "loam"));
        String visit = land.visit(SPRING);
        land.ph(visit, 0, 5.0, SPRING);
        land.ph(visit, 1, 5.2, SPRING);
        land.event(LATER, "lime", land.stops.subList(0, 1));
        assertThat(proposals(land, "lime").get(0).get("held")).isNull();
        assertThat(Land.part(proposals(land, "lime").get(0), "inputs")).containsEntry("phWater", 5.2);
    }

    @Test
    void aHedgeIsNeverAveragedIntoTheField() {
        Land land = new Land(advisor, 3, Map.of("crop", "barley"));
        String visit = land.visit(SPRING);
        land.ph(visit, 0, 6.6, SPRING);
        land.ph(visit, 1, 6.8, SPRING);
        land.ph(visit, 2, 4.6, SPRING);
        role(land, 2, "reference", null);
        Map<String, Object> ph = Land.rows(land.face(), "findings").stream()
                .filter(each -> each.get("indicator").equals("ph"))
                .findFirst()
                .orElseThrow();
        assertThat(Land.rows(ph, "stops")).hasSize(2);
        // the hedge lies in a patch of its own: it hardly moves what the two stops of the field say
        assertThat(Land.number(ph, "figure")).isBetween(6.4, 6.7);
        assertThat(ph).containsEntry("level", "robust");
        assertThat(constraint(land, "acidity")).containsEntry("named", false);
    }

    private void role(Land land, int stop, String role, Double share) {
        Map<String, Object> body = new LinkedHashMap<>(Map.of(
                "fieldId",
                land.field,
                "label",
                "Stop " + (stop + 1),
                "position",
                stop + 1,
                "role",
                role,
                "version",
                1));
        if (share != null) {
            body.put("areaSharePct", share);
        }
        Land.ok(advisor.put("/api/stops/" + land.stops.get(stop), body));
    }

    @Test
    void withoutRoutineStopsThePoorPatchLeadsAndBothAreNamed() {
        Land land = new Land(advisor, 2, Map.of("crop", "barley", "areaHa", 10.0, "textureClass", "loam"));
        String visit = land.visit(SPRING);
        land.ph(visit, 0, 5.3, SPRING);
        land.ph(visit, 1, 6.5, SPRING);
        role(land, 0, "poor", 30.0);
        role(land, 1, "good", null);
        assertThat(land.face().get("patches").toString())
                .matches("pH 5\\.[34] in the poor patch, 6\\.[45] in the good one");
        Map<String, Object> lime = proposals(land, "lime").get(0);
        assertThat(lime).containsEntry("patch", "in the poor patch");
        assertThat(Land.part(lime, "inputs")).containsEntry("phWater", 5.3);
        assertThat(Land.number(Land.part(lime, "inputs"), "areaHa")).isCloseTo(3.0, within(1e-9));
        assertThat(proposals(land, "lime")).hasSize(1);
    }

    @Test
    void limeGoesToASourPatchOfASoundField() {
        Land land = new Land(advisor, 3, Map.of("crop", "barley", "areaHa", 10.0, "textureClass", "loam"));
        String visit = land.visit(SPRING);
        land.ph(visit, 0, 6.6, SPRING);
        land.ph(visit, 1, 6.7, SPRING);
        land.ph(visit, 2, 5.1, SPRING);
        role(land, 2, "poor", 20.0);
        assertThat(constraint(land, "acidity")).containsEntry("named", false);
        List<Map<String, Object>> lime = proposals(land, "lime");
        assertThat(lime).hasSize(1);
        assertThat(lime.get(0)).containsEntry("patch", "in the poor patch");
        assertThat(Land.number(Land.part(lime.get(0), "inputs"), "areaHa")).isCloseTo(2.0, within(1e-9));
    }

    @Test
    void leachingIsHeldBackUntilSodiumIsKnownOrGypsumGoesWithIt() {
        Land land = new Land(advisor, 1, Map.of("crop", "wheat", "textureClass", "clay-loam"));
        land.event(SPRING, "drain", List.of());
        String visit = land.visit(LATER);
        Land.ok(land.record(
                visit,
                0,
                "salinity",
                Map.of("mode", "slurry-1to1", "readings", List.of(4.6, 4.6, 4.6), "compensated", true),
                LATER,
                Map.of("depthTopMm", 0, "depthBottomMm", 200)));
        Map<String, Object> leach = proposals(land, "leach").get(0);
        assertThat(leach.get("held").toString()).contains("sodium");
        assertThat(agree(land, "leach", leach).status()).isEqualTo(422);
        assertThat(agree(land, "leach", leach).text()).contains("ESP_FIRST");
        Map<String, Object> next = Land.rows(limits(land), "next").get(0);
        assertThat(next).containsEntry("method", "lab-result");
        laboratory(land, visit, 0, "ex-na", 0.5, "cmol/kg", LATER);
        Land.ok(land.record(
                visit,
                0,
                "lab-result",
                Map.of(
                        "analytes",
                        List.of(
                                Map.of("code", "ex-na", "value", 0.5, "unit", "cmol/kg"),
                                Map.of("code", "cec", "value", 20, "unit", "cmol/kg"))),
                LATER.plusDays(1),
                Map.of("depthTopMm", 0, "depthBottomMm", 200)));
        Map<String, Object> free = proposals(land, "leach").get(0);
        assertThat(free.get("held")).isNull();
        assertThat(agree(land, "leach", free).status()).isBetween(200, 299);
    }

    private ApiClient.Answer agree(Land land, String kind, Map<String, Object> proposal) {
        return advisor.put(
                "/api/actions/" + UUID.randomUUID(),
                Map.of(
                        "fieldId",
                        land.field,
                        "kind",
                        kind,
                        "constraint",
                        "salinity",
                        "inputs",
                        Land.part(proposal, "inputs"),
                        "state",
                        "agreed",
                        "version",
                        0));
    }

    @Test
    void aFirstRunIntoDryGroundCountsLessAndSaysSo() {
        Land land = new Land(advisor, 1, Map.of("textureClass", "sand"));
        String visit = land.visit(SPRING, "dry", 9);
        Land.ok(land.record(
                visit,
                0,
                "ring-infiltration",
                Map.of("ringDiameterMm", 150, "runs", List.of(Map.of("volumeMl", 442, "seconds", 90))),
                SPRING,
                Map.of("depthTopMm", 0, "depthBottomMm", 50)));
        Map<String, Object> fast = constraint(land, "over-rapid-drainage");
        assertThat(fast).containsEntry("named", false);
        Map<String, Object> ring = Land.rows(fast, "evidence").stream()
                .filter(each -> each.get("method").equals("ring-infiltration"))
                .findFirst()
                .orElseThrow();
        assertThat(Land.number(ring, "share")).isEqualTo(0.25);
        assertThat(ring.get("countsLess").toString()).contains("dry ground");
    }

    @Test
    void strawOfLastAutumnIsKnownToTheKitWithoutBeingEntered() {
        Land land = new Land(advisor, 1);
        land.event(AUTUMN.minusYears(1), "straw", List.of());
        String visit = land.visit(SPRING);
        ApiClient.Answer kit = land.record(visit, 0, "nutrient-kit", Map.of("n", 0.5, "p", 2, "k", 2), SPRING);
        Land.ok(kit);
        assertThat(kit.text()).contains("N_LOCKED_UP");
        assertThat(constraint(land, "nitrogen-locked-up")).containsEntry("named", true);
        Land bare = new Land(advisor, 1);
        ApiClient.Answer hungry =
                bare.record(bare.visit(SPRING), 0, "nutrient-kit", Map.of("n", 0.5, "p", 2, "k", 2), SPRING);
        assertThat(hungry.text()).doesNotContain("N_LOCKED_UP");
        assertThat(constraint(bare, "nitrogen-locked-up")).containsEntry("named", false);
    }

    @Test
    void carbonCanBeSaidOnTheVisitWhereNoEventExists() {
        Land land = new Land(advisor, 1);
        String visit = UUID.randomUUID().toString();
        Land.ok(advisor.put(
                "/api/visits/" + visit,
                Map.of("fieldId", land.field, "visitedOn", SPRING.toString(), "carbonAdded", true, "version", 0)));
        ApiClient.Answer kit = land.record(visit, 0, "nutrient-kit", Map.of("n", 0.5, "p", 2, "k", 2), SPRING);
        assertThat(kit.text()).contains("N_LOCKED_UP");
    }

    @Test
    void theStopsOwnCoverOfTheDayExplainsFewAnimals() {
        Land land = new Land(advisor, 1);
        String visit = land.visit(SPRING);
        Land.ok(land.record(
                visit,
                0,
                "ground-cover",
                Map.of("livingPct", 20, "litterPct", 5, "stonePct", 0, "barePct", 75),
                SPRING));
        ApiClient.Answer life = land.record(visit, 0, "surface-life", Map.of("counts", Map.of("ant", 2)), SPRING);
        Land.ok(life);
        assertThat(life.text()).contains("LOW_COVER_EXPLAINS");
    }
}
