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
import org.morphotera.core.soil.Unit;

/**
 * Compost or mulch by depth: volume, the nitrogen it supplies or locks up (35 % of its carbon goes into microbes of a
 * carbon to nitrogen ratio of 8), and what stays as organic matter.
 */
final class OrganicMatter implements Calculator<OrganicMatter.Inputs> {

    record Inputs(
            Double thicknessMm,
            Double areaHa,
            Double freshDensityKgM3,
            Double dryMatterPct,
            Double carbonPctDm,
            Double cnRatio,
            Double organicPctDm,
            Double retainedPct,
            Double soilDepthMm,
            Double bulkDensity,
            Double pricePerT) {}

    @Override
    public String id() {
        return "organic-matter";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.number("thicknessMm", Unit.MM, Range.above(0, 1000), Need.REQUIRED),
                fields.numberOr("areaHa", Unit.HECTARE, Layer.AREA_HA, 1),
                fields.numberOr("freshDensityKgM3", Unit.KG_PER_CUBIC_METRE, Range.between(20, 2000), 500),
                fields.numberOr("dryMatterPct", Unit.PERCENT, Range.PERCENT, 60),
                fields.numberOr("carbonPctDm", Unit.PERCENT, Range.PERCENT, 30),
                fields.number("cnRatio", Unit.RATIO, Range.between(1, 1000), Need.REQUIRED),
                fields.numberOr("organicPctDm", Unit.PERCENT, Range.PERCENT, 50),
                fields.numberOr("retainedPct", Unit.PERCENT, Range.PERCENT, 20),
                fields.numberOr("soilDepthMm", Unit.MM, Layer.DEPTH_MM, 150),
                fields.numberOr("bulkDensity", Unit.T_PER_CUBIC_METRE, Layer.BULK_DENSITY, Layer.USUAL_DENSITY),
                fields.number("pricePerT", Unit.PER_TONNE, Layer.PRICE, Need.OPTIONAL));
    }

    @Override
    public List<String> ofProduct() {
        return List.of("freshDensityKgM3", "dryMatterPct", "carbonPctDm", "cnRatio", "organicPctDm", "pricePerT");
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        Table rules = benchmarks.table("plan.organic-matter");
        double freshKgHa = in.thicknessMm() / 1000 * 10_000 * in.freshDensityKgM3();
        double dryKgHa = freshKgHa * in.dryMatterPct() / 100;
        double carbonKgHa = dryKgHa * in.carbonPctDm() / 100;
        double share = rules.at("assimilated-share", "value");
        double microbial = rules.at("microbial-cn", "value");
        double nitrogen = carbonKgHa * share / microbial - carbonKgHa / in.cnRatio();
        double rise = 100
                * dryKgHa
                * in.organicPctDm()
                / 100
                * in.retainedPct()
                / 100
                / Layer.massKgHa(in.soilDepthMm(), in.bulkDensity());
        Evaluation.Builder out = Evaluation.of(id())
                .value("volumeM3", in.thicknessMm() / 1000 * in.areaHa() * 10_000, Unit.CUBIC_METRE)
                .value("freshTHa", freshKgHa / 1000, Unit.T_PER_HA)
                .value("nitrogenToAddKgHa", nitrogen, Unit.KG_PER_HA)
                .value("organicMatterRisePct", rise, Unit.PERCENT)
                .working(
                        "nitrogenToAddKgHa",
                        Map.of("carbon", carbonKgHa, "share", share, "microbial", microbial, "cn", in.cnRatio()),
                        nitrogen,
                        Unit.KG_PER_HA,
                        rules.source())
                .working(
                        "organicMatterRisePct",
                        Map.of("dry", dryKgHa, "organic", in.organicPctDm(), "retained", in.retainedPct()),
                        rise,
                        Unit.PERCENT,
                        "Share that stays, over the mass of the layer");
        if (in.pricePerT() != null) {
            out.value("cost", freshKgHa / 1000 * in.areaHa() * in.pricePerT(), Unit.NONE);
        }
        if (nitrogen > 0) {
            out.note("LOCKS_NITROGEN", Severity.CAUTION, Map.of("nitrogen", nitrogen));
        }
        return out.note("MANURE_SAFETY", Severity.INFO).build();
    }
}
