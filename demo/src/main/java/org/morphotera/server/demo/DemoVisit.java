package org.morphotera.server.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.LandUse;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;
import org.morphotera.training.method.Simulators;

/** Which tests are made at each stop of a made-up visit; what they read is each method's own matter. */
final class DemoVisit {

    /** One test with its layer; without a layer above the ground. */
    record Test(String method, DepthLayer layer, Map<String, Object> readings) {

        Double topMm() {
            return layer == null ? null : Double.valueOf(layer.topMm());
        }
    }

    /** Where and when on the six years of visits. */
    private record Moment(int stop, boolean first, boolean last, boolean evenYear, MadeUpSoil soil) {

        boolean atEnds() {
            return first || last;
        }

        boolean onceAtEnds() {
            return stop == 0 && atEnds();
        }

        boolean onceAtLast() {
            return stop == 0 && last;
        }

        boolean used(LandUse use) {
            return soil.landUse() == use;
        }
    }

    /** A test and when it is made; {@code below}: in its second layer instead of its first. */
    private record Planned(String method, boolean below, Predicate<Moment> when) {}

    /** In the order of the walk. */
    private static final List<Planned> PLANNED = List.of(
            usual("texture-feel", Moment::first),
            usual("ground-cover", moment -> true),
            usual("sward", moment -> moment.used(LandUse.PASTURE)),
            usual("leaf-colour", moment -> !moment.used(LandUse.PASTURE) && moment.atEnds()),
            usual("surface-life", Moment::last),
            usual("penetration", moment -> true),
            usual("ring-infiltration", moment -> true),
            new Planned("ring-infiltration", true, moment -> moment.stop() < 2),
            usual("hole-drainage", moment -> moment.atEnds() || moment.evenYear()),
            usual("structure", moment -> true),
            usual("porosity", moment -> true),
            usual("smell", moment -> true),
            usual("mottling", moment -> true),
            usual("colour", moment -> true),
            usual("earthworms", moment -> true),
            usual("roots", moment -> true),
            usual("crumb-stability", moment -> true),
            new Planned("crumb-stability", true, moment -> moment.stop() < 2),
            usual("ph", moment -> true),
            usual("salinity", moment -> moment.atEnds() || moment.soil().get(SoilProperty.ECE) > 2),
            usual("fizz", DemoVisit::maybeLime),
            usual("nutrient-kit", Moment::atEnds),
            usual("texture-jar", moment -> moment.stop() == 0 && moment.first()),
            usual("lab-result", Moment::onceAtEnds),
            usual("respiration", Moment::onceAtEnds),
            usual("slump", Moment::onceAtLast),
            usual("finger-stain", Moment::onceAtLast),
            usual("soil-temperature", Moment::onceAtLast),
            usual("microbial-biomass", Moment::onceAtLast),
            usual("plant-sap", moment -> moment.onceAtLast() && moment.used(LandUse.ORCHARD)),
            usual(
                    "pit",
                    moment -> moment.onceAtEnds() && (moment.used(LandUse.ARABLE) || moment.used(LandUse.ORCHARD))));

    private final DemoField field;
    private final double yearsAgo;
    private final boolean first;
    private final boolean last;
    private final boolean dry;
    private final double soilTempC;
    private final MethodRegistry methods;
    private final Benchmarks benchmarks;
    private final Scatter scatter;

    DemoVisit(
            DemoField field,
            double yearsAgo,
            boolean first,
            boolean last,
            boolean dry,
            double soilTempC,
            MethodRegistry methods,
            Benchmarks benchmarks,
            Scatter scatter) {
        this.field = field;
        this.yearsAgo = yearsAgo;
        this.first = first;
        this.last = last;
        this.dry = dry;
        this.soilTempC = soilTempC;
        this.methods = methods;
        this.benchmarks = benchmarks;
        this.scatter = scatter;
    }

    private static Planned usual(String method, Predicate<Moment> when) {
        return new Planned(method, false, when);
    }

    private static boolean maybeLime(Moment moment) {
        MadeUpSoil soil = moment.soil();
        return moment.last() && (soil.get(SoilProperty.PH) > 7.3 || soil.get(SoilProperty.FIZZ) > 0);
    }

    /** The tests of a stop in the order of the walk. */
    List<Test> testsAt(int stop) {
        MadeUpSoil soil = field.soilAt(stop, yearsAgo, dry, soilTempC);
        Moment moment = new Moment(stop, first, last, Math.rint(yearsAgo) % 2 == 0, soil);
        List<Test> tests = new ArrayList<>();
        for (Planned planned : PLANNED) {
            if (planned.when().test(moment)) {
                tests.add(test(planned, soil));
            }
        }
        return tests;
    }

    private Test test(Planned planned, MadeUpSoil soil) {
        FieldMethod<?> method = methods.get(planned.method());
        List<DepthLayer> layers = method.layers();
        DepthLayer layer = layers.isEmpty() ? null : layers.get(planned.below() ? 1 : 0);
        Map<String, Object> read =
                Simulators.of(method).readings(soil, layer == null ? 0 : layer.topMm(), scatter, benchmarks);
        return new Test(planned.method(), layer, read);
    }
}
