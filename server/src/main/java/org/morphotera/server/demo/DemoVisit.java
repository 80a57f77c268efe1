package org.morphotera.server.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.simulate.SimulatedPit;
import org.morphotera.core.simulate.SimulatedReadings;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.TextureClass;

/** Which tests are made at each stop of a made-up visit, and what they read. */
final class DemoVisit {

    /** One test with its layer; without a layer above the ground. */
    record Test(String method, Double topMm, Double bottomMm, Map<String, Object> readings) {}

    private static final Map<String, Double> ROOTS_TO_MM = Map.of(
            "barley",
            600.0,
            "flax",
            600.0,
            "pasture",
            300.0,
            "hop",
            700.0,
            "sugar-beet",
            600.0,
            "vegetable",
            300.0,
            "apple",
            600.0);
    private static final Map<String, String> CROP_GROUP = Map.of(
            "barley",
            "cereal",
            "flax",
            "oilseed",
            "pasture",
            "pasture",
            "hop",
            "hop",
            "sugar-beet",
            "cereal",
            "vegetable",
            "vegetable",
            "apple",
            "orchard");

    private final DemoField field;
    private final double yearsAgo;
    private final boolean first;
    private final boolean last;
    private final boolean dry;
    private final double soilTempC;
    private final SimulatedReadings readings;
    private final TextureClass texture;
    private final Table typical;

    DemoVisit(
            DemoField field,
            double yearsAgo,
            boolean first,
            boolean last,
            boolean dry,
            double soilTempC,
            Table typical,
            Random random) {
        this.typical = typical;
        this.field = field;
        this.yearsAgo = yearsAgo;
        this.first = first;
        this.last = last;
        this.dry = dry;
        this.soilTempC = soilTempC;
        this.readings = new SimulatedReadings(random);
        this.texture = Coded.find(TextureClass.values(), field.texture);
    }

    private double now(String property, int stop) {
        return field.value(property, stop, yearsAgo);
    }

    /** The tests of a stop in the order of the walk. */
    List<Test> testsAt(int stop) {
        List<Test> tests = new ArrayList<>();
        boolean pasture = field.landUse.equals("pasture");
        if (first) {
            tests.add(new Test("texture-feel", 0.0, 200.0, readings.feel(texture)));
        }
        tests.add(new Test("ground-cover", null, null, readings.cover(now("cover", stop))));
        aboveGround(stop, pasture, tests);
        surface(stop, tests);
        block(stop, tests);
        chemistry(stop, tests);
        if (stop == 0) {
            oncePerVisit(stop, tests);
        }
        return tests;
    }

    private void aboveGround(int stop, boolean pasture, List<Test> tests) {
        if (pasture) {
            tests.add(new Test("sward", null, null, readings.sward(now("vigour", stop))));
        } else if (last || first) {
            tests.add(new Test("leaf-colour", null, null, readings.leaves(now("vigour", stop))));
        }
        if (last) {
            tests.add(new Test("surface-life", null, null, readings.surfaceLife(now("surface-groups", stop))));
        }
    }

    private void surface(int stop, List<Test> tests) {
        tests.add(new Test(
                "penetration", 0.0, 450.0, readings.probe(now("strength", stop), now("pan-depth", stop), dry)));
        tests.add(new Test("ring-infiltration", 0.0, 50.0, readings.ring(now("infiltration", stop), "surface")));
        if (stop < 2) {
            tests.add(new Test(
                    "ring-infiltration", 200.0, 250.0, readings.ring(now("infiltration-at-200", stop), "at-200")));
        }
        if (last || first || Math.rint(yearsAgo) % 2 == 0) {
            tests.add(new Test("hole-drainage", 0.0, 300.0, readings.hole(now("drainage", stop))));
        }
    }

