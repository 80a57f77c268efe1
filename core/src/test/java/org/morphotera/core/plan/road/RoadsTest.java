package org.morphotera.core.plan.road;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.morphotera.core.CoreData;
import org.morphotera.core.limits.Constraint;
import org.morphotera.core.limits.Limits.Belief;
import org.morphotera.core.plan.FieldFacts;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.Source;
import org.morphotera.core.soil.TextureGroup;

class RoadsTest {

    private static List<Road> roads(String crop, Double ece, Double esp, boolean drained, Constraint... named) {
        List<Belief> beliefs = Stream.of(named)
                .map(each -> new Belief(each, 0.1, 0.9, List.of()))
                .toList();
        FieldFacts facts = new FieldFacts(
                LandUse.ARABLE,
                TextureGroup.FINE,
                crop,
                6,
                new FieldFacts.Treated(6.0, false),
                null,
                null,
                ece,
                Source.METER,
                esp,
                null,
                false,
                FieldFacts.Permeability.UNKNOWN,
                null,
                drained,
                false);
        return Roads.of(beliefs, facts, CoreData.BENCHMARKS, CoreData.MESSAGES);
    }

    private static List<String> steps(Road road) {
        return road.steps().stream().map(Road.Step::what).toList();
    }

    @Test
    void whatNoYearsMendHasNoRoad() {
        assertThat(roads("barley", 3.0, null, true, Constraint.ACIDITY, Constraint.WEAK_AGGREGATION))
                .isEmpty();
        assertThat(roads("barley", null, null, true, Constraint.SALINITY)).isEmpty();
    }

    @Test
    void aHighPhIsLivedWithAndNothingIsPromised() {
        Road dry = roads("barley", null, null, true, Constraint.FREE_LIME).get(0);
        assertThat(steps(dry)).noneMatch(each -> each.contains("water"));
        assertThat(dry.outlook()).contains("hardly move").contains("not promised");
        Road wet = roads("barley", null, null, true, Constraint.FREE_LIME, Constraint.WATERLOGGING)
                .get(0);
        assertThat(steps(wet).get(0)).contains("water");
        assertThat(wet.steps())
                .anyMatch(each -> each.test() != null && each.test().contains("pH by depth"));
        assertThat(steps(wet)).noneMatch(each -> each.contains("Sulfur"));
    }

    @Test
    void saltTakesItsYearsByTheRainDownToWhatTheCropStands() {
        Road road = roads("barley", 10.0, 2.0, false, Constraint.SALINITY).get(0);
        // 2 dS/m over what barley stands, at 0.2 dS/m a year, give or take 0.07
        assertThat(road.outlook()).contains("from 10 to 8 dS/m").contains("8 to 16 years");
        assertThat(road.until()).startsWith("Under 8 dS/m");
        assertThat(steps(road).get(0)).contains("designer");
        assertThat(steps(road)).noneMatch(each -> each.startsWith("Gypsum"));
        assertThat(steps(roads("barley", 10.0, 2.0, true, Constraint.SALINITY).get(0)))
                .noneMatch(each -> each.contains("designer"));
    }

    @Test
    void sodiumIsSeenToOrMeasuredBeforeTheRainWashes() {
        assertThat(steps(roads("barley", 10.0, 12.0, true, Constraint.SALINITY).get(0)))
                .anyMatch(each -> each.startsWith("Gypsum"));
        assertThat(steps(roads("barley", 10.0, null, true, Constraint.SALINITY).get(0)))
                .anyMatch(each -> each.startsWith("Exchangeable sodium"));
    }

    @Test
    void everyStepHasItsYears() {
        roads("barley", 10.0, null, false, Constraint.SALINITY, Constraint.FREE_LIME, Constraint.WATERLOGGING)
                .forEach(road -> road.steps().forEach(step -> {
                    assertThat(step.years()).as(step.what()).isNotBlank().doesNotContain(".");
                    assertThat(step.what()).endsWith(".").doesNotContain("{");
                }));
    }
}
