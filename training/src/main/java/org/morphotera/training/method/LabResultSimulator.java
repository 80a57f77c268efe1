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

    /** What a laboratory finds for each step of a kit, at the middle of what soils hold. */
    private static final double P_PER_STEP = 7;

    private static final double EX_K_PER_STEP = 0.19;
    private static final double EX_MG_PER_STEP = 0.4;

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        double cec = soil.get(SoilProperty.CEC);
        List<Map<String, Object>> analytes = new ArrayList<>(List.of(
                analyte("ph-water", soil.get(SoilProperty.PH), 1, "pH"),
                analyte("organic-matter", soil.get(SoilProperty.ORGANIC), 1, "%"),
                analyte("cec", cec, 1, "cmol/kg"),
                analyte("ex-ca", cec * 0.68, 1, "cmol/kg"),
                analyte("ex-mg", EX_MG_PER_STEP * soil.get(SoilProperty.MG), 2, "cmol/kg"),
                analyte("ex-k", EX_K_PER_STEP * soil.get(SoilProperty.K), 2, "cmol/kg"),
                analyte("p", P_PER_STEP * soil.get(SoilProperty.P), 1, "mg/kg")));
        if (!soil.sodiumUnknown()) {
            analytes.add(analyte("ex-na", cec * soil.get(SoilProperty.ESP) / 100, 2, "cmol/kg"));
        }
        return Map.of("analytes", analytes);
    }

    private static Map<String, Object> analyte(String code, double value, int decimals, String unit) {
        return Map.of("code", code, "value", Scatter.rounded(value, decimals), "unit", unit);
    }
}
