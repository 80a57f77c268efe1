package org.morphotera.core.plan.calculator;

import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.chemistry.PhWindow;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureGroup;
import org.morphotera.core.soil.Unit;

/**
 * Lime to raise pH, by one of three schools: a factor per pH unit and texture, the soil's buffer capacity (after
 * Nelson and Su, 2010: 0.5 g of calcium carbonate neutralise 1 cmol), or the laboratory's own figure.
 */
final class Lime implements Calculator<Lime.Inputs> {

    enum School implements Coded {
        TEXTURE_FACTOR,
        BUFFER_CAPACITY,
        BUFFER_PH
    }

    record Inputs(
            School school,
            Double phWater,
            Double targetPh,
            Double phHalfWidth,
            Boolean fromKit,
            LandUse landUse,
            TextureGroup textureGroup,
            Double organicMatterPct,
            Double depthMm,
            Double bulkDensity,
            Double bufferCmolKgPerPh,
            Double bufferLimeTHa,
            Double neutralisingPct,
            Double finenessPct,
            Double moisturePct,
            Double areaHa,
            Double pricePerT,
            String crop) {}

    private static final double CARBONATE_G_PER_CMOL = 0.5;

    /** What is over a whole pass by no more than this is none of its own. */
    private static final double ROUNDING = 1e-9;

    /** A neutralising value under this may be a figure in calcium oxide: pure limestone is 56 % of it. */
    private static final double WEAK_PCT = 60;

    /** Where free lime holds the pH: nobody limes beyond. */
    private static final double HIGHEST_TARGET = 8.2;

