package org.morphotera.server.demo;

import java.util.List;
import org.morphotera.core.score.StopRole;

/** The fields of a made-up place: a reclaimed estuary with low uplands behind it, each with a story of six years. */
final class OrrinLevels {

    private OrrinLevels() {}

    static List<DemoField> fields() {
        return List.of(
                gullPolder(),
                longDyke(),
                craigendLey(),
                whinBank(),
                longSluice(),
                beetReach(),
                ebbLaneBeds(),
                millraceOrchard(),
                schoolyardBasin());
    }

    /** Salt that a drain carries off slowly. */
    private static DemoField gullPolder() {
        return new DemoField(
                        "Saltholm Farm",
                        "Gull Polder",
                        "arable",
                        "barley",
                        14.2,
                        "silty-clay-loam",
                        "field",
                        "Reclaimed polder, salt-touched in the low corner",
                        DemoField.numbered(5))
                .zoned()
                .photographed()
                .goes("ece", 9.7, 8.7, 4.3, 4.3)
                .at(4, "ece", 3.4)
                .at(0, "ece", -1.2)
                .goes("drainage", 5, 13, 4.3, 3)
                .is("infiltration", 17, "infiltration-at-200", 9, "esp", 4.2, "cec", 22, "ph", 7.7, "deep-ph", 7.9)
                .is("fizz", 1, "cover", 62, "vigour", 0.9, "worms", 4, "glue", 0.5, "cloud", 0.12, "deep-cloud", 0.2)
                .is("structure", 2.9, "mottled", 9, "roots", 0.55, "organic", 3.6, "crust", 1, "surface-groups", 3)
                .done(4.3, "drain", "Laterals at 20 m into the sea dyke", "20 m", 31000.0)
                .done(1.2, "grass margin", "Tall fescue in the low corner", null, 420.0, 4);
    }

    /** A change that only looks like one: the earlier visits were dry and in summer. */
    private static DemoField longDyke() {
        return new DemoField(
                        "Saltholm Farm",
                        "Long Dyke",
                        "arable",
                        "flax",
                        9.6,
                        "silt-loam",
                        "field",
                        "Silt over clay, caps after rain",
                        DemoField.numbered(4))
                .photographed()
                .is("infiltration", 13, "infiltration-at-200", 14, "drainage", 18, "glue", 0.4, "cover", 48)
                .is("structure", 2.9, "worms", 7, "organic", 2.3, "paler", 1.1, "vigour", 1.1, "rills", 0.8)
                .is("slope", 2.5, "porosity", 1.0, "surface-groups", 2, "co2", 24, "ph", 6.4, "ece", 0.6)
                .unlikeEarlier()
                .done(1.4, "cover crop", "Phacelia and oats after barley", "25 kg/ha", 640.0);
    }

    /** An acid ley: lime was answered, the hedge that got none stayed as it was, and the poor patch is still sour. */
    private static DemoField craigendLey() {
        return new DemoField(
                        "Upper Craigend",
                        "Craigend Ley",
                        "pasture",
                        "pasture",
                        7.8,
                        "sandy-loam",
                        "field",
                        "Upland ley; clover thrives in one patch and fails in the other",
                        List.of("Good patch", "Poor patch", "Poor, low end", "Poor, gate", "Hedge"))
                .roles(StopRole.GOOD, StopRole.POOR, StopRole.POOR, StopRole.POOR, StopRole.REFERENCE)
                .share(StopRole.GOOD, 55)
                .share(StopRole.POOR, 40)
                .is("ph", 5.5, "deep-ph", 5.3, "infiltration", 66, "drainage", 55, "glue", 0.78, "cover", 94)
                .is("structure", 1.9, "worms", 2.5, "organic", 4.6, "paler", 0.2, "roots", 0.6, "slope", 7)
                .is("vigour", 0.8, "infiltration-at-200", 40, "co2", 48, "smell", 1.8)
                .goes("ph", 4.2, 5.1, 3.1, 1.6)
                .at(0, "ph", 0.95)
                .at(0, "deep-ph", 0.7)
                .at(0, "worms", 8)
                .at(0, "roots", 0.25)
                .at(0, "vigour", 0.9)
                .at(2, "ph", 0.1)
                .at(3, "ph", -0.1)
                .stays(4, "ph", 5.6)
                .at(4, "worms", 6)
                .at(4, "roots", 0.25)
                .at(4, "vigour", 0.6)
                .done(3.1, "lime", "Ground limestone on the whole ley, not under the hedge", "4 t/ha", 1310.0);
    }

    /** Acid all through, and nothing done yet. */
    private static DemoField whinBank() {
        return new DemoField(
                        "Upper Craigend",
                        "Whin Bank",
                        "pasture",
                        "pasture",
                        11.3,
                        "loamy-sand",
                        "field",
                        "Thin soil over sandstone",
                        DemoField.numbered(4))
                .is("ph", 5.0, "deep-ph", 4.8, "infiltration", 150, "infiltration-at-200", 120, "drainage", 120)
                .is("glue", 0.6, "worms", 2.2, "organic", 3.2, "roots", 0.6, "cover", 86, "vigour", 0.8, "slope", 9)
                .is("k", 1.2, "p", 1.4, "co2", 22, "structure", 2.2, "surface-groups", 3, "biomass", 210);
    }

