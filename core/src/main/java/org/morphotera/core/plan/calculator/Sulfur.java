package org.morphotera.core.plan.calculator;

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
import org.morphotera.core.soil.TextureGroup;
import org.morphotera.core.soil.Unit;

/** Elemental sulfur to lower pH: by texture where there is no free lime; first 0.32 t per t of free lime where there is. */
final class Sulfur implements Calculator<Sulfur.Inputs> {

    record Inputs(
            Double phWater,
            Double phHalfWidth,
            Double targetPh,
            TextureGroup textureGroup,
            Double caco3Pct,
            Double depthMm,
            Double bulkDensity,
            Double areaHa,
            Double pricePerT) {}

    private static final double PER_LIME = 0.32;
    private static final double USUAL_DEPTH_MM = 150;

    @Override
    public String id() {
        return "sulfur";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.number("phWater", Unit.PH, Range.PH, Need.REQUIRED),
                fields.numberOr("phHalfWidth", Unit.PH, Range.between(0, 3), 0),
                fields.number("targetPh", Unit.PH, Range.PH, Need.REQUIRED),
                fields.word("textureGroup", List.of(TextureGroup.values()), Need.REQUIRED),
                fields.numberOr("caco3Pct", Unit.PERCENT, Range.PERCENT, 0),
                fields.numberOr("depthMm", Unit.MM, Layer.DEPTH_MM, USUAL_DEPTH_MM),
                fields.numberOr("bulkDensity", Unit.T_PER_CUBIC_METRE, Layer.BULK_DENSITY, Layer.USUAL_DENSITY),
                fields.numberOr("areaHa", Unit.HECTARE, Layer.AREA_HA, 1),
                fields.number("pricePerT", Unit.PER_TONNE, Layer.PRICE, Need.OPTIONAL));
    }

    @Override
    public List<String> ofProduct() {
        return List.of("pricePerT");
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        Table rates = benchmarks.table("plan.sulfur");
        double perPh = rates.at(in.textureGroup().code(), "kgPerHa");
        double change = Math.max(0, in.phWater() - in.targetPh());
        double lime = PER_LIME * Layer.massKgHa(in.depthMm(), in.bulkDensity()) * in.caco3Pct() / 100;
        double forLime = change > 0 ? lime : 0;
        double total = total(in, in.phWater(), perPh, lime);
        boolean hopeless = total > rates.at("hopeless-over", "kgPerHa");
        boolean unsure = in.phHalfWidth() > 0;
        Double least = unsure ? Double.valueOf(total(in, in.phWater() - in.phHalfWidth(), perPh, lime)) : null;
        Double most = unsure ? Double.valueOf(total(in, in.phWater() + in.phHalfWidth(), perPh, lime)) : null;
        Evaluation.Builder out = Evaluation.of(id());
        if (in.pricePerT() != null) {
            out.value("cost", total * in.areaHa() / 1000 * in.pricePerT(), Unit.NONE);
        }
        out.value("sulfurKgHa", total, Unit.KG_PER_HA, least, most)
                .value("forLimeKgHa", forLime, Unit.KG_PER_HA)
                .value("sulfurT", total * in.areaHa() / 1000, Unit.TONNE)
                .code("advice", change == 0 ? "not-needed" : hopeless ? "do-not" : "possible")
                .working(
                        "sulfurKgHa",
                        Map.of("change", change, "perPh", perPh, "depth", in.depthMm(), "lime", forLime),
                        total,
                        Unit.KG_PER_HA,
                        rates.source());
        if (change == 0) {
            return out.note("PH_NOT_OVER_TARGET", Severity.INFO).build();
        }
        return out.note(hopeless ? "SULFUR_HOPELESS" : "TEMPORARY", hopeless ? Severity.CAUTION : Severity.INFO)
                .note("DUST_SAFETY", Severity.CAUTION)
                .build();
    }

    /** What brings a pH down to the target, kg/ha: first the free lime, then the pH; nothing at or under the target. */
    private static double total(Inputs in, double ph, double perPh, double limeKgHa) {
        double change = ph - in.targetPh();
        return change <= 0 ? 0 : change * perPh * in.depthMm() / USUAL_DEPTH_MM + limeKgHa;
    }
}
