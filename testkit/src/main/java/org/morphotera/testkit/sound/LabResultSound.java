package org.morphotera.testkit.sound;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.method.chemistry.labresult.LabResult;

/** Random readings of {@link LabResult} without what its checks refuse. */
final class LabResultSound implements SoundReadings {

    @Override
    public void makeSound(Map<String, Object> tree, Random random) {
        Map<String, String> units = Map.ofEntries(
                Map.entry("ph-water", "pH"),
                Map.entry("ph-cacl2", "pH"),
                Map.entry("organic-matter", "%"),
                Map.entry("ece", "dS/m"),
                Map.entry("buffer-ph", "t/ha"));
        Map<Object, Map<String, Object>> byCode = new LinkedHashMap<>();
        for (Map<String, Object> analyte : SoundTrees.groups(tree, "analytes")) {
            String code = (String) analyte.get("code");
            boolean exchangeable = code.startsWith("ex-") || code.equals("cec");
            analyte.put("unit", units.getOrDefault(code, exchangeable ? "cmol/kg" : "mg/kg"));
            analyte.put("value", 14 * random.nextDouble());
            byCode.put(code, analyte);
        }
        tree.put("analytes", new ArrayList<>(byCode.values()));
    }
}
