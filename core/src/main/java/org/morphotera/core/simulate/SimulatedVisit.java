package org.morphotera.core.simulate;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.ground.MadeUpSoil;
import org.morphotera.core.ground.Scatter;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.text.Messages;

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
    private final Scatter scatter;
    private final Random random;
    private final MethodRegistry methods;
    private final Benchmarks benchmarks;
    private final Messages messages;

    /** @param random where all chance comes from; the same seed makes the same visit */
    public SimulatedVisit(
            SimulatedSoil soil, Random random, MethodRegistry methods, Benchmarks benchmarks, Messages messages) {
        this.soil = soil;
        this.scatter = new Scatter(random);
        this.random = random;
        this.methods = methods;
        this.benchmarks = benchmarks;
        this.messages = messages;
    }

    /** What is seen in walking over it, without a test. */
    public List<Sighting> looked() {
        String[] amounts = {"none", "some", "many"};
        return List.of(
                Sighting.of("rills", amounts[soil.rills]),
                Sighting.of("white-crust", amounts[soil.crust]),
                Sighting.of("slope", soil.slopePct),
                Sighting.of("carbon-added", soil.carbonAdded));
    }

    /** One test at each of some stops, in all the layers that it is read in, through the method itself. */
    public List<Sighting> test(String id, int stops) {
        FieldMethod<?> method = methods.get(id);
        List<DepthLayer> layers = method.layers().isEmpty() ? List.of(new DepthLayer(0, 0)) : method.layers();
        List<Sighting> seen = new ArrayList<>();
        int odd = random.nextDouble() < ODD_STOP_CHANCE ? random.nextInt(stops) : -1;
        for (int stop = 0; stop < stops; stop++) {
            MadeUpSoil here = soil.at(stop == odd);
            for (DepthLayer layer : layers) {
                seen.addAll(
                        evaluate(method, method.simulated(here, layer.topMm(), scatter, benchmarks), layer.topMm()));
            }
        }
        return seen;
    }

    private List<Sighting> evaluate(FieldMethod<?> method, Map<String, Object> entered, double topMm) {
        Map<String, Object> context = Map.of(
                "textureClass", soil.texture().code(), "landUse", soil.landUse().code());
        Map<String, Object> body = Map.of("readings", entered, "context", context);
        Outcome outcome = methods.evaluate(method.card().id(), body, benchmarks);
        if (outcome instanceof Outcome.Evaluated done) {
            return method.sightings(entered, Envelope.of(done.evaluation(), messages), topMm);
        }
        throw new IllegalStateException(method.card().id() + " refused " + entered + ": " + outcome);
    }
}
