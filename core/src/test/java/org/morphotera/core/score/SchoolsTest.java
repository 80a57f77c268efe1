package org.morphotera.core.score;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.morphotera.core.CoreData;
import org.morphotera.core.result.Level;
import org.morphotera.core.score.SoilFunction.Score;
import org.morphotera.core.soil.DepthLayer;

class SchoolsTest {

    private static final DepthLayer BLOCK = new DepthLayer(0, 200);

    private static FieldFace face(Object... indicatorsAndStandings) {
        List<StopScore> stops = new ArrayList<>();
        for (int i = 0; i < indicatorsAndStandings.length; i += 2) {
            double standing = ((Number) indicatorsAndStandings[i + 1]).doubleValue();
            stops.add(new StopScore("a", (String) indicatorsAndStandings[i], BLOCK, standing));
        }
        return FieldFace.of(stops);
    }

    @Test
    void aFunctionIsTheWeightedMeanOfWhatWasMeasured() {
        Score water = SoilFunction.WATER.score(face("infiltration", 0.9, "slaking", 0.6), CoreData.BENCHMARKS);
        assertThat(water.measuredShare()).isCloseTo(5.0 / 11, within(1e-12));
        assertThat(water.mean()).isCloseTo((3 * 0.9 + 2 * 0.6) / 5, within(1e-12));
        assertThat(water.level()).isEqualTo(Level.ROBUST);
        assertThat(water.parts()).hasSize(5);
    }

    @Test
    void underTwoFifthsOfItsWeightAFunctionIsNotSeenEnough() {
        Score water = SoilFunction.WATER.score(face("infiltration", 0.9), CoreData.BENCHMARKS);
        assertThat(water.enoughSeen()).isFalse();
        assertThat(water.level()).isNull();
        assertThat(water.measuredShare()).isCloseTo(3.0 / 11, within(1e-12));
    }

    @Test
    void aMeanDoesNotHideAPan() {
        FieldFace panned = face("structure", 0.95, "compaction", 0.1, "porosity", 1, "dispersion", 1);
        Score frame = SoilFunction.FRAME.score(panned, CoreData.BENCHMARKS);
        assertThat(Level.of(frame.mean())).isEqualTo(Level.SERVICEABLE);
        assertThat(frame.level()).isEqualTo(Level.STRAINED);
        assertThat(frame.capped()).isTrue();
        // an indicator of weight 1 does not cap
        Score light = SoilFunction.FRAME.score(face("structure", 1, "compaction", 1, "slump", 0), CoreData.BENCHMARKS);
        assertThat(light.level()).isEqualTo(Level.ROBUST);
    }

    @Test
    void theOverallLevelIsThatOfTheLowestFunction() {
        FieldFace field =
                face("infiltration", 1, "slaking", 1, "structure", 0.4, "compaction", 0.4, "ph", 0.9, "salinity", 0.9);
        SoilFunction.Overall overall = SoilFunction.overall(field, CoreData.BENCHMARKS);
        assertThat(overall.level()).isEqualTo(Level.STRAINED);
        assertThat(overall.mean()).isCloseTo((5 * 1 + 6 * 0.4 + 6 * 0.9) / 17, within(1e-12));
        assertThat(SoilFunction.overall(face(), CoreData.BENCHMARKS).level()).isNull();
    }

    @Test
    void anIndicatorReadAtTwoDepthsCountsByItsLowest() {
        List<StopScore> stops = List.of(
                new StopScore("a", "dispersion", new DepthLayer(0, 100), 1),
                new StopScore("a", "dispersion", new DepthLayer(400, 500), 0),
                new StopScore("a", "structure", BLOCK, 1));
        Score frame = SoilFunction.FRAME.score(FieldFace.of(stops), CoreData.BENCHMARKS);
        assertThat(frame.mean()).isCloseTo(3.0 / 5, within(1e-12));
    }

    @Test
    void thePointsSheetIsTheShareOfThePointsThatWerePossible() {
        List<StopScore> stops = List.of(
                new StopScore("a", "structure", BLOCK, 0.55),
                new StopScore("b", "structure", BLOCK, 0.8),
                new StopScore("a", "slaking", BLOCK, 0.53, 1.07),
                new StopScore("b", "smell", BLOCK, 0.5));
        PointsSheet soil = PointsSheet.of(FieldFace.of(stops), CoreData.BENCHMARKS.table("points.soil"));
        // structure: 1.0 and 1.5, middle 1.25; slaking: its own 1.07; smell: 1
        assertThat(soil.percent()).isCloseTo(100 * (3 * 1.25 + 3 * 1.07 + 1) / (2 * 7), within(1e-9));
        assertThat(soil.byStop().get("a")).isCloseTo(100 * (3 * 1.0 + 3 * 1.07) / 12, within(1e-9));
        assertThat(soil.lines()).hasSize(10);
        assertThat(soil.lines().stream().filter(line -> line.points() == null)).hasSize(7);
    }

    @Test
    void aGapBetweenSoilAndPlantAsksAQuestion() {
        var gap = CoreData.BENCHMARKS.table("points.gap");
        assertThat(PointsSheet.question(sheet(80.0), sheet(60.0), gap)).isEqualTo("soil-over-plant");
        assertThat(PointsSheet.question(sheet(40.0), sheet(75.0), gap)).isEqualTo("plant-over-soil");
        assertThat(PointsSheet.question(sheet(60.0), sheet(75.0), gap)).isNull();
        assertThat(PointsSheet.question(sheet(60.0), sheet(null), gap)).isNull();
    }

    private static PointsSheet sheet(Double percent) {
        return new PointsSheet(List.of(), percent, Map.of());
    }

    @ParameterizedTest
    @CsvSource({"0.6, hold", "0.599, watch", "0.35, watch", "0.349, look-into", "0, look-into", "1, hold"})
    void flags(double standing, String flag) {
        assertThat(CoreData.BENCHMARKS.bands("flags").of(standing)).isEqualTo(flag);
    }

    @Test
    void theStopAverageCountsThreeTwoOne() {
        var bands = CoreData.BENCHMARKS.bands("stop-average");
        assertThat(bands.of(2.0 / 3)).isEqualTo("good");
        assertThat(bands.of(1.0 / 3)).isEqualTo("fair");
        assertThat(StopAverage.of(List.of(0.9, 0.5, 0.1, 0.7, 0.7), bands)).isEqualTo(2.4);
        assertThat(StopAverage.of(List.of(0.1), bands)).isEqualTo(1.0);
    }
}
