package org.morphotera.core.bench;

import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.morphotera.core.CoreData;
import org.morphotera.core.Methods;
import org.morphotera.core.WorkedCase;
import org.morphotera.core.method.MethodRegistry;
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
import org.openjdk.jmh.profile.GCProfiler;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/** Time and allocation of one evaluation of each method, from a parsed tree to figures: its first worked case. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 2, time = 1)
@Measurement(iterations = 3, time = 1)
@Fork(1)
public class MethodBenchmark {

    @Param("")
    public String method;

    private final MethodRegistry methods = Methods.all();
    private Map<?, ?> body;

    @Setup
    public void readCase() {
        WorkedCase worked = WorkedCase.all().stream()
                .filter(each -> each.method().equals(method) && each.expectErrors() == null)
                .findFirst()
                .orElseThrow();
        body = WorkedCase.JSON.readValue(worked.bodyJson(), Map.class);
    }

    @Benchmark
    public Object evaluate() {
        return methods.evaluate(method, body, CoreData.BENCHMARKS);
    }

    public static void main(String[] args) throws RunnerException {
        String[] all = args.length > 0
                ? args
                : Methods.all().all().stream()
                        .flatMap(method -> Stream.of(method.card().id()))
                        .toArray(String[]::new);
        new Runner(new OptionsBuilder()
                        .include(MethodBenchmark.class.getSimpleName())
                        .param("method", all)
                        .addProfiler(GCProfiler.class)
                        .build())
                .run();
    }
}
