package org.morphotera.server.plans;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.morphotera.server.ApiClient;
import org.morphotera.server.ApiClient.Answer;
import org.morphotera.server.RunningApp;

/** From a limit to a plan, and from a plan to what was done. */
@ExtendWith(RunningApp.class)
@SuppressWarnings("unchecked")
class PlansTest {

    private final ApiClient advisor;

    PlansTest(ApiClient advisor) {
        this.advisor = advisor;
    }

    private String field(String name) {
        return advisor.get("/api/fields?find=" + name.replace(" ", "%20"))
                .list()
                .get(0)
                .get("id")
                .toString();
    }

    private Map<String, Object> plan(String field) {
        return advisor.get("/api/fields/" + field + "/plan").json();
    }

    private static List<Map<String, Object>> list(Map<String, Object> plan, String part) {
        return (List<Map<String, Object>>) plan.get(part);
    }

    private static Map<String, Object> action(String field, String state) {
        return new LinkedHashMap<>(Map.of(
                "fieldId",
                field,
                "kind",
                "lime",
                "constraint",
                "acidity",
                "inputs",
                Map.of("school", "texture-factor", "phWater", 5.0, "targetPh", 6.3, "textureGroup", "coarse"),
                "amount",
                "7.8 t/ha of lime",
                "state",
                state,
                "version",
                0));
    }

    @Test
    void limeIsProposedFromTheFieldsOwnReadings() {
        Map<String, Object> lime = list(plan(field("Whin Bank")), "proposals").get(0);
        assertThat(lime).containsEntry("kind", "lime").containsEntry("constraint", "acidity");
        assertThat((Map<String, Object>) lime.get("inputs"))
                .containsEntry("landUse", "pasture")
                .containsEntry("textureGroup", "coarse")
                .containsKey("phWater");
        // a laboratory has confirmed it, and so nothing asks for that any more
        assertThat((Map<String, Object>) lime.get("laboratory")).containsEntry("agrees", true);
        assertThat(lime.get("rules").toString()).contains("legumes").doesNotContain("confirmed");
        assertThat(lime).containsEntry("toConfirm", true).containsKeys("spares", "when", "risk", "again");
        Map<String, Object> values =
                (Map<String, Object>) ((Map<String, Object>) lime.get("calculation")).get("values");
        assertThat(values).containsKeys("needTHa", "productT", "passes");
    }

    @Test
    void anAgreedActionThatIsDoneBecomesAnEventAndCanBeTakenBack() {
        String field = field("Whin Bank");
        String id = UUID.randomUUID().toString();
        assertThat(advisor.put("/api/actions/" + id, action(field, "agreed")).status())
                .isEqualTo(200);
        Map<String, Object> kept = advisor.get("/api/fields/" + field + "/plan").json();
        assertThat(list(kept, "actions").toString()).contains("followUpOn", "pH by depth");
        assertThat(list(plan(field), "proposals"))
                .noneMatch(each -> each.get("kind").equals("lime"));
        assertThat(list(plan(field), "outlooks"))
                .anyMatch(each -> each.get("indicator").equals("ph"));
        Map<String, Object> done = action(field, "done");
        done.put("version", 1);
        Answer undated = advisor.put("/api/actions/" + id, done);
        assertThat(undated.status()).isEqualTo(422);
        assertThat(undated.text()).contains("doneOn");
        done.put("doneOn", "2026-01-15");
        done.put("actualRate", "5 t/ha");
        assertThat(advisor.put("/api/actions/" + id, done).status()).isEqualTo(200);
        assertThat(advisor.get("/api/fields/" + field).text()).contains("Lime, 7.8 t/ha of lime", "5 t/ha");
        assertThat(advisor.get("/api/fields/" + field + "/change?indicator=ph").text())
                .contains("Lime, 7.8 t/ha");
        done.put("version", 0);
        assertThat(advisor.put("/api/actions/" + id, done).status()).isEqualTo(409);
        assertThat(advisor.send("DELETE", "/api/actions/" + id, null, "application/json")
                        .status())
                .isEqualTo(204);
        assertThat(advisor.get("/api/fields/" + field).text()).doesNotContain("Lime, 7.8 t/ha of lime");
    }