    @Override
    public String id() {
        return "lime";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.word("school", List.of(School.values()), Need.REQUIRED),
                fields.number("phWater", Unit.PH, Range.PH, Need.REQUIRED),
                fields.number("targetPh", Unit.PH, Range.between(0, HIGHEST_TARGET), Need.REQUIRED),
                fields.numberOr("phHalfWidth", Unit.PH, Range.between(0, 3), 0),
                fields.flagOr("fromKit", false),
                fields.wordOr("landUse", List.of(LandUse.values()), LandUse.ARABLE),
                fields.word("textureGroup", List.of(TextureGroup.values()), Need.when("school", School.TEXTURE_FACTOR)),
                fields.number("organicMatterPct", Unit.PERCENT, Range.PERCENT, Need.OPTIONAL),
                fields.number("depthMm", Unit.MM, Layer.DEPTH_MM, Need.OPTIONAL),
                fields.numberOr("bulkDensity", Unit.T_PER_CUBIC_METRE, Layer.BULK_DENSITY, Layer.USUAL_DENSITY),
                fields.number(
                        "bufferCmolKgPerPh",
                        Unit.CMOL_PER_KG,
                        Range.between(0, 100),
                        Need.when("school", School.BUFFER_CAPACITY)),
                fields.number(
                        "bufferLimeTHa", Unit.T_PER_HA, Range.between(0, 1000), Need.when("school", School.BUFFER_PH)),
                fields.numberOr("neutralisingPct", Unit.PERCENT, Range.between(1, 200), 100),
                fields.numberOr("finenessPct", Unit.PERCENT, Range.between(1, 100), 100),
                fields.numberOr("moisturePct", Unit.PERCENT, Range.between(0, 99), 0),
                fields.numberOr("areaHa", Unit.HECTARE, Layer.AREA_HA, 1),
                fields.number("pricePerT", Unit.PER_TONNE, Layer.PRICE, Need.OPTIONAL),
                fields.text("crop", 60, Need.OPTIONAL));
    }

    @Override
    public List<String> ofProduct() {
        return List.of("neutralisingPct", "finenessPct", "moisturePct", "pricePerT");
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        Table rules = benchmarks.table("plan.lime");
        boolean pasture = in.landUse() == LandUse.PASTURE;
        double perPh = perPhUnit(in, pasture, benchmarks);
        double need = need(in, in.phWater(), perPh);
        double least = need(in, in.phWater() + in.phHalfWidth(), perPh);
        double most = need(in, in.phWater() - in.phHalfWidth(), perPh);
        double strength = in.neutralisingPct() / 100 * (in.finenessPct() / 100) * (1 - in.moisturePct() / 100);
        double product = need / strength;
        double largest = rules.at(pasture ? "most-on-grass" : "most-on-cultivated", "tPerHa");
        int passes = (int) Math.ceil(product / largest - ROUNDING);
        Evaluation.Builder out = Evaluation.of(id())
                .value("needTHa", need, Unit.T_PER_HA, least, most)
                .value("productTHa", product, Unit.T_PER_HA, least / strength, most / strength)
                .value("productT", product * in.areaHa(), Unit.TONNE)
                .value("passes", passes, Unit.NONE)
                .value("firstPassTHa", Math.min(product, largest), Unit.T_PER_HA)
                .value("years", Math.ceil(product / rules.at("most-in-a-year", "tPerHa") - ROUNDING), Unit.NONE);
        if (in.pricePerT() != null) {
            out.value("cost", product * in.areaHa() * in.pricePerT(), Unit.NONE);
        }
        out.working(
                        in.school() == School.BUFFER_PH ? "bufferNeed" : "needTHa",
                        Map.of("target", in.targetPh(), "ph", in.phWater(), "perPh", perPh, "need", need),
                        need,
                        Unit.T_PER_HA,
                        rules.source())
                .working(
                        "productTHa",
                        Map.of(
                                "need", need,
                                "nv", in.neutralisingPct(),
                                "fineness", in.finenessPct(),
                                "moisture", in.moisturePct()),
                        product,
                        Unit.T_PER_HA,
                        "Strength of the product as bought");
        notes(in, need, pasture, benchmarks, out);
        return out.build();
    }

    /** t/ha of calcium carbonate per unit of pH; 0 where the laboratory gives the need itself. */
    private static double perPhUnit(Inputs in, boolean pasture, Benchmarks benchmarks) {
        double usual = pasture ? 150 : 200;
        double depth = in.depthMm() == null ? usual : in.depthMm();
        return switch (in.school()) {
            case TEXTURE_FACTOR -> {
                Table factors = benchmarks.table("plan.lime-factor");
                boolean organic = in.organicMatterPct() != null
                        && in.organicMatterPct() > benchmarks.table("plan.lime").at("organic-over-pct", "tPerHa");
                String row = organic ? "organic" : in.textureGroup().code();
                yield factors.at(row, pasture ? "pasture" : "others") * depth / usual;
            }
            case BUFFER_CAPACITY ->
                in.bufferCmolKgPerPh() * CARBONATE_G_PER_CMOL * Layer.massKgHa(depth, in.bulkDensity()) / 1e6;
            case BUFFER_PH -> 0;
        };
    }

    /** Nothing at or over the target, whatever the school. */
    private static double need(Inputs in, double ph, double perPh) {
        if (ph >= in.targetPh()) {
            return 0;
        }
        return in.school() == School.BUFFER_PH ? in.bufferLimeTHa() : (in.targetPh() - ph) * perPh;
    }

    private static void notes(Inputs in, double need, boolean pasture, Benchmarks benchmarks, Evaluation.Builder out) {
        if (in.fromKit()) {
            out.note("LAB_FIRST", Severity.CAUTION);
        }
        if (in.neutralisingPct() < WEAK_PCT) {
            out.note("GIVEN_AS_OXIDE", Severity.CAUTION);
        }
        PhWindow window = PhWindow.of(in.crop(), in.landUse(), benchmarks.table("ph.windows"));
        if (in.targetPh() > window.high()) {
            out.note("OVERLIMING", Severity.CAUTION, Map.of("high", window.high(), "crop", window.crop()));
        }
        if (need <= 0) {
            out.note("NOTHING_NEEDED", Severity.INFO);
            return;
        }
        if (pasture) {
            out.note("SURFACE_LIME_MOVES_SLOWLY", Severity.INFO);
        }
        out.note("DUST_SAFETY", Severity.CAUTION);
    }
}
