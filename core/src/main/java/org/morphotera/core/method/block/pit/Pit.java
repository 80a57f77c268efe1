package org.morphotera.core.method.block.pit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.method.Capture;
import org.morphotera.core.method.Context;
import org.morphotera.core.method.Evidence;
import org.morphotera.core.method.Family;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.method.MethodCard;
import org.morphotera.core.reading.Faults;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.core.soil.Unit;

/**
 * A deep pit, layer by layer: how far roots can go, how much water they can reach, and how much lies out of reach.
 * Available water by texture after Saxton and Rawls (2006), rounded.
 */
public final class Pit implements FieldMethod<Pit.Readings> {

    /** How many roots a layer holds. */
    public enum RootAmount implements Coded {
        MANY,
        COMMON,
        FEW,
        NONE
    }

    /** Moisture of a layer. */
    public enum Moisture implements Coded {
        DRY,
        MOIST,
        WET,
        SATURATED
    }

    /** @param ph on the calcium-chloride scale */
    public record Horizon(
            Double topMm,
            Double bottomMm,
            TextureClass textureClass,
            Double structure,
            Double kPa,
            Double ph,
            Double ece,
            Double rustPct,
            Double blackPct,
            Double greyPct,
            Double stonesPct,
            RootAmount roots,
            Moisture moisture) {}

    /**
     * @param depthMm of the pit, over 0, to 5000 mm
     * @param standingWaterMm depth at which water stands, 0..5000 mm, or {@code null}
     * @param benched whether the walls are stepped back or held
     * @param horizons from the top down, at least one
     */
    public record Readings(Double depthMm, Double standingWaterMm, Boolean benched, List<Horizon> horizons) {}

    private static final double UNSUPPORTED_MM = 1200;
    private static final double UNSUPPORTED_WET_MM = 1000;

    @Override
    public MethodCard card() {
        List<MethodCard.Indicator> rates = List.of(new MethodCard.Indicator("rootable-water", "rootableWaterMm"));
        return new MethodCard("pit", Family.BLOCK, rates, null, 60, 0, 1000, List.of());
    }

    @Override
    public Readings read(Fields fields) {
        return new Readings(
                fields.number("depthMm", Unit.MM, Range.above(0, 5000), Need.REQUIRED),
                fields.number("standingWaterMm", Unit.MM, Range.DEPTH_MM, Need.OPTIONAL),
                fields.flag("benched", Need.OPTIONAL),
                fields.list("horizons", Range.LIST, Need.REQUIRED, Pit::readHorizon));
    }

    private static Horizon readHorizon(Fields fields) {
        return new Horizon(
                fields.number("topMm", Unit.MM, Range.DEPTH_MM, Need.REQUIRED),
                fields.number("bottomMm", Unit.MM, Range.DEPTH_MM, Need.REQUIRED),
                fields.word("textureClass", List.of(TextureClass.values()), Need.REQUIRED),
                fields.number("structure", Unit.NONE, Range.between(1, 5), Need.OPTIONAL),
                fields.number("kPa", Unit.KPA, Range.PRESSURE_KPA, Need.OPTIONAL),
                fields.number("ph", Unit.PH, Range.PH, Need.OPTIONAL),
                fields.number("ece", Unit.DS_PER_M, Range.EC, Need.OPTIONAL),
                fields.number("rustPct", Unit.PERCENT, Range.PERCENT, Need.OPTIONAL),
                fields.number("blackPct", Unit.PERCENT, Range.PERCENT, Need.OPTIONAL),
                fields.number("greyPct", Unit.PERCENT, Range.PERCENT, Need.OPTIONAL),
                fields.number("stonesPct", Unit.PERCENT, Range.PERCENT, Need.OPTIONAL),
                fields.word("roots", List.of(RootAmount.values()), Need.REQUIRED),
                fields.word("moisture", List.of(Moisture.values()), Need.REQUIRED));
    }

    @Override
    public void check(Readings readings, Faults faults) {
        double expected = 0;
        for (int i = 0; i < readings.horizons().size(); i++) {
            Horizon horizon = readings.horizons().get(i);
            String at = "horizons[" + i + "]";
            if (Math.abs(horizon.topMm() - expected) > Range.SMALLEST_STEP) {
                faults.add(at + ".topMm", "HORIZON_GAP", Map.of("expected", expected));
            }
            if (horizon.bottomMm() - horizon.topMm() < Range.SMALLEST_STEP) {
                faults.add(at + ".bottomMm", "DEPTH_UPSIDE_DOWN");
            }
            expected = horizon.bottomMm();
        }
        if (expected - readings.depthMm() > Range.SMALLEST_STEP) {
            String last = "horizons[" + (readings.horizons().size() - 1) + "].bottomMm";
            faults.add(last, "BELOW_PIT", Map.of("depth", readings.depthMm()));
        }
    }

