package org.morphotera.training;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;
import org.morphotera.training.method.Simulators;
import org.morphotera.training.simulate.SimulatedSoil;

/** A made-up place on a day: what its tests show, and what is really there. */
final class TrainingPlace {

    /** A subsoil as sour as this keeps roots out, whatever else was drawn. */
    private static final double SOUR_SUBSOIL = 5.5;

    private static final double LEAST_SEVERITY = 0.35;
    private static final String[] AMOUNTS = {"none", "some", "many"};

    private final Deal deal;
    private final SimulatedSoil soil;
    private final TrainingDay day;

    private TrainingPlace(Deal deal, SimulatedSoil soil, TrainingDay day) {
        this.deal = deal;
        this.soil = soil;
        this.day = day;
    }

    static TrainingPlace of(Deal deal) {
        Random random = new Chance(31L * deal.seed() + deal.level().ordinal());
        TrainingDay day = TrainingDay.draw(deal.level(), random);
        return new TrainingPlace(deal, soil(deal, random), day);
    }

    private static SimulatedSoil soil(Deal deal, Random random) {
        Deal.Like like = deal.like();
        LandUse[] uses = {LandUse.ARABLE, LandUse.PASTURE, LandUse.ORCHARD, LandUse.VEGETABLE};
        LandUse use = like != null && like.landUse() != null ? like.landUse() : uses[random.nextInt(uses.length)];
        TextureClass[] textures = TextureClass.values();
        TextureClass texture =
                like != null && like.texture() != null ? like.texture() : textures[random.nextInt(textures.length)];
        if (like != null) {
            return SimulatedSoil.with(use, texture, resembling(like, random), random);
        }
        return switch (deal.level()) {
            case CLEAR -> SimulatedSoil.draw(use, texture, 1, 0.8, random);
            case USUAL -> SimulatedSoil.draw(use, texture, random.nextInt(5) / 2, LEAST_SEVERITY, random);
            case HARD -> mild(use, texture, random);
        };
    }

    /** One or two limits that are only just there. */
    private static SimulatedSoil mild(LandUse use, TextureClass texture, Random random) {
        Map<Constraint, Double> severities = new LinkedHashMap<>();
        List<Constraint> possible = new ArrayList<>(List.of(Constraint.values()));
        int count = 1 + random.nextInt(2);
        while (severities.size() < count) {
            severities.put(
                    possible.remove(random.nextInt(possible.size())), LEAST_SEVERITY + 0.3 * random.nextDouble());
        }
        return SimulatedSoil.with(use, texture, severities, random);
    }

    /** Each suspected constraint is there as often as it is believed, the likeliest first. */
    private static Map<Constraint, Double> resembling(Deal.Like like, Random random) {
        Map<Constraint, Double> severities = new LinkedHashMap<>();
        like.probabilities().entrySet().stream()
                .sorted(Map.Entry.<Constraint, Double>comparingByValue(Comparator.reverseOrder())
                        .thenComparing(Map.Entry.comparingByKey()))
                .forEach(each -> {
                    boolean there = random.nextDouble() < each.getValue();
                    double severity = LEAST_SEVERITY + (1 - LEAST_SEVERITY) * random.nextDouble();
                    if (there && severities.size() < 3) {
                        severities.put(each.getKey(), severity);
                    }
                });
        return severities;
    }

    Deal deal() {
        return deal;
    }

    TrainingDay day() {
        return day;
    }

    LandUse landUse() {
        return soil.landUse();
    }

    TextureClass texture() {
        return soil.texture();
    }

    double get(SoilProperty property) {
        return soil.get(property);
    }

    /** What is really there, with its severity, the worst first. */
    Map<Constraint, Double> truth() {
        Map<Constraint, Double> there = new EnumMap<>(Constraint.class);
        there.putAll(soil.truth());
        if (soil.get(SoilProperty.DEEP_PH) < SOUR_SUBSOIL) {
            there.putIfAbsent(Constraint.SUBSURFACE_ACIDITY, 0.0);
        }
        Map<Constraint, Double> worstFirst = new LinkedHashMap<>();
        there.entrySet().stream()
                .sorted(Map.Entry.<Constraint, Double>comparingByValue(Comparator.reverseOrder()))
                .forEach(each -> worstFirst.put(each.getKey(), each.getValue()));
        return worstFirst;
    }

    /** What is seen in walking in, and told by the grower. */
    List<Sighting> walkedIn() {
        return List.of(
                Sighting.of("rills", AMOUNTS[(int) soil.get(SoilProperty.RILLS)]),
                Sighting.of("white-crust", AMOUNTS[(int) soil.get(SoilProperty.CRUST)]),
                Sighting.of("slope", Math.rint(soil.get(SoilProperty.SLOPE))),
                Sighting.of("carbon-added", soil.carbonAdded()));
    }

    /** What a test shows here today to whoever reads it with care: always the same. */
    Map<String, Object> shown(FieldMethod<?> method, double topMm, Benchmarks benchmarks) {
        long seed = 1_000_003L * deal.seed() + method.card().id().hashCode() + Math.round(topMm);
        return Simulators.of(method).readings(today(), topMm, new Scatter(new Chance(seed)), benchmarks);
    }

    /** What it would show on the best day, with no scatter in it. */
    Map<String, Object> unscattered(FieldMethod<?> method, double topMm, Benchmarks benchmarks) {
        return Simulators.of(method)
                .readings(new OnDay(soil, TrainingDay.best()), topMm, new Scatter(new Middle()), benchmarks);
    }

    private MadeUpSoil today() {
        return new OnDay(soil, day);
    }

    /** The soil as a day has it. */
    private record OnDay(MadeUpSoil soil, TrainingDay day) implements MadeUpSoil {

        @Override
        public double get(SoilProperty property) {
            return switch (property) {
                case TEMPERATURE -> day.soilTempC();
                case OVERLOOKED -> 0;
                default -> soil.get(property);
            };
        }

        @Override
        public TextureClass texture() {
            return soil.texture();
        }

        @Override
        public LandUse landUse() {
            return soil.landUse();
        }

        @Override
        public String crop() {
            return soil.landUse() == LandUse.ARABLE ? "cereal" : null;
        }

        @Override
        public boolean dry() {
            return day.dry();
        }

        @Override
        public boolean kitOnly() {
            return day.kitOnly();
        }

        @Override
        public boolean tapWater() {
            return day.tapWater();
        }
    }

    /** Chance that always falls in the middle. */
    private static final class Middle extends Random {

        private static final long serialVersionUID = 1L;

        @Override
        public double nextGaussian() {
            return 0;
        }

        @Override
        public double nextDouble() {
            return 0.5;
        }

        @Override
        public int nextInt(int bound) {
            return bound / 2;
        }

        @Override
        public boolean nextBoolean() {
            return false;
        }
    }
}