    private Object followUpOn(String id, Map<String, Object> body) {
        Answer kept = advisor.put("/api/actions/" + id, body);
        assertThat(kept.status()).as(kept.text()).isEqualTo(200);
        body.put("version", kept.json().get("version"));
        body.put("followUpOn", kept.json().get("followUpOn"));
        return kept.json().get("followUpOn");
    }

    @Test
    void theDayToLookAgainMovesWithTheDayOfTheWork() {
        String id = UUID.randomUUID().toString();
        Map<String, Object> body = action(field("Whin Bank"), "agreed");
        body.put("dueFrom", "2026-09-01");
        body.put("dueTo", "2026-10-15");
        assertThat(followUpOn(id, body)).isEqualTo("2027-10-15");
        body.put("dueTo", "2026-11-15");
        assertThat(followUpOn(id, body)).isEqualTo("2027-11-15");
        // done earlier than it was meant to be, and then on another day than was said first
        body.put("state", "done");
        body.put("doneOn", "2026-09-20");
        assertThat(followUpOn(id, body)).isEqualTo("2027-09-20");
        body.put("doneOn", "2026-09-10");
        assertThat(followUpOn(id, body)).isEqualTo("2027-09-10");
        // as somebody chose it, so long after the work
        body.put("followUpOn", "2027-05-10");
        assertThat(followUpOn(id, body)).isEqualTo("2027-05-10");
        body.put("doneOn", "2026-09-12");
        assertThat(followUpOn(id, body)).isEqualTo("2027-05-12");
        advisor.delete("/api/actions/" + id);
    }

    @Test
    void nothingIsDroppedWithoutAReasonAndNothingAgreedWithBrokenInputs() {
        String field = field("Whin Bank");
        Answer dropped = advisor.put("/api/actions/" + UUID.randomUUID(), action(field, "dropped"));
        assertThat(dropped.status()).isEqualTo(422);
        assertThat(dropped.text()).contains("\"reason\"");
        Map<String, Object> broken = action(field, "agreed");
        broken.put("inputs", Map.of("school", "texture-factor"));
        assertThat(advisor.put("/api/actions/" + UUID.randomUUID(), broken).text())
                .contains("inputs.phWater", "inputs.targetPh");
    }

