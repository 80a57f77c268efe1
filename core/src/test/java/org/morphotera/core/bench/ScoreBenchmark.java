package org.morphotera.core.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.morphotera.core.CoreData;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.score.FieldFace;
import org.morphotera.core.score.PointsSheet;
import org.morphotera.core.score.SoilFunction;
import org.morphotera.core.score.StopScore;
import org.morphotera.core.soil.DepthLayer;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.infra.Blackhole;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/**
 * Time of scoring 5 stops by 20 indicators: medians, odd stops, points, and the five functions of the soil. The same
 * sheet stands in {@code bin/sheet.mjs} for a spreadsheet engine.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class ScoreBenchmark {

    private static final int STOPS = 5;
    private static final int INDICATORS = 20;

    private final Table weights = CoreData.BENCHMARKS.table("points.soil");
    private final List<List<StopScore>> sheets = new ArrayList<>();
    private int next;

    public ScoreBenchmark() {
        List<String> indicators = new ArrayList<>(weights.rows().keySet());
        for (SoilFunction function : SoilFunction.values()) {
            CoreData.BENCHMARKS.table("function." + function.code()).rows().keySet().stream()
                    .filter(each -> !indicators.contains(each))
                    .forEach(indicators::add);
        }
        Random random = new Random(7);
        // several, so that no branch is learnt by heart
        for (int sheet = 0; sheet < 16; sheet++) {
            List<StopScore> standings = new ArrayList<>();
            for (String indicator : indicators.subList(0, INDICATORS)) {
                for (int stop = 1; stop <= STOPS; stop++) {
                    standings.add(
                            new StopScore("Stop " + stop, indicator, new DepthLayer(0, 200), random.nextDouble()));
                }
            }
            sheets.add(standings);
        }
    }

    @Benchmark
    public void score(Blackhole seen) {
        next = (next + 1) % sheets.size();
        FieldFace face = FieldFace.of(sheets.get(next));
        seen.consume(PointsSheet.of(face, weights));
        seen.consume(SoilFunction.overall(face, CoreData.BENCHMARKS));
    }

    public static void main(String[] args) throws RunnerException {
        new Runner(new OptionsBuilder()
                        .include(ScoreBenchmark.class.getSimpleName())
                        .build())
                .run();
    }
}