    /** A wheel-track pan that a subsoiler in moist soil did not mend. */
    private static DemoField longSluice() {
        return new DemoField(
                        "Orrin Hop Yard",
                        "Long Sluice",
                        "orchard",
                        "hop",
                        3.4,
                        "silt-loam",
                        "field",
                        "Hop garden, wheel-track layer in the alleys",
                        DemoField.numbered(5))
                .is("pan-depth", 225, "infiltration", 45, "infiltration-at-200", 5, "drainage", 15, "structure", 3.1)
                .is("roots", 0.34, "mottled", 8, "worms", 6, "vigour", 1.1, "porosity", 1.0, "k", 3)
                .at(2, "pan-depth", 70)
                .goes("glue", 0.48, 0.72, 2.4, 2)
                .goes("cover", 45, 82, 2.4, 1)
                .goes("organic", 2.9, 3.3, 2.4, 2.4)
                .done(4.4, "subsoiling", "Alleys loosened at 350 mm, soil still moist", "350 mm", 980.0)
                .done(2.4, "cover crop", "Chicory and fescue in the alleys", "22 kg/ha", 310.0);
    }

    /** Dispersive clay. */
    private static DemoField beetReach() {
        return new DemoField(
                        "Saltholm Farm",
                        "Beet Reach",
                        "arable",
                        "sugar-beet",
                        12.1,
                        "clay",
                        "field",
                        "Heavy clay; water turns milky in the ruts",
                        DemoField.numbered(4))
                .is("cloud", 0.72, "deep-cloud", 0.85, "esp", 13.5, "cec", 28, "ece", 1.4, "ph", 8.3, "deep-ph", 8.7)
                .is("infiltration", 6, "infiltration-at-200", 3, "drainage", 3.2, "glue", 0.45, "structure", 3.7)
                .is("worms", 3, "roots", 0.45, "mottled", 16, "grey", 6, "cover", 52, "crust", 2, "vigour", 0.9)
                .is("porosity", 0.7, "smell", 1.0, "fizz", 1, "organic", 3.3, "co2", 22)
                .sodiumUnknown()
                .done(
                        0.3,
                        "test strip",
                        "Gypsum on a strip beside stop 2, before the laboratory's answer",
                        "2.5 t/ha",
                        190.0,
                        1);
    }

    /** A thriving garden: compost that did. */
    private static DemoField ebbLaneBeds() {
        return new DemoField(
                        "Ebb Lane Growers",
                        "Ebb Lane Beds",
                        "vegetable",
                        "vegetable",
                        1.1,
                        "loam",
                        "planting-bed",
                        "Market garden on permanent beds",
                        DemoField.numbered(4))
                .goes("organic", 3.6, 6.1, 5.2, 3.5)
                .goes("worms", 7, 16, 5.2, 3.5)
                .goes("glue", 0.66, 0.95, 5.2, 3)
                .goes("paler", 0.8, -0.2, 5.2, 4)
                .goes("infiltration", 22, 95, 5.2, 3)
                .is("drainage", 48, "infiltration-at-200", 62, "cover", 92, "vigour", 1.9, "structure", 1.5)
                .is("porosity", 1.9, "smell", 2, "mottled", 1, "roots", 1.05, "ph", 6.7, "deep-ph", 6.7, "n", 3)
                .is("p", 3.5, "k", 3, "co2", 78, "biomass", 640, "surface-groups", 6, "ece", 0.9)
                .done(5.2, "compost", "Green compost on all beds", "20 mm", 2100.0)
                .done(3.2, "compost", "Green compost on all beds", "20 mm", 2250.0);
    }

    /** Young trees on old arable: wet for part of the year, mending under mulch. */
    private static DemoField millraceOrchard() {
        return new DemoField(
                        "Millrace Community Orchard",
                        "Millrace Orchard",
                        "orchard",
                        "apple",
                        2.3,
                        "clay-loam",
                        "planting-bed",
                        "Young trees on old arable; water stands in the lower rows",
                        DemoField.numbered(4))
                .goes("glue", 0.36, 0.72, 4.6, 4)
                .goes("worms", 4, 9, 4.6, 4)
                .goes("cover", 58, 90, 4.6, 1)
                .is("drainage", 5.5, "infiltration", 24, "infiltration-at-200", 7, "mottled", 30, "grey", 12)
                .is("structure", 3.2, "porosity", 0.9, "smell", 0.7, "roots", 0.38, "ph", 6.3, "vigour", 1.0)
                .is("deep-ph", 6.4, "organic", 4.3)
                .at(3, "mottled", -12)
                .done(4.6, "mulch", "Wood chip under the trees", "80 mm", 360.0);
    }

    /** A site for a rain garden. */
    private static DemoField schoolyardBasin() {
        return new DemoField(
                        "Levels School",
                        "Schoolyard Basin",
                        "landscape",
                        null,
                        0.1,
                        "sandy-loam",
                        "rain-garden",
                        "Corner below the roof drains, site of a rain garden",
                        DemoField.numbered(2))
                .is("drainage", 31, "infiltration", 36, "infiltration-at-200", 30, "cover", 88, "worms", 6)
                .is("structure", 2.6, "organic", 3.1, "ph", 7.1, "deep-ph", 7.2, "glue", 0.58, "roots", 0.8);
    }
}
