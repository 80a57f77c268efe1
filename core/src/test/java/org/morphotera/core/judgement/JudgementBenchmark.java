package org.morphotera.core.judgement;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.morphotera.core.CoreData;
import org.morphotera.core.indicator.Indicators;
import org.morphotera.core.judgement.ChangeTrials.World;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.infra.Blackhole;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/** Time of judging a field of 12 visits and 28 indicators: levels of all stops, changes, effects of one event. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class JudgementBenchmark {

    private static final int VISITS = 12;
    private static final int INDICATORS = 28;

    /** Stops that are walked. */
    @Param({"12", "60"})
    public int stops;

    private JudgedField field;

    /** Draws the field once. */
    @Setup
    public void draw() {
        List<JudgedField.Reading> readings = new ArrayList<>();
        JudgedField last = null;
        int taken = 0;
        for (String indicator : Indicators.all()) {
            boolean drawn = CoreData.BENCHMARKS.hasTable("model-done." + indicator)
                    && !IndicatorModel.of(indicator, CoreData.BENCHMARKS).ofScore();
            if (drawn && taken < INDICATORS) {
                last = new ChangeTrials(taken)
                        .draw(indicator, World.AS_THE_TABLES, VISITS, stops - 1, 1, 0.3, true)
                        .field();
                // some indicators are drawn twice, at another depth, so that there are as many as a full field has
                for (String band : taken % 2 == 0 ? List.of("top-0-100") : List.of("top-0-100", "below-300")) {
                    last.readings().forEach(each -> readings.add(at(each, band)));
                    taken++;
                }
            }
        }
        field = new JudgedField(last.on(), last.place(), last.stops(), last.visits(), last.events(), readings);
    }

    private static JudgedField.Reading at(JudgedField.Reading each, String band) {
        return new JudgedField.Reading(
                each.id(),
                each.indicator(),
                band,
                each.method(),
                each.kind(),
                each.apart(),
                each.source(),
                each.stop(),
                each.visit(),
                each.score(),
                each.figure(),
                each.low(),
                each.high(),
                each.unit(),
                each.layer(),
                Set.of());
    }

    /** The whole judgement. */
    @Benchmark
    public void judge(Blackhole hole) {
        FieldJudgement judgement = FieldJudgement.of(field, CoreData.BENCHMARKS);
        for (IndicatorSeries series : judgement.series()) {
            hole.consume(series.field());
            series.stops().forEach(stop -> hole.consume(series.stop(stop)));
            hole.consume(series.did());
            hole.consume(series.weights());
        }
        hole.consume(FieldJudgement.told(judgement.changes(null, null)));
    }

    /** Runs it alone. */
    public static void main(String[] args) throws RunnerException {
        new Runner(new OptionsBuilder()
                        .include(JudgementBenchmark.class.getSimpleName())
                        .build())
                .run();
    }
}
