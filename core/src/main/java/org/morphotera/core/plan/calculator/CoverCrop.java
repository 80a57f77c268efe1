package org.morphotera.core.plan.calculator;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
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
import org.morphotera.core.soil.Season;
import org.morphotera.core.soil.Unit;

/** Cover and break species ranked by what limits a field; traits in the table {@code cover.species}. */
final class CoverCrop implements Calculator<CoverCrop.Inputs> {

    /** What a cover should answer. */
    enum Aim implements Coded {
        LAYER,
        CRUMBS,
        SALT,
        ACID,
        NITROGEN,
        CATCH_NITROGEN,
        WATERLOGGING,
        EROSION
    }

    /** How long it may stay. */
    enum Stay implements Coded {
        SHORT,
        WINTER,
        YEARS
    }

    record Inputs(
            List<Aim> aims,
            @Nullable Season season,
            Boolean frost,
            @Nullable String following,
            @Nullable Double phWater,
            @Nullable Double ece,
            Boolean wet,
            @Nullable Stay stay,
            @Nullable String without) {}

    private static final double SOWN_OUT_OF_SEASON = 0.4;

    @Override
    public String id() {
        return "cover-crop";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.words(
                        "aims", List.of(Aim.values()), false, Range.between(1, Aim.values().length), Need.REQUIRED),
                fields.word("season", List.of(Season.values()), Need.OPTIONAL),
                fields.flagOr("frost", false),
                fields.text("following", 60, Need.OPTIONAL),
                fields.number("phWater", Unit.PH, Range.PH, Need.OPTIONAL),
                fields.number("ece", Unit.DS_PER_M, Range.EC, Need.OPTIONAL),
                fields.flagOr("wet", false),
                fields.word("stay", List.of(Stay.values()), Need.OPTIONAL),
                fields.text("without", 400, Need.OPTIONAL));
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        Table species = benchmarks.table("cover.species");
        CoverGround ground = new CoverGround(in, benchmarks);
        List<Map<String, Object>> rows = new ArrayList<>();
        for (String name : species.rows().keySet()) {
            double fit = 0;
            List<String> why = new ArrayList<>();
            for (Aim aim : in.aims()) {
                double trait = species.at(name, aim.code());
                fit += trait / 3;
                if (trait >= 2) {
                    why.add(aim.code());
                }
            }
            fit /= in.aims().size();
            if (in.season() != null && species.at(name, in.season().code()) == 0) {
                fit *= SOWN_OUT_OF_SEASON;
                why.add("out-of-season");
            }
            if (in.frost() && species.at(name, "hardy") == 0) {
                why.add("killed-by-frost");
            }
            if (ground.carriesOver(name)) {
                fit = 0;
                why.add("same-family-follows");
            }
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("species", name);
            row.put("fit", fit);
            row.put("why", String.join(" ", why));
            rows.add(row);
        }
        rows.sort(Comparator.comparingDouble((Map<String, Object> row) -> -(Double) row.get("fit"))
                .thenComparing(row -> (String) row.get("species")));
        List<String> mixture = CoverMixture.of(in, ground, species);
        Evaluation.Builder out = Evaluation.of(id());
        if (mixture.size() < CoverMixture.LEAST) {
            out.note("NO_MIXTURE", Severity.CAUTION);
        }
        return out.code("best", (String) rows.get(0).get("species"))
                .series("ranking", rows)
                .series(
                        "mixture",
                        mixture.stream()
                                .map(name -> Map.<String, Object>of("species", name))
                                .toList())
                .working(
                        "fit",
                        Map.of(
                                "species",
                                rows.get(0).get("species"),
                                "n",
                                in.aims().size()),
                        (Double) rows.get(0).get("fit"),
                        Unit.NONE,
                        species.source())
                .note("LOCAL_SEED_ADVICE", Severity.INFO)
                .build();
    }
}