    @Test
    void aWetLayerIsNotLoosened() {
        Map<String, Object> loosen = action(field("Long Sluice"), "agreed");
        loosen.put("kind", "loosen");
        loosen.put("constraint", "compaction-layer");
        loosen.put("inputs", Map.of("layerFound", true, "layerBottomMm", 300, "rolledWormCrumbles", false));
        Answer refused = advisor.put("/api/actions/" + UUID.randomUUID(), loosen);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.text()).contains("Too wet to loosen");
    }

    private static Map<String, Object> of(Map<String, Object> action, String kind, String constraint, Object inputs) {
        action.put("kind", kind);
        action.put("constraint", constraint);
        action.put("inputs", inputs);
        return action;
    }

    @Test
    void theOrderOfTheWorkIsKept() {
        String field = field("Beet Reach");
        Map<String, Object> salt = Map.of("eceNow", 9, "eceTarget", 4, "way", "sprinkled", "drained", false);
        String leach = UUID.randomUUID().toString();
        Answer early = advisor.put("/api/actions/" + leach, of(action(field, "agreed"), "leach", "salinity", salt));
        assertThat(early.status()).isEqualTo(422);
        assertThat(early.text()).contains("DRAIN_FIRST").doesNotContain("GYPSUM_FIRST");
        String drain = UUID.randomUUID().toString();
        Map<String, Object> drains = Map.of(
                "permeabilityAboveMmH",
                4,
                "permeabilityBelowMmH",
                3,
                "drainDepthM",
                0.9,
                "waterTableDepthM",
                0.5,
                "impermeableDepthM",
                2.4,
                "dischargeMmDay",
                7);
        assertThat(advisor.put("/api/actions/" + drain, of(action(field, "agreed"), "drain", "waterlogging", drains))
                        .status())
                .isEqualTo(200);
        assertThat(advisor.put("/api/actions/" + leach, of(action(field, "agreed"), "leach", "salinity", salt))
                        .status())
                .isEqualTo(200);
        assertThat(list(plan(field), "actions").toString()).contains("Waits for: Drain");
        Map<String, Object> dropped = of(action(field, "dropped"), "drain", "waterlogging", drains);
        dropped.put("reason", "too dear");
        dropped.put("version", 1);
        assertThat(advisor.put("/api/actions/" + drain, dropped).text()).contains("OTHERS_WAIT");
        assertThat(advisor.send("DELETE", "/api/actions/" + drain, null, "application/json")
                        .status())
                .isEqualTo(422);
        for (String each : List.of(leach, drain)) {
            assertThat(advisor.send("DELETE", "/api/actions/" + each, null, "application/json")
                            .status())
                    .isEqualTo(204);
        }
    }

    @Test
    void nothingIsDoneBeforeSomethingConfirmedIt() {
        String field = field("Beet Reach");
        Map<String, Object> gypsum =
                of(action(field, "done"), "gypsum", "sodicity", Map.of("espPct", 12, "cecCmolKg", 20));
        gypsum.put("doneOn", "2026-01-15");
        String id = UUID.randomUUID().toString();
        Answer unconfirmed = advisor.put("/api/actions/" + id, gypsum);
        assertThat(unconfirmed.status()).isEqualTo(422);
        assertThat(unconfirmed.text()).contains("\"confirmedBy\"", "UNCONFIRMED");
        gypsum.put("confirmedBy", "laboratory, sodium of a bulked sample");
        assertThat(advisor.put("/api/actions/" + id, gypsum).status()).isEqualTo(200);
        advisor.send("DELETE", "/api/actions/" + id, null, "application/json");
    }

    @Test
    void saltWithoutSodiumIsLeachedWithoutGypsumAfterItsDrains() {
        Map<String, Object> plan = plan(field("Gull Polder"));
        assertThat(list(plan, "actions"))
                .extracting(each -> ((Map<String, Object>) each.get("action")).get("kind"))
                .contains("drain", "leach");
        assertThat(list(plan, "proposals")).noneMatch(each -> each.get("kind").equals("gypsum"));
        Map<String, Object> outlook = list(plan, "outlooks").get(0);
        assertThat(outlook).containsEntry("indicator", "salinity");
        assertThat(list(outlook, "observed")).hasSize(6);
        assertThat(list(outlook, "expected")).hasSizeGreaterThan(3);
    }

    private static Map<String, Object> product(String calculator, Map<String, Object> inputs, int version) {
        return Map.of("name", "Harbour shell", "calculator", calculator, "inputs", inputs, "version", version);
    }

    @Test
    void productsOfThePracticeAreKeptChangedAndRemoved() {
        assertThat(advisor.get("/api/products").list())
                .extracting(each -> each.get("name"))
                .contains("Ground limestone");
        String path = "/api/products/" + UUID.randomUUID();
        assertThat(advisor.put(path, product("lime", Map.of("neutralisingPct", 88, "pricePerT", 21), 0))
                        .status())
                .isEqualTo(200);
        assertThat(advisor.put(path, product("lime", Map.of("neutralisingPct", 90), 0))
                        .status())
                .isEqualTo(409);
        assertThat(advisor.put(path, product("lime", Map.of("neutralisingPct", 90), 1))
                        .json())
                .containsEntry("version", 2);
        assertThat(advisor.send("DELETE", path, null, "application/json").status())
                .isEqualTo(204);
        assertThat(advisor.get("/api/products").text()).doesNotContain("Harbour shell");
        assertThat(advisor.send("DELETE", path, null, "application/json").status())
                .isEqualTo(204);
    }

    @Test
    void aProductHasTheFiguresOfItsCalculatorWithinTheirRange() {
        String path = "/api/products/" + UUID.randomUUID();
        assertThat(advisor.put(path, product("magic", Map.of(), 0)).text()).contains("\"calculator\"");
        assertThat(advisor.put(path, product("lime", Map.of("neutralisingPct", 900, "phWater", 5), 0))
                        .text())
                .contains("inputs.neutralisingPct", "inputs.phWater", "UNKNOWN");
    }
}
