package org.morphotera.core.laboratory;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Unit;

/**
 * How many cores make a composite whose mean lies within a wanted share of the true mean in nine cases of ten (Cline,
 * 1944), how many composites an area asks for, and how they are mixed, parted and kept.
 */
public final class Composite implements Calculator<Composite.Inputs> {

    /**
     * @param areaHa ground that the figures shall speak for, ha
     * @param tests at least one
     * @param withinPct wanted half-width of the mean, % of it
     */
    record Inputs(Double areaHa, List<LabTest> tests, Double withinPct) {}

    /** Of the normal distribution, both sides, nine cases of ten. */
    private static final double NINE_OF_TEN = 1.6448536269514722;

    private static final int FEWEST = 10;
    private static final int MOST = 40;
    /** Beyond this much ground one composite hides differences that could be managed apart. */
    private static final double LARGEST_HA = 10;

    private static final double SQUARE_METRES = 10_000;

    /** A living figure: it goes on changing in a warm and closed bag. */
    private static final double LIVING_DAYS = 3;

    @Override
    public String id() {
        return "composite";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.number("areaHa", Unit.HECTARE, Range.above(0, 1000), Need.REQUIRED),
                fields.words(
                        "tests",
                        List.of(LabTest.values()),
                        false,
                        Range.between(1, LabTest.values().length),
                        Need.REQUIRED),
                fields.numberOr("withinPct", Unit.PERCENT, Range.between(5, 50), 15));
    }

    /** The layer of a bag, in mm. */
    private record Layer(double top, double bottom) implements Comparable<Layer> {
        @Override
        public int compareTo(Layer other) {
            int byTop = Double.compare(top, other.top);
            return byTop != 0 ? byTop : Double.compare(bottom, other.bottom);
        }
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        Table table = benchmarks.table("laboratory.tests");
        Map<Layer, List<LabTest>> layers = new TreeMap<>();
        for (LabTest test : in.tests()) {
            layers.computeIfAbsent(
                            new Layer(table.at(test.code(), "top"), table.at(test.code(), "bottom")),
                            layer -> new ArrayList<>())
                    .add(test);
        }
        int composites = (int) Math.ceil(in.areaHa() / LARGEST_HA);
        int most = 0;
        double fewestDays = Double.MAX_VALUE;
        boolean more = false;
        List<Map<String, Object>> bags = new ArrayList<>();
        for (Map.Entry<Layer, List<LabTest>> each : layers.entrySet()) {
            double scatter = worst(table, each.getValue(), "scatter");
            int wanted = wanted(scatter, in.withinPct());
            int cores = Math.min(MOST, Math.max(FEWEST, wanted));
            double days = each.getValue().stream()
                    .mapToDouble(test -> table.at(test.code(), "days"))
                    .min()
                    .orElseThrow();
            double grams = each.getValue().stream()
                    .mapToDouble(test -> table.at(test.code(), "grams"))
                    .sum();
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("topMm", each.getKey().top());
            row.put("bottomMm", each.getKey().bottom());
            row.put(
                    "tests",
                    String.join(" ", each.getValue().stream().map(LabTest::code).toList()));
            row.put("cores", (double) cores);
            row.put("grams", Math.max(300, grams));
            row.put("days", days);
            bags.add(row);
            more = more || wanted > MOST;
            most = Math.max(most, cores);
            fewestDays = Math.min(fewestDays, days);
        }
        double scatter = worst(table, in.tests(), "scatter");
        double spacing = Math.sqrt(in.areaHa() * SQUARE_METRES / composites / most);
        Evaluation.Builder out = Evaluation.of(id())
                .value("composites", composites, Unit.NONE)
                .value("bags", (double) composites * layers.size(), Unit.NONE)
                .value("cores", most, Unit.NONE)
                .value("spacingM", spacing, Unit.METRE)
                .value("holdDays", fewestDays, Unit.DAY)
                .value("reachedPct", NINE_OF_TEN * scatter / Math.sqrt(most), Unit.PERCENT)
                .series("bags", bags)
                .working(
                        "cores",
                        Map.of("scatter", scatter, "within", in.withinPct()),
                        wanted(scatter, in.withinPct()),
                        Unit.NONE,
                        table.source());
        if (more) {
            out.note("MORE_CORES", Severity.INFO, Map.of("cores", wanted(scatter, in.withinPct())));
        }
        if (composites > 1) {
            out.note("SEVERAL", Severity.INFO);
        }
        out.note("MIX", Severity.INFO);
        return fewestDays <= LIVING_DAYS
                ? out.note("KEEP_COOL", Severity.CAUTION).build()
                : out.note("DRY_OR_COOL", Severity.INFO).build();
    }

    private static double worst(Table table, List<LabTest> tests, String column) {
        return tests.stream()
                .mapToDouble(test -> table.at(test.code(), column))
                .max()
                .orElseThrow();
    }

    /** Cores until the mean lies within a share of it: (z·CV/E)². */
    static int wanted(double scatterPct, double withinPct) {
        double ratio = NINE_OF_TEN * scatterPct / withinPct;
        return (int) Math.ceil(ratio * ratio);
    }
}
