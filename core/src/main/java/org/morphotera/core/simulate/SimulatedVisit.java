package org.morphotera.core.simulate;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Messages;
import org.morphotera.core.limits.Sightings;
import org.morphotera.core.limits.Sightings.Sighting;
import org.morphotera.core.method.Envelope;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.Outcome;

/** An advisor on a made-up soil: readings with their scatter at some stops, one of them odd now and then, evaluated. */
public final class SimulatedVisit {

    /** Tests in the order in which they are made on a fixed walk. */
    public static final List<String> FULL_SET = List.of(
            "ground-cover",
            "penetration",
            "ring-infiltration",
            "structure",
            "porosity",
            "smell",
            "mottling",
            "colour",
            "earthworms",
            "roots",
            "texture-feel",
            "crumb-stability",
            "ph",
            "salinity",
            "fizz",
            "nutrient-kit",
            "hole-drainage",
            "respiration",
            "lab-result");

    public static final List<String> TEN_TESTS = List.of(
            "ground-cover",
            "penetration",
            "ring-infiltration",
            "structure",
            "earthworms",
            "roots",
            "texture-feel",
            "crumb-stability",
            "ph",
            "salinity");

    private static final double ODD_STOP_CHANCE = 0.15;

    private final SimulatedSoil soil;
    private final SimulatedReadings readings;
    private final Random random;
    private final MethodRegistry methods;
    private final Benchmarks benchmarks;
    private final Messages messages;

    public SimulatedVisit(
            SimulatedSoil soil, Random random, MethodRegistry methods, Benchmarks benchmarks, Messages messages) {
        this.soil = soil;
        this.readings = new SimulatedReadings(random);
        this.random = random;
        this.methods = methods;
        this.benchmarks = benchmarks;
        this.messages = messages;
    }

    /** What is seen in walking over it, without a test. */
    public List<Sighting> looked() {
        String[] amounts = {"none", "some", "many"};
        return List.of(
                new Sighting("rills", null, amounts[soil.rills]),
                new Sighting("white-crust", null, amounts[soil.crust]),
                new Sighting("slope", soil.slopePct, null),
                new Sighting("carbon-added", null, soil.carbonAdded ? "yes" : "no"));
    }

    /** One test at each of some stops, through the method itself. */
    public List<Sighting> test(String method, int stops) {
        List<Sighting> seen = new ArrayList<>();
        int odd = random.nextDouble() < ODD_STOP_CHANCE ? random.nextInt(stops) : -1;
        for (int stop = 0; stop < stops; stop++) {
            double apart = stop == odd ? 0.55 : 1;
            read(method, apart).forEach((layerTop, entered) -> evaluate(seen, method, entered, layerTop));
        }
        return seen;
    }

    private void evaluate(List<Sighting> seen, String method, Map<String, Object> entered, Double topMm) {
        Map<String, Object> context = Map.of(
                "textureClass", soil.texture().code(), "landUse", soil.landUse().code());
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("readings", entered);
        body.put("context", context);
        Outcome outcome = methods.evaluate(method, body, benchmarks);
        if (outcome instanceof Outcome.Evaluated done) {
            seen.addAll(Sightings.of(entered, Envelope.of(done.evaluation(), messages), topMm));
        } else {
            throw new IllegalStateException(method + " refused " + entered + ": " + outcome);
        }
    }

    /** Readings by the top of their layer. */
    private Map<Double, Map<String, Object>> read(String method, double apart) {
        return switch (method) {
            case "ground-cover" -> Map.of(0.0, readings.cover(soil.coverPct * (apart < 1 ? 0.8 : 1)));
            case "penetration" -> Map.of(0.0, readings.probe(1300, soil.panDepthMm, false));
            case "ring-infiltration" ->
                Map.of(
                        0.0, readings.ring(soil.infiltration * apart, "surface"),
                        200.0, readings.ring(soil.infiltrationAt200 * apart, "at-200"));
            case "structure" -> Map.of(0.0, readings.structure(soil.structure));
            case "porosity" -> Map.of(0.0, readings.bySight(soil.porosity));
            case "smell" -> Map.of(0.0, readings.bySight(soil.smell * apart));
            case "mottling" -> Map.of(200.0, readings.mottles(soil.mottledPct, soil.greyPct));
            case "colour" -> Map.of(0.0, readings.colour(soil.paler));
            case "earthworms" -> Map.of(0.0, readings.worms(soil.worms * apart));
            case "roots" -> Map.of(0.0, roots());
            case "texture-feel" -> Map.of(0.0, readings.feel(soil.texture()));
            case "crumb-stability" ->
                Map.of(
                        0.0, readings.crumbs(soil.glue * apart, soil.cloud),
                        300.0, readings.crumbs(soil.glue * 0.85, soil.deepCloud));
            case "ph" -> Map.of(0.0, readings.ph(soil.ph, soil.deepPh));
            case "salinity" ->
                Map.of(0.0, readings.salt(soil.ece, soil.texture().group(), soil.ph));
            case "fizz" -> Map.of(0.0, readings.fizz(soil.caco3Pct));
            case "nutrient-kit" -> Map.of(0.0, readings.kit(soil.kitNitrogen, 2.5, 2.5));
            case "hole-drainage" -> Map.of(0.0, readings.hole(soil.drainage * apart));
            case "respiration" -> Map.of(0.0, readings.breath(soil.co2));
            case "lab-result" -> Map.of(0.0, readings.lab(soil.ph, soil.organicPct, soil.cec, soil.esp));
            default -> throw new IllegalArgumentException("no readings for " + method);
        };
    }

    /** What stops roots, as a spade shows it: the layer, water, salt or sourness, if one of them does. */
    private Map<String, Object> roots() {
        Map<String, Object> entered = new LinkedHashMap<>(readings.roots(
                soil.rootShare, "cereal", 600, soil.panDepthMm, soil.landUse().code()));
        double look = random.nextDouble();
        String barrier = soil.panDepthMm > 0
                ? look < 0.85 ? "flat-line" : "none"
                : soil.greyPct > 8 && look < 0.6
                        ? "water"
                        : soil.ece > 7 && look < 0.4 ? "saline" : soil.deepPh < 5.2 && look < 0.4 ? "acid" : "none";
        entered.put("barrier", barrier);
        entered.put("bent", soil.panDepthMm > 0 && look < 0.8 || look > 0.97);
        if (Boolean.TRUE.equals(entered.get("legume"))) {
            entered.put("nodules", soil.ph < 5.6 ? look < 0.6 ? "none" : "few" : look < 0.25 ? "few" : "many");
        }
        return entered;
    }
}
