package org.morphotera.core.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.Calculators;
import org.morphotera.core.CoreData;
import org.morphotera.core.DataFiles;
import org.morphotera.core.Methods;
import org.morphotera.core.WorkedCase;
import org.morphotera.core.calculator.CalculatorRegistry;
import org.morphotera.core.day.Days;
import org.morphotera.core.method.Outcome;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.weather.FieldDay;
import org.morphotera.core.weather.WaterBalance;
import org.morphotera.core.weather.WeatherDay;

/**
 * Standard days against the bound, and how long days, windows and places take on the JVM; writes the days for the same
 * timing in the page build.
 */
public final class DayBenchmark {

    private static final int STANDARD_DAYS = 100;
    private static final CalculatorRegistry ALL = Calculators.ofPage(Methods.all());

    private DayBenchmark() {}

    public static void main(String[] args) throws IOException {
        List<Double> ratios = new ArrayList<>();
        List<Double> millis = new ArrayList<>();
        List<Map<String, Object>> days = new ArrayList<>();
        for (int i = 0; i < STANDARD_DAYS; i++) {
            Map<String, Object> day = Days.standard(5 + i % 6, 1 + i / 6 % 4, 1000 + i);
            days.add(day);
            long before = System.nanoTime();
            Evaluation plan = evaluate("day-plan", day);
            millis.add((System.nanoTime() - before) / 1e6);
            ratios.add(plan.values().get("finishMin").value()
                    / plan.values().get("lowerBoundMin").value());
        }
        say("day plan over its bound, " + STANDARD_DAYS + " standard days", ratios, "");
        say("day plan, JVM", millis, " ms");
        windows();
        places();
        Files.writeString(
                Path.of(args[0]),
                WorkedCase.JSON.writeValueAsString(Map.of(
                        "benchmarks",
                        CoreData.texts(DataFiles.benchmarks(Methods.all())),
                        "messages",
                        CoreData.texts(DataFiles.messages(Methods.all())),
                        "days",
                        days)));
    }

    private static Evaluation evaluate(String id, Map<String, Object> inputs) {
        return ((Outcome.Evaluated) ALL.evaluate(id, Map.of("inputs", inputs), CoreData.BENCHMARKS)).evaluation();
    }

    private static void say(String what, List<Double> figures, String unit) {
        List<Double> sorted = figures.stream().sorted().toList();
        System.out.printf(
                "%s: median %.3f%s, worst %.3f%s%n",
                what, sorted.get(sorted.size() / 2), unit, sorted.get(sorted.size() - 1), unit);
    }

    /** 200 days at 50 fields. */
    private static void windows() {
        Random random = new Random(1);
        List<WeatherDay> weather = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            double rain = random.nextInt(3) == 0 ? random.nextInt(20) : 0;
            weather.add(new WeatherDay(LocalDate.of(2026, 1, 1).plusDays(i), rain, 4, 14, null));
        }
        List<Double> millis = new ArrayList<>();
        double sum = 0;
        for (int run = 0; run < 20; run++) {
            long before = System.nanoTime();
            for (int field = 0; field < 50; field++) {
                for (FieldDay day : new WaterBalance(40 + field, 40 + field / 4.0).run(0.7, weather)) {
                    sum += day.share();
                }
            }
            millis.add((System.nanoTime() - before) / 1e6);
        }
        say("windows, 200 days × 50 fields (mean share " + Math.round(sum / 2000) / 100.0 + ")", millis, " ms");
    }

    /** 60 stops in an L of 9 ha. */
    private static void places() {
        List<List<Double>> ring = new ArrayList<>();
        double[][] corners = {{0, 0}, {6, 0}, {6, 3}, {3, 3}, {3, 5}, {0, 5}, {0, 0}};
        for (double[] corner : corners) {
            ring.add(List.of(3.4 + corner[0] / 1000, 53.8 + corner[1] / 1500));
        }
        Map<String, Object> inputs = new LinkedHashMap<>();
        inputs.put("boundary", Map.of("type", "Polygon", "coordinates", List.of(ring)));
        inputs.put("count", 60);
        List<Double> millis = new ArrayList<>();
        for (int run = 0; run < 10; run++) {
            inputs.put("seed", run);
            long before = System.nanoTime();
            evaluate("stop-placement", inputs);
            millis.add((System.nanoTime() - before) / 1e6);
        }
        say("60 stops placed", millis, " ms");
    }
}
