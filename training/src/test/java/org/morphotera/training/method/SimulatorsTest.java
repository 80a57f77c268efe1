package org.morphotera.training.method;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.GroundMark;
import org.morphotera.core.method.MethodRegistry;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.method.RecordedTest;
import org.morphotera.core.method.Sighting;
import org.morphotera.core.result.Envelope;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What is made up for a method is read by it, and speaks of what the evidence tables and the ground's picture know. */
class SimulatorsTest {

    /** Findings that only plans or other findings are made of. */
    private static final Set<String> PARTS_OF_OTHERS =
            Set.of("cec", "straight-down", "worm-count", "infiltration-at-200");

    static List<FieldMethod<?>> methods() {
        return Methods.all().all();
    }

    /** A fair loam under pasture, as everyone would find it. */
    private static final MadeUpSoil FAIR = new MadeUpSoil() {
        @Override
        public double get(SoilProperty property) {
            return property.usual();
        }

        @Override
        public TextureClass texture() {
            return TextureClass.LOAM;
        }

        @Override
        public LandUse landUse() {
            return LandUse.PASTURE;
        }

        @Override
        public String crop() {
            return null;
        }

        @Override
        public boolean dry() {
            return false;
        }
    };

    /** A layer that resists, stones, standing water: the fair soil has none of them. */
    private static final Set<String> DRAWN_ONLY_WHERE_SEEN = Set.of("pit", "penetration");

    private static List<String> gaps(FieldMethod<?> method) {
        List<String> gaps = new ArrayList<>();
        MethodRegistry alone = new MethodRegistry(List.of(method));
        Scatter scatter = new Scatter(new Random(7));
        List<DepthLayer> layers = method.layers().isEmpty() ? List.of(new DepthLayer(0, 0)) : method.layers();
        boolean drawn = false;
        for (DepthLayer layer : layers) {
            Map<String, Object> readings =
                    Simulators.of(method).readings(FAIR, layer.topMm(), scatter, CoreData.BENCHMARKS);
            Outcome outcome = alone.evaluate(
                    method.card().id(), Map.of("readings", readings, "context", Map.of()), CoreData.BENCHMARKS);
            if (outcome instanceof Outcome.Evaluated done) {
                Envelope envelope = Envelope.of(done.evaluation(), CoreData.MESSAGES);
                RecordedTest<?> test = RecordedTest.of(method, readings, envelope, layer);
                for (Sighting seen : test.sightings()) {
                    if (CoreData.EVIDENCE.kind(seen.finding()) == null && !PARTS_OF_OTHERS.contains(seen.finding())) {
                        gaps.add("the evidence tables know no finding " + seen.finding());
                    }
                }
                List<GroundMark> marks = test.marks();
                if (!method.evidence().marksGround() && !marks.isEmpty()) {
                    gaps.add("draws marks in the ground without saying so");
                }
                marks.stream()
                        .filter(mark -> mark.layer() == null != (mark.kind() == GroundMark.Kind.COVER)
                                || (mark.colour() != null) != (mark.kind() == GroundMark.Kind.COLOUR))
                        .forEach(mark -> gaps.add("draws what can't be placed: " + mark));
                drawn |= !marks.isEmpty();
            } else {
                gaps.add("refuses its own simulated readings: " + outcome);
            }
        }
        if (method.evidence().marksGround()
                && !drawn
                && !DRAWN_ONLY_WHERE_SEEN.contains(method.card().id())) {
            gaps.add("says that it marks the ground and draws nothing");
        }
        return gaps;
    }

    @ParameterizedTest
    @MethodSource("methods")
    void whatIsMadeUpIsReadAndKnown(FieldMethod<?> method) {
        assertThat(gaps(method)).isEmpty();
    }
}
