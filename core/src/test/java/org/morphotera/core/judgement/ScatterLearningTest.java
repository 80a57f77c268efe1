package org.morphotera.core.judgement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.morphotera.core.CoreData;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.judgement.ChangeTrials.World;
import org.morphotera.core.judgement.ScatterLearning.Learned;

/** A practice whose readings scatter otherwise than the tables say finds that out, and tells less that is wrong. */
class ScatterLearningTest {

    private static final int FIELDS = 40;
    private static final int LIMED = 300;

    private static List<FieldJudgement> practice(String indicator, World world, int fields, int visits, int seed) {
        ChangeTrials trials = new ChangeTrials(seed);
        List<FieldJudgement> all = new ArrayList<>();
        for (int i = 0; i < fields; i++) {
            all.add(FieldJudgement.of(
                    trials.draw(indicator, world, visits, 4, i % 3, null, true).field(), CoreData.BENCHMARKS));
        }
        return all;
    }

    private static double table(String indicator, String row) {
        return CoreData.BENCHMARKS.table("model." + indicator).at(row, "value");
    }

    private static Benchmarks with(List<Learned> learned) {
        Table table = CoreData.BENCHMARKS.table("model." + learned.get(0).indicator());
        return CoreData.BENCHMARKS.with(
                "own.txt", ScatterLearning.text(learned, Map.of(learned.get(0).indicator(), table)));
    }

    @Test
    void scattersAsTheTablesSayAreFoundAgain() {
        for (String indicator : List.of("ph", "organic-matter", "ground-cover", "infiltration")) {
            Learned found = ScatterLearning.of(practice(indicator, World.AS_THE_TABLES, FIELDS, 4, 11), Map.of())
                    .get(0);
            assertThat(found.fields()).isEqualTo(FIELDS);
            assertThat(found.readings()).isBetween(FIELDS * 16, FIELDS * 24);
            assertThat(found.stop() / table(indicator, "stop"))
                    .as(indicator + " stop")
                    .isBetween(0.75, 1.33);
            assertThat(found.visit() / table(indicator, "visit"))
                    .as(indicator + " visit")
                    .isBetween(0.75, 1.33);
            assertThat(found.spot() / table(indicator, "spot"))
                    .as(indicator + " spot")
                    .isBetween(0.75, 1.33);
        }
    }

    @Test
    void whereVisitsScatterTwiceThatIsLearnedAndLessIsToldThatIsWrong() {
        List<Learned> learned = ScatterLearning.of(practice("ph", World.VISITS_DOUBLED, 3 * FIELDS, 4, 12), Map.of());
        assertThat(learned.get(0).visit() / table("ph", "visit")).isBetween(1.6, 2.3);
        assertThat(learned.get(0).stop() / table("ph", "stop")).isBetween(0.75, 1.33);
        Benchmarks own = with(learned);
        int before = 0;
        int after = 0;
        for (int i = 0; i < LIMED; i++) {
            JudgedField field = new ChangeTrials(700 + i)
                    .draw("ph", World.VISITS_DOUBLED, 2, 5, i % 3, 0.0, false)
                    .field();
            before += told(field, CoreData.BENCHMARKS);
            after += told(field, own);
        }
        System.out.printf(
                "visits doubled, lime that did nothing: %.1f %% told by the tables, %.1f %% once learned%n",
                100.0 * before / LIMED, 100.0 * after / LIMED);
        assertThat(100.0 * after / LIMED).isLessThanOrEqualTo(5).isLessThan(100.0 * before / LIMED / 2 + 1);
    }

    private static int told(JudgedField field, Benchmarks benchmarks) {
        IndicatorSeries.Told told =
                FieldJudgement.of(field, benchmarks).series().get(0).change(null, null);
        return told.probability() >= FieldJudgement.TOLD_FROM ? 1 : 0;
    }

    @Test
    void fewReadingsSharpenNothingAndNoneFewLittle() {
        assertThat(ScatterLearning.of(practice("ph", World.AS_THE_TABLES, 5, 2, 13), Map.of()))
                .isEmpty();
        // barely enough, of one visit each: nothing tells stops from spots, nor visits from levels
        Learned once = ScatterLearning.of(practice("ph", World.VISITS_DOUBLED, 14, 1, 14), Map.of())
                .get(0);
        assertThat(once.visit() / table("ph", "visit")).isBetween(0.9, 1.15);
    }

    @Test
    void sessionsSharpenHowFarPeopleLieApart() {
        List<FieldJudgement> fields = practice("structure", World.AS_THE_TABLES, 10, 2, 15);
        double person = table("structure", "person");
        List<Double> alike = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            alike.add((i % 2 == 0 ? 1 : -1) * person / 4);
        }
        Learned none = ScatterLearning.of(fields, Map.of()).get(0);
        Learned held = ScatterLearning.of(fields, Map.of("structure", alike)).get(0);
        assertThat(held.person()).isLessThan(0.75 * none.person());
    }

    /** What is learned is data: read as a file of tables it is what was written. */
    @Test
    void whatIsLearnedIsATableOfItsOwn() {
        Learned learned = new Learned("ph", 240, 12, 0.31, 0.2, 0.17, 0);
        Table own = with(List.of(learned)).table("model.ph");
        assertThat(own.at("stop", "value")).isEqualTo(0.31);
        assertThat(own.at("visit", "value")).isEqualTo(0.17);
        assertThat(own.at("drift", "value")).isEqualTo(table("ph", "drift"));
        assertThat(own.source()).contains("sharpened by 240 readings");
        assertThat(own.rows().keySet())
                .isEqualTo(CoreData.BENCHMARKS.table("model.ph").rows().keySet());
    }
}
