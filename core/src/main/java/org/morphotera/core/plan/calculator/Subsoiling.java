package org.morphotera.core.plan.calculator;

import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Unit;

/**
 * Whether loosening is worth it: only where a layer was found, 25 to 50 mm below it, and only when that layer is dry
 * enough to shatter (Spoor and Godwin, 1978): a worm rolled of it crumbles. Else roots and traffic control.
 */
final class Subsoiling implements Calculator<Subsoiling.Inputs> {

    record Inputs(Boolean layerFound, Double layerTopMm, Double layerBottomMm, Boolean rolledWormCrumbles) {}

    private static final double SHALLOWEST_BELOW_MM = 25;
    private static final double DEEPEST_BELOW_MM = 50;

    @Override
    public String id() {
        return "subsoiling";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.flag("layerFound", Need.REQUIRED),
                fields.number("layerTopMm", Unit.MM, Range.DEPTH_MM, Need.OPTIONAL.andTrue("layerFound")),
                fields.number("layerBottomMm", Unit.MM, Range.DEPTH_MM, Need.REQUIRED.andTrue("layerFound")),
                fields.flag("rolledWormCrumbles", Need.OPTIONAL));
    }

    @Override
    public void check(Inputs in, Faults faults) {
        if (in.layerTopMm() != null && in.layerBottomMm() != null && in.layerBottomMm() <= in.layerTopMm()) {
            faults.add("layerBottomMm", "DEPTH_UPSIDE_DOWN");
        }
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        Evaluation.Builder out = Evaluation.of(id());
        if (!in.layerFound()) {
            return out.code("advice", "not-needed")
                    .note("NO_LAYER", Severity.INFO)
                    .build();
        }
        double from = in.layerBottomMm() + SHALLOWEST_BELOW_MM;
        double to = in.layerBottomMm() + DEEPEST_BELOW_MM;
        out.value("workingDepthMm", (from + to) / 2, Unit.MM, from, to)
                .working(
                        "workingDepthMm",
                        Map.of("bottom", in.layerBottomMm()),
                        (from + to) / 2,
                        Unit.MM,
                        "Spoor and Godwin, 1978");
        if (in.rolledWormCrumbles() == null) {
            out.code("advice", "roll-a-worm").note("ROLL_A_WORM", Severity.CAUTION);
        } else if (in.rolledWormCrumbles()) {
            out.code("advice", "loosen").note("TRAFFIC_AFTER", Severity.CAUTION);
        } else {
            out.code("advice", "wait").note("TOO_WET_TO_LOOSEN", Severity.CAUTION);
        }
        return out.note("SERVICES", Severity.DANGER).build();
    }
}
