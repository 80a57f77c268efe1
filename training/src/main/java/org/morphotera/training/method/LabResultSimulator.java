package org.morphotera.training.method;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.chemistry.labresult.LabResult;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;

/** What {@link LabResult} reads on a made-up soil. */
final class LabResultSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double cec = soil.get(SoilProperty.CEC);
        List<Map<String, Object>> analytes = new ArrayList<>(List.of(
                analyte("ph-water", soil.get(SoilProperty.PH), 1, "pH"),
                analyte("organic-matter", soil.get(SoilProperty.ORGANIC), 1, "%"),
                analyte("cec", cec, 1, "cmol/kg"),
                analyte("ex-ca", cec * 0.68, 1, "cmol/kg"),
                analyte("ex-mg", cec * 0.16, 1, "cmol/kg"),
                analyte("ex-k", cec * 0.03, 2, "cmol/kg")));
        if (!soil.sodiumUnknown()) {
            analytes.add(analyte("ex-na", cec * soil.get(SoilProperty.ESP) / 100, 2, "cmol/kg"));
        }
        return Map.of("analytes", analytes);
    }

    private static Map<String, Object> analyte(String code, double value, int decimals, String unit) {
        return Map.of("code", code, "value", Scatter.rounded(value, decimals), "unit", unit);
    }
}
