package org.morphotera.core.plan.calculator;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.calculator.Calculator;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Coded;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureGroup;
import org.morphotera.core.soil.Unit;

/** What a crop needs of a nutrient less what a soil that is short of it still gives, in passes. */
final class NutrientNeed implements Calculator<NutrientNeed.Inputs> {

    /** Told as the element, not as its oxide. */
    enum Nutrient implements Coded {
        NITROGEN,
        PHOSPHORUS,
        POTASSIUM,
        MAGNESIUM
    }

    record Inputs(
            Nutrient nutrient,
            @Nullable String crop,
            @Nullable LandUse landUse,
            @Nullable Double needKgHa,
            @Nullable TextureGroup textureGroup,
            Boolean salty,
            @Nullable Double contentPct,
            Double areaHa,
            @Nullable Double pricePerT) {}

    private static final double KG_PER_T = 1000;

    @Override
    public String id() {
        return "nutrient-need";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.word("nutrient", List.of(Nutrient.values()), Need.REQUIRED),
                fields.text("crop", 60, Need.OPTIONAL),
                fields.word("landUse", List.of(LandUse.values()), Need.OPTIONAL),
                fields.number("needKgHa", Unit.KG_PER_HA, Range.between(0, 1000), Need.OPTIONAL),
                fields.word("textureGroup", List.of(TextureGroup.values()), Need.OPTIONAL),
                fields.flagOr("salty", false),
                fields.number("contentPct", Unit.PERCENT, Range.between(1, 100), Need.OPTIONAL),
                fields.numberOr("areaHa", Unit.HECTARE, Layer.AREA_HA, 1),
                fields.number("pricePerT", Unit.PER_TONNE, Layer.PRICE, Need.OPTIONAL));
    }

    @Override
    public List<String> ofProduct() {
        return List.of("contentPct", "pricePerT");
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        Table needs = benchmarks.table("plan.nutrient-need");
        Table supply = benchmarks.table("plan.nutrient-supply");
        String column = in.nutrient().code();
        double need = in.needKgHa() == null ? needs.at(row(in, needs), column) : in.needKgHa();
        double amount = need * (1 - supply.at("gives-likely", column) / 100);
        double least = need * (1 - supply.at("gives-high", column) / 100);
        double most = need * (1 - supply.at("gives-low", column) / 100);
        boolean sparing = in.textureGroup() == TextureGroup.COARSE || in.salty();
        double atOnce = supply.at(sparing ? "most-at-once-on-sand" : "most-at-once", column);
        double passes = Math.ceil(amount / atOnce);
        Evaluation.Builder out = Evaluation.of(id())
                .code("nutrient", column)
                .value("nutrientKgHa", amount, Unit.KG_PER_HA, least, most)
                .value("passes", passes, Unit.NONE)
                .value("passKgHa", passes == 0 ? 0 : amount / passes, Unit.KG_PER_HA)
                .value("nutrientT", amount * in.areaHa() / KG_PER_T, Unit.TONNE)
                .working(
                        "nutrientKgHa",
                        Map.of("need", need, "gives", supply.at("gives-likely", column)),
                        amount,
                        Unit.KG_PER_HA,
                        needs.source());
        if (in.contentPct() != null) {
            double share = in.contentPct() / 100;
            out.value("productKgHa", amount / share, Unit.KG_PER_HA, least / share, most / share);
            if (in.pricePerT() != null) {
                out.value("cost", amount / share / KG_PER_T * in.areaHa() * in.pricePerT(), Unit.NONE);
            }
        }
        if (amount == 0) {
            out.note("NOTHING_NEEDED", Severity.INFO);
        } else if (sparing) {
            out.note("SMALL_AND_OFTEN", Severity.INFO);
        }
        return out.note("LOCAL_TABLES_RULE", Severity.INFO).build();
    }

    /** The crop's own row, else that of its land use, else one for crops in general. */
    private static String row(Inputs in, Table needs) {
        if (in.crop() != null && needs.has(in.crop())) {
            return in.crop();
        }
        return in.landUse() != null && needs.has(in.landUse().code())
                ? in.landUse().code()
                : "general";
    }
}