    private void block(int stop, List<Test> tests) {
        double worms = now("worms", stop) * (dry ? 0.4 : 1);
        double panDepth = now("pan-depth", stop);
        String crop = field.crop == null ? "unknown" : field.crop;
        tests.add(new Test("structure", 0.0, 200.0, readings.structure(now("structure", stop))));
        tests.add(new Test("porosity", 0.0, 200.0, readings.bySight(now("porosity", stop))));
        tests.add(new Test("smell", 0.0, 200.0, readings.bySight(now("smell", stop))));
        tests.add(new Test("mottling", 200.0, 400.0, readings.mottles(now("mottled", stop), now("grey", stop))));
        tests.add(new Test("colour", 0.0, 200.0, readings.colour(now("paler", stop))));
        tests.add(new Test("earthworms", 0.0, 250.0, readings.worms(worms)));
        tests.add(new Test(
                "roots",
                0.0,
                Math.min(600, ROOTS_TO_MM.getOrDefault(crop, 300.0)),
                readings.roots(
                        now("roots", stop),
                        CROP_GROUP.getOrDefault(crop, "unknown"),
                        ROOTS_TO_MM.getOrDefault(crop, 300.0),
                        panDepth,
                        field.landUse)));
        tests.add(new Test(
                "crumb-stability",
                0.0,
                100.0,
                readings.crumbs(now("glue", stop) + (dry ? -0.05 : 0), now("cloud", stop))));
        if (stop < 2) {
            tests.add(new Test(
                    "crumb-stability",
                    300.0,
                    400.0,
                    readings.crumbs(now("glue", stop) * 0.85, now("deep-cloud", stop))));
        }
    }

    private void chemistry(int stop, List<Test> tests) {
        double ph = now("ph", stop);
        tests.add(new Test("ph", 0.0, 300.0, readings.ph(ph, now("deep-ph", stop))));
        if (now("ece", stop) > 2 || last || first) {
            double washed = dry ? 1.25 : 1;
            tests.add(new Test("salinity", 0.0, 200.0, readings.salt(now("ece", stop) * washed, texture.group(), ph)));
        }
        if (last && (ph > 7.3 || now("fizz", stop) > 0)) {
            tests.add(new Test("fizz", 0.0, 150.0, readings.fizz(now("fizz", stop))));
        }
        if (last || first) {
            tests.add(
                    new Test("nutrient-kit", 0.0, 150.0, readings.kit(now("n", stop), now("p", stop), now("k", stop))));
        }
    }

    /** What is done once on a visit, at its first stop. */
    private void oncePerVisit(int stop, List<Test> tests) {
        if (first) {
            double sand = typical.at(field.texture, "sandPct");
            tests.add(new Test("texture-jar", 0.0, 200.0, readings.jar(sand, typical.at(field.texture, "siltPct"))));
        }
        if (first || last) {
            tests.add(new Test(
                    "lab-result",
                    0.0,
                    200.0,
                    readings.lab(
                            now("ph", stop),
                            now("organic", stop),
                            now("cec", stop),
                            field.sodiumUnknown ? null : now("esp", stop))));
            tests.add(new Test("respiration", 0.0, 150.0, readings.breath(now("co2", stop))));
        }
        if (last) {
            tests.add(new Test("slump", 0.0, 100.0, readings.slump(now("glue", stop))));
            tests.add(new Test("finger-stain", 0.0, 200.0, readings.bySight(now("organic", stop) / 2.2)));
            tests.add(new Test("soil-temperature", 0.0, 100.0, readings.temperatures(soilTempC)));
            tests.add(new Test("microbial-biomass", 0.0, 150.0, readings.biomass(now("biomass", stop))));
            if (field.landUse.equals("orchard")) {
                tests.add(new Test("plant-sap", null, null, readings.sap(now("vigour", stop))));
            }
        }
        if ((first || last) && (field.landUse.equals("arable") || field.landUse.equals("orchard"))) {
            SimulatedPit soil = new SimulatedPit(
                    now("structure", stop),
                    now("ph", stop),
                    now("deep-ph", stop),
                    now("ece", stop),
                    now("grey", stop),
                    now("pan-depth", stop),
                    dry ? "dry" : "moist");
            tests.add(new Test("pit", 0.0, 1000.0, readings.pit(field.texture, soil)));
        }
    }
}
