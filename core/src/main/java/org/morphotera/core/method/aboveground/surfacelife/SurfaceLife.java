package org.morphotera.core.method.aboveground.surfacelife;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.Capture;
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
import org.morphotera.core.soil.Unit;

/** Living things on the surface, counted by group in a quadrat; diversity after Shannon (1948). */
public final class SurfaceLife implements FieldMethod<SurfaceLife.Readings> {

    /** @param counts individuals by group, such as beetle or spider */
    public record Readings(Double quadratAreaM2, Map<String, Integer> counts) {}

    private static final double LOW_COVER_PCT = 50;

    @Override
    public MethodCard card() {
        return new MethodCard(
                "surface-life",
                Family.ABOVE_GROUND,
                List.of(new MethodCard.Indicator("surface-life", "groups")),
                null,
                5,
                null,
                null,
                List.of());
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.numberOr("quadratAreaM2", Unit.SQUARE_METRE, Range.above(0, 100), 0.25),
                fields.counts("counts", Range.COUNT, Need.REQUIRED));
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        double total =
                readings.counts().values().stream().mapToInt(Integer::intValue).sum();
        long groups =
                readings.counts().values().stream().filter(count -> count > 0).count();
        double shannon = 0;
        for (int count : readings.counts().values()) {
            if (count > 0) {
                shannon -= count / total * Math.log(count / total);
            }
        }
        double density = total / readings.quadratAreaM2();
        Evaluation.Builder out = Evaluation.of("surface-life")
                .value("individualsPerM2", density, Unit.PER_SQUARE_METRE)
                .value("groups", groups, Unit.NONE)
                .value("shannon", shannon, Unit.NONE)
                .working(
                        "individualsPerM2",
                        Map.of("total", total, "area", readings.quadratAreaM2()),
                        density,
                        Unit.PER_SQUARE_METRE,
                        "Counted over the area of the quadrat")
                .working("shannon", Map.of("groups", groups), shannon, Unit.NONE, "Shannon, 1948");
        if (context.coverPct() != null && context.coverPct() < LOW_COVER_PCT) {
            out.note("LOW_COVER_EXPLAINS", Severity.INFO, Map.of("cover", context.coverPct()));
        }
        return out.curve("surface-life", benchmarks.curve("surface-life"), groups, null, null)
                .build();
    }

    @Override
    public Evidence<Readings> evidence() {
        return new SurfaceLifeEvidence();
    }

    @Override
    public Capture capture() {
        return new SurfaceLifeCapture();
    }
}
