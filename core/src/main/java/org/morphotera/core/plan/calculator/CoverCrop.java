package org.morphotera.core.plan.calculator;

import java.util.ArrayList;
import java.util.Comparator;
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

    record Inputs(List<Aim> aims, Season season, Boolean frost, String following) {}

    /** A species that belongs to the crop that follows carries that crop's diseases over. */
    private static final List<String> BRASSICAS = List.of("oilseed", "cabbage", "broccoli");

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
                fields.text("following", 60, Need.OPTIONAL));
    }

    @Override
    public Evaluation evaluate(Inputs in, Benchmarks benchmarks) {
        Table species = benchmarks.table("cover.species");
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
            if (in.following() != null && BRASSICAS.contains(in.following()) && species.at(name, "brassica") > 0) {
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
        return Evaluation.of(id())
                .code("best", (String) rows.get(0).get("species"))
                .series("ranking", rows)
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
