package org.morphotera.core.plan.calculator;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.Unit;

/** Water to wash salt out (Hoffman, 1980), the share of irrigation that must pass on (Rhoades, 1974), and rain alone. */
final class Leaching implements Calculator<Leaching.Inputs> {

    enum Way implements Coded {
        SPRINKLED,
        PONDED
    }

    record Inputs(
            Double eceNow,
            Double eceHalfWidth,
            Double eceTarget,
            Double depthMm,
            Way way,
            Boolean organicSoil,
            Boolean drained,
            Double irrigationEc,
            Double cropThresholdEce) {}

    private static final int LONGEST_OUTLOOK_YEARS = 60;

    @Override
    public String id() {
        return "leaching";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.number("eceNow", Unit.DS_PER_M, Range.EC, Need.REQUIRED),
                fields.numberOr("eceHalfWidth", Unit.DS_PER_M, Range.EC, 0),
                fields.number("eceTarget", Unit.DS_PER_M, Range.above(0, 200), Need.REQUIRED),
                fields.numberOr("depthMm", Unit.MM, Layer.DEPTH_MM, 600),
                fields.word("way", List.of(Way.values()), Need.REQUIRED),
                fields.flagOr("organicSoil", false),
                fields.flag("drained", Need.REQUIRED),
                fields.number("irrigationEc", Unit.DS_PER_M, Range.EC, Need.OPTIONAL),
                fields.number("cropThresholdEce", Unit.DS_PER_M, Range.above(0, 200), Need.OPTIONAL));
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        Table rules = benchmarks.table("plan.leaching");
        String way = in.way() == Way.PONDED && in.organicSoil()
                ? "ponded-organic"
                : in.way().code();
        double k = rules.at(way, "value");
        boolean met = in.eceNow() <= in.eceTarget();
        double water = water(in, in.eceNow(), k);
        boolean unsure = in.eceHalfWidth() > 0;
        Double least = unsure ? Double.valueOf(water(in, in.eceNow() - in.eceHalfWidth(), k)) : null;
        Double most = unsure ? Double.valueOf(water(in, in.eceNow() + in.eceHalfWidth(), k)) : null;
        double aYear = rules.at("rain-ds-per-m-a-year", "value");
        double years = met ? 0 : (in.eceNow() - in.eceTarget()) / aYear;
        Evaluation.Builder out = Evaluation.of(id())
                .value("waterMm", water, Unit.MM, least, most)
                .working(
                        "waterMm",
                        Map.of("k", k, "depth", in.depthMm(), "now", in.eceNow(), "target", in.eceTarget()),
                        water,
                        Unit.MM,
                        rules.source());
        double dressing = rules.at("most-mm-a-dressing", "value");
        double dressings = Math.ceil(water / dressing);
        out.value("dressings", dressings, Unit.NONE)
                .value("dressingMm", dressings == 0 ? 0 : water / dressings, Unit.MM);
        if (in.irrigationEc() != null && in.irrigationEc() > in.eceTarget()) {
            out.note("WATER_OVER_TARGET", Severity.CAUTION);
        }
        if (in.drained()) {
            out.value("yearsByRain", years, Unit.NONE)
                    .working(
                            "yearsByRain",
                            Map.of("now", in.eceNow(), "target", in.eceTarget(), "rate", aYear),
                            years,
                            Unit.NONE,
                            "Working rule: drained and left to rain")
                    .series("outlook", outlook(in, aYear, years));
        }
        if (in.irrigationEc() != null && in.cropThresholdEce() != null) {
            double below = 5 * in.cropThresholdEce() - in.irrigationEc();
            // a share of more than all of it washes nothing
            if (below < in.irrigationEc()) {
                out.note("WATER_TOO_SALTY", Severity.CAUTION);
            } else {
                out.value("leachingRequirementPct", 100 * in.irrigationEc() / below, Unit.PERCENT);
            }
        }
        if (!in.drained()) {
            out.note("DRAIN_FIRST", Severity.CAUTION);
        }
        return out.build();
    }

    /** Depth of water that takes the salt of the layer to the target, mm; 0 where it is there. */
    private static double water(Inputs in, double ece, double k) {
        return ece <= in.eceTarget() ? 0 : k * in.depthMm() * ece / in.eceTarget();
    }

    /** Salt by year under rain alone, a straight line down to the target. */
    private static List<Map<String, Object>> outlook(Inputs in, double aYear, double years) {
        List<Map<String, Object>> rows = new ArrayList<>();
        int last = (int) Math.min(LONGEST_OUTLOOK_YEARS, Math.ceil(years));
        for (int year = 0; year <= last; year++) {
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("year", (double) year);
            row.put("ece", Math.max(Math.min(in.eceNow(), in.eceTarget()), in.eceNow() - aYear * year));
            rows.add(row);
        }
        return rows;
    }
}
