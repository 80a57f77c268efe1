package org.morphotera.training.method;

import java.util.LinkedHashMap;
import java.util.Map;
import org.morphotera.core.benchmark.Benchmarks;
import org.morphotera.core.method.block.texturefeel.TextureFeel;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.core.soil.TextureGroup;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;

/** What {@link TextureFeel} reads on a made-up soil. */
final class TextureFeelSimulator implements Simulator {

    @Override
    public Map<String, Object> readings(MadeUpSoil soil, double topMm, Scatter scatter, Benchmarks benchmarks) {
        TextureClass texture = soil.texture();
        Map<String, Object> readings = new LinkedHashMap<>();
        readings.put("key", "ribbon");
        readings.put("formsBall", texture != TextureClass.SAND);
        if (texture == TextureClass.SAND) {
            return readings;
        }
        readings.put("formsRibbon", texture != TextureClass.LOAMY_SAND);
        if (texture == TextureClass.LOAMY_SAND) {
            return readings;
        }
        boolean clayey = texture.code().endsWith("clay");
        int shortest =
                clayey ? 54 : texture.group() == TextureGroup.FINE || texture == TextureClass.SANDY_CLAY_LOAM ? 30 : 12;
        readings.put("ribbonMm", shortest + scatter.random().nextInt(11));
        readings.put(
                "feel",
                texture.code().startsWith("sand")
                        ? "gritty"
                        : texture.code().startsWith("silt") ? "smooth" : "neither");
        return readings;
    }
}
