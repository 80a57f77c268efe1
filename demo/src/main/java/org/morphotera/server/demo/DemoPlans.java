package org.morphotera.server.demo;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import org.morphotera.server.plans.PlanMapper;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** The plans that belong to the stories of the demo fields, and what the practice buys. */
@Component
@Profile("demo")
class DemoPlans {

    private final PlanMapper rows;
    private final JsonMapper json;

    DemoPlans(PlanMapper rows, JsonMapper json) {
        this.rows = rows;
        this.json = json;
    }

    void products(UUID practice) {
        product(
                practice,
                "Ground limestone",
                "lime",
                Map.of("neutralisingPct", 92, "finenessPct", 85, "moisturePct", 4, "pricePerT", 38));
        product(
                practice,
                "Magnesian limestone",
                "lime",
                Map.of("neutralisingPct", 98, "finenessPct", 70, "moisturePct", 3, "pricePerT", 44));
        product(practice, "Mined gypsum", "gypsum", Map.of("purityPct", 85, "pricePerT", 62));
        product(
                practice,
                "Green compost",
                "organic-matter",
                Map.of("cnRatio", 15, "freshDensityKgM3", 550, "pricePerT", 9));
    }

    private void product(UUID practice, String name, String calculator, Map<String, Object> inputs) {
        rows.insertProduct(
                practice,
                new PlanMapper.ProductRow(id(practice + name), name, calculator, json.writeValueAsString(inputs), 1));
    }

    private static UUID id(String name) {
        return UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8));
    }

    void of(UUID practice, UUID field, String name, LocalDate today) {
        switch (name) {
            case "Craigend Ley" ->
                add(
                        practice,
                        field,
                        "lime",
                        "acidity",
                        Map.of(
                                "school",
                                "texture-factor",
                                "phWater",
                                4.2,
                                "targetPh",
                                5.2,
                                "phHalfWidth",
                                0.2,
                                "landUse",
                                "pasture",
                                "textureGroup",
                                "coarse",
                                "areaHa",
                                7.8),
                        "4 t/ha of calcium carbonate",
                        1310.0,
                        "done",
                        null,
                        today.minusDays(1132),
                        "4 t/ha",
                        today.plusMonths(11),
                        "pH by depth");
            case "Gull Polder" -> {
                add(
                        practice,
                        field,
                        "drain",
                        "salinity",
                        Map.of(
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
                                7),
                        "laterals at 20 m",
                        31000.0,
                        "done",
                        null,
                        today.minusDays(1570),
                        "20 m",
                        today.plusMonths(11),
                        "salt by depth");
                add(
                        practice,
                        field,
                        "leach",
                        "salinity",
                        Map.of("eceNow", 8.6, "eceTarget", 8, "way", "sprinkled", "drained", true),
                        "65 mm before sowing, without gypsum",
                        240.0,
                        "agreed",
                        null,
                        null,
                        null,
                        today.plusMonths(11),
                        "salt");
            }
            case "Beet Reach" ->
                add(
                        practice,
                        field,
                        "gypsum",
                        "sodicity",
                        Map.of("areaHa", 0.2),
                        "test strip, 2.5 t/ha, one strip left out",
                        190.0,
                        "agreed",
                        "waiting for the laboratory",
                        null,
                        null,
                        today.plusMonths(9),
                        "clouds on both strips");
            case "Long Sluice" ->
                add(
                        practice,
                        field,
                        "loosen",
                        "compaction-layer",
                        Map.of("layerFound", true, "layerBottomMm", 300, "rolledWormCrumbles", false),
                        "325 to 350 mm",
                        980.0,
                        "dropped",
                        "Too wet: a worm of the layer rolls and does not crumble. Chicory and lanes instead.",
                        null,
                        null,
                        null,
                        null);
            case "Millrace Orchard" ->
                add(
                        practice,
                        field,
                        "compost",
                        "weak-aggregation",
                        Map.of("thicknessMm", 20, "areaHa", 0.6, "cnRatio", 28),
                        "20 mm under the trees, with its nitrogen in spring",
                        820.0,
                        "agreed",
                        null,
                        null,
                        null,
                        today.plusYears(1),
                        "crumbs in water");
            default -> {
                // nothing planned yet
            }
        }
    }

    private void add(
            UUID practice,
            UUID field,
            String kind,
            String constraint,
            Map<String, Object> inputs,
            String amount,
            Double cost,
            String state,
            String reason,
            LocalDate doneOn,
            String rate,
            LocalDate followUpOn,
            String followUp) {
        String calculator = switch (kind) {
            case "drain" -> "drain-spacing";
            case "leach" -> "leaching";
            case "loosen" -> "subsoiling";
            case "compost" -> "organic-matter";
            default -> kind;
        };
        boolean agreed = state.equals("agreed");
        LocalDate today = LocalDate.now(java.time.ZoneOffset.UTC);
        rows.insertAction(
                practice,
                new PlanMapper.ActionRow(
                        id(field + kind),
                        field,
                        kind,
                        constraint,
                        calculator,
                        json.writeValueAsString(inputs),
                        amount,
                        cost,
                        "Isla Fenn",
                        agreed ? today.plusDays(90) : null,
                        agreed ? today.plusDays(140) : null,
                        state,
                        reason,
                        null,
                        doneOn,
                        rate,
                        followUpOn,
                        followUp,
                        1,
                        null));
    }
}
