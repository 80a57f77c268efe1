package org.morphotera.training.trial;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.CoreData;
import org.morphotera.core.judgement.JudgedField;
import org.morphotera.core.limits.StopFindings;
import org.morphotera.core.limits.StopSighting;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.method.RecordedTest;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.score.FieldFace;
import org.morphotera.core.score.FigureScore;
import org.morphotera.core.score.SoilPlantGap;
import org.morphotera.core.score.StopRole;
import org.morphotera.core.score.StopScore;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;
import org.morphotera.training.method.Simulators;
import org.morphotera.training.simulate.SimulatedSoil;

/** An advisor's day on a made-up field: readings at some stops, evaluated, and what follows from them. */
final class AdvisorsVisit {

    static final int STOPS = 4;

    private static final String VISIT = "visit";
    private static final double PATCHY = 0.25;
    private static final double STOP_IN_PATCH = 0.3;
    private static final double PATCH_SOUNDER_BY = 0.7;
    private static final double LOOKED = 0.85;

    private final SimulatedSoil soil;
    private final MadeUpSoil sampled;
    private final MethodRegistry methods;
    private final Random random;
    private final Scatter scatter;
    private final Day day;
    private final Reader reader;
    private final List<Spot> spots = new ArrayList<>();
    private final List<StopSighting> seen = new ArrayList<>();
    private final List<StopScore> standings = new ArrayList<>();

    AdvisorsVisit(SimulatedSoil soil, Random random, MethodRegistry methods) {
        this.soil = soil;
        this.methods = methods;
        this.random = random;
        this.scatter = new Scatter(random);
        this.day = Day.draw(random);
        this.reader = new Reader(day, random);
        Quirky field = Quirky.draw(soil, random);
        this.sampled = field;
        boolean patchy = random.nextDouble() < PATCHY;
        for (int i = 0; i < STOPS; i++) {
            boolean sounder = patchy && random.nextDouble() < STOP_IN_PATCH;
            spots.add(Spot.draw(field, sounder ? PATCH_SOUNDER_BY : 0, day.dry(), random));
        }
        look();
    }

    /** What is seen in walking, without a test, where the advisor looked. */
    private void look() {
        String[] amounts = {"none", "some", "many"};
        for (Spot spot : spots) {
            if (random.nextDouble() < LOOKED) {
                see(spot, Sighting.of("rills", amounts[(int) spot.get(SoilProperty.RILLS)]));
                see(spot, Sighting.of("white-crust", amounts[(int) spot.get(SoilProperty.CRUST)]));
                see(spot, Sighting.of("slope", Math.max(0, Math.rint(spot.get(SoilProperty.SLOPE)))));
                double vigour = Scatter.toStep(scatter.around(spot.get(SoilProperty.VIGOUR), 0.15, 0, 2), 0.5);
                standings.add(new StopScore(key(spot), "crop-vigour", null, vigour / 2, vigour));
            }
        }
        if (random.nextDouble() < LOOKED) {
            seen.add(StopSighting.ofField(Sighting.of("carbon-added", soil.carbonAdded())));
        }
    }

    private void see(Spot spot, Sighting what) {
        seen.add(new StopSighting(key(spot), VISIT, seen.size(), what));
    }

    private String key(Spot spot) {
        return String.valueOf(spots.indexOf(spot));
    }

    /** One test at every stop, or one composite sample for the laboratory. */
    void test(String id) {
        FieldMethod<?> method = methods.get(id);
        if (id.equals("lab-result")) {
            evaluate(
                    method,
                    Simulators.of(method).readings(sampled, 0, scatter, CoreData.BENCHMARKS),
                    spots.get(0),
                    null);
            return;
        }
        List<DepthLayer> layers = method.layers().isEmpty() ? List.of(new DepthLayer(0, 0)) : method.layers();
        for (Spot spot : spots) {
            for (DepthLayer layer : layers) {
                evaluate(
                        method,
                        reader.any(method, spot, layer, scatter),
                        spot,
                        method.layers().isEmpty() ? null : layer);
            }
        }
    }

    private void evaluate(FieldMethod<?> method, Map<String, Object> readings, Spot spot, DepthLayer layer) {
        Map<String, Object> context = day.context();
        context.put("textureClass", soil.texture().code());
        context.put("landUse", soil.landUse().code());
        if (layer != null) {
            context.put("depthTopMm", layer.topMm());
            context.put("depthBottomMm", layer.bottomMm());
        }
        Outcome outcome = methods.evaluate(
                method.card().id(), Map.of("readings", readings, "context", context), CoreData.BENCHMARKS);
        if (!(outcome instanceof Outcome.Evaluated done)) {
            throw new IllegalStateException(method.card().id() + " refused " + readings + ": " + outcome);
        }
        Envelope envelope = Envelope.of(done.evaluation(), CoreData.MESSAGES);
        RecordedTest<?> test = RecordedTest.of(method, readings, envelope, layer);
        test.sightings().forEach(each -> see(spot, each));
        for (MethodCard.Indicator indicator : method.card().indicators()) {
            Envelope.RatingText rating = envelope.standing(indicator.id());
            if (rating != null && !test.hides(indicator.id())) {
                standings.add(new StopScore(key(spot), indicator.id(), layer, rating.standing()));
            }
        }
    }

    /** What is known of the field so far. */
    StopFindings findings() {
        List<StopSighting> all = new ArrayList<>(seen);
        Double gap = SoilPlantGap.of(FieldFace.of(standings), CoreData.BENCHMARKS);
        if (gap != null) {
            all.add(StopSighting.ofField(Sighting.of("soil-plant-gap", gap)));
        }
        LocalDate on = LocalDate.parse("2026-10-20");
        JudgedField field = new JudgedField(
                on,
                new FigureScore.Place(soil.texture().group(), null, soil.landUse()),
                spots.stream()
                        .map(each -> new JudgedField.Stop(key(each), key(each), StopRole.ROUTINE, null))
                        .toList(),
                List.of(new JudgedField.Visit(VISIT, on, null)),
                List.of(),
                List.of());
        return StopFindings.of(all, field, CoreData.EVIDENCE, CoreData.BENCHMARKS);
    }
}
