package org.morphotera.core.method.surface.soiltemperature;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;

/** Soil temperature under different covers; context for worms, microbes and emergence. */
public final class SoilTemperature implements FieldMethod<SoilTemperature.Readings> {

    /** What lies over the place measured. */
    public enum Cover implements Coded {
        BARE,
        RESIDUE,
        CANOPY
    }

    /**
     * @param label what the place is called, at most 60 signs, or {@code null}
     * @param cover what lies on it, or {@code null}
     * @param tempC −20..70 °C
     */
    public record Area(String label, Cover cover, Double tempC) {}

    /** @param areas at least one */
    public record Readings(List<Area> areas) {}

    private static final double TOO_HOT_C = 35;
    private static final double DORMANT_C = 5;

    @Override
    public MethodCard card() {
        return new MethodCard("soil-temperature", Family.SURFACE, List.of(), null, 4, 0, 100, List.of());
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(fields.list(
                "areas",
                Range.LIST,
                Need.REQUIRED,
                area -> new Area(
                        area.text("label", 60, Need.OPTIONAL),
                        area.word("cover", List.of(Cover.values()), Need.OPTIONAL),
                        area.number("tempC", Unit.CELSIUS, Range.TEMPERATURE_C, Need.REQUIRED))));
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        double sum = 0;
        double lowest = Double.POSITIVE_INFINITY;
        double highest = Double.NEGATIVE_INFINITY;
        for (Area area : readings.areas()) {
            sum += area.tempC();
            lowest = Math.min(lowest, area.tempC());
            highest = Math.max(highest, area.tempC());
        }
        int n = readings.areas().size();
        Evaluation.Builder out = Evaluation.of("soil-temperature")
                .value("meanC", sum / n, Unit.CELSIUS, lowest, highest)
                .value("spreadC", highest - lowest, Unit.NONE)
                .working("meanC", Map.of("n", n, "sum", sum), sum / n, Unit.CELSIUS, "Mean of the areas");
        if (highest > TOO_HOT_C) {
            out.note("TOO_HOT_FOR_MICROBES", Severity.CAUTION, Map.of("temp", highest));
        }
        if (lowest < DORMANT_C) {
            out.note("DORMANT", Severity.INFO, Map.of("temp", lowest));
        }
        return out.build();
    }

    @Override
    public Evidence<Readings> evidence() {
        return new SoilTemperatureEvidence();
    }
}