    @Override
    public Evaluation evaluate(Readings readings, Context context, Benchmarks benchmarks) {
        // what was not described may hold anything: roots are reckoned as far as the face was told
        double rootable =
                readings.horizons().get(readings.horizons().size() - 1).bottomMm();
        List<String> limits = List.of();
        for (Horizon horizon : readings.horizons()) {
            List<String> causes = causes(horizon, benchmarks.table("pit.limits"));
            if (!causes.isEmpty()) {
                rootable = horizon.topMm();
                limits = causes;
                break;
            }
        }
        Table capacity = benchmarks.table("soil.available-water");
        double within = 0;
        double profile = 0;
        double stranded = 0;
        for (Horizon horizon : readings.horizons()) {
            double stones = horizon.stonesPct() == null ? 0 : horizon.stonesPct() / 100;
            double metres = (horizon.bottomMm() - horizon.topMm()) / 1000;
            double water = capacity.at(horizon.textureClass().code(), "mmPerM") * metres * (1 - stones);
            profile += water;
            if (horizon.topMm() < rootable) {
                within += water;
            } else if (horizon.moisture() != Moisture.DRY) {
                stranded += water;
            }
        }
        Evaluation.Builder out = Evaluation.of("pit")
                .value("rootableDepthMm", rootable, Unit.MM)
                .value("rootableWaterMm", within, Unit.MM)
                .value("profileWaterMm", profile, Unit.MM)
                .value("strandedWaterMm", stranded, Unit.MM)
                .codes("limits", limits)
                .working(
                        "rootableDepthMm",
                        Map.of("n", limits.size()),
                        rootable,
                        Unit.MM,
                        "Top of the first layer that stops roots")
                .working("rootableWaterMm", Map.of("depth", rootable), within, Unit.MM, capacity.source());
        if (stranded > 0 && readings.horizons().get(0).moisture() == Moisture.DRY) {
            out.note("WATER_BELOW_DRY_CROP", Severity.INFO, Map.of("water", stranded));
        }
        safety(readings, out);
        return out.curve("rootable-water", benchmarks.curve("rootable-water"), within, null, null)
                .build();
    }

    private static List<String> causes(Horizon horizon, Table limit) {
        List<String> causes = new ArrayList<>();
        if (horizon.kPa() != null && horizon.kPa() >= limit.at("penetration", "limit")) {
            causes.add("penetration");
        }
        if (horizon.structure() != null && horizon.structure() >= limit.at("structure", "limit")) {
            causes.add("structure");
        }
        if (horizon.ph() != null && horizon.ph() < limit.at("acid", "limit")) {
            causes.add("acid");
        }
        if (horizon.ece() != null && horizon.ece() > limit.at("salt", "limit")) {
            causes.add("salt");
        }
        if (horizon.moisture() == Moisture.SATURATED) {
            causes.add("saturated");
        }
        if (horizon.greyPct() != null && horizon.greyPct() >= limit.at("grey", "limit")) {
            causes.add("grey");
        }
        if (horizon.roots() == RootAmount.NONE) {
            causes.add("no-roots");
        }
        return causes;
    }

    private static void safety(Readings readings, Evaluation.Builder out) {
        boolean water = readings.standingWaterMm() != null && readings.standingWaterMm() > 0;
        boolean wet = water
                || readings.horizons().stream()
                        .anyMatch(each -> each.moisture() == Moisture.WET || each.moisture() == Moisture.SATURATED);
        if (unsafe(readings.depthMm(), wet, Boolean.TRUE.equals(readings.benched()))) {
            out.note("DO_NOT_ENTER", Severity.DANGER, Map.of("depth", readings.depthMm()));
        }
        out.note("PIT_SAFETY", Severity.DANGER);
    }

    private static boolean unsafe(double depthMm, boolean wet, boolean benched) {
        return depthMm > UNSUPPORTED_MM && !benched || wet && depthMm > UNSUPPORTED_WET_MM;
    }

    /** Not to be entered, as soon as depth and water are known; a pit is at least as deep as its layers. */
    @Override
    public List<Evaluation.Note> warnings(Map<String, Object> entered) {
        double depth = entered.get("depthMm") instanceof Number mm ? mm.doubleValue() : 0;
        boolean wet = entered.get("standingWaterMm") instanceof Number mm && mm.doubleValue() > 0;
        if (entered.get("horizons") instanceof List<?> horizons) {
            for (Object horizon : horizons) {
                if (horizon instanceof Map<?, ?> told) {
                    depth = told.get("bottomMm") instanceof Number mm ? Math.max(depth, mm.doubleValue()) : depth;
                    wet |= Moisture.WET.code().equals(told.get("moisture"))
                            || Moisture.SATURATED.code().equals(told.get("moisture"));
                }
            }
        }
        boolean benched = Boolean.TRUE.equals(entered.get("benched"));
        return unsafe(depth, wet, benched)
                ? List.of(new Evaluation.Note("DO_NOT_ENTER", Severity.DANGER, Map.of("depth", depth)))
                : List.of();
    }

    @Override
    public Evidence<Readings> evidence() {
        return new PitEvidence();
    }

    @Override
    public Capture capture() {
        return new PitCapture();
    }
}
