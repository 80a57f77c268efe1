package org.morphotera.core.chemistry;

import java.util.List;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.benchmark.Curve;
import org.morphotera.core.benchmark.Table;
import org.morphotera.core.soil.LandUse;
import org.morphotera.core.soil.TextureGroup;

/** How organic matter, %, stands for a land use and a texture, from the table {@code organic-matter}. */
public final class OrganicMatterCurve {

    private OrganicMatterCurve() {}

    /** Arable land of medium texture where one is {@code null}. */
    public static Curve of(LandUse landUse, TextureGroup textureGroup, Benchmarks benchmarks) {
        Table wanted = benchmarks.table("organic-matter");
        LandUse use = landUse == null ? LandUse.ARABLE : landUse;
        TextureGroup group = textureGroup == null ? TextureGroup.MEDIUM : textureGroup;
        String row = wanted.has(use.code() + "-" + group.code()) ? use.code() : "arable";
        double factor = row.equals(use.code()) ? 1 : wanted.at("gardens-over-arable", "low");
        double low = factor * wanted.at(row + "-" + group.code(), "low");
        double target = factor * wanted.at(row + "-" + group.code(), "target");
        return new Curve("organic-matter", List.of(0.0, low, target), List.of(0.0, 0.3, 1.0), wanted.source());
    }
}
