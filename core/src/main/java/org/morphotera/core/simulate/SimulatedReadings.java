package org.morphotera.core.simulate;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.soil.TextureClass;
import org.morphotera.core.soil.TextureGroup;

/** Readings as an advisor would write them down, with the scatter they have, from what a made-up soil is. */
public final class SimulatedReadings {

    private static final int HOLE_DEPTH_MM = 300;

    private final Random random;

    public SimulatedReadings(Random random) {
        this.random = random;
    }

    private double scattered(double value, double deviation) {
        return value + deviation * random.nextGaussian();
    }

    private double scattered(double value, double deviation, double low, double high) {
        return Math.max(low, Math.min(high, scattered(value, deviation)));
    }

    private static double toStep(double value, double step) {
        return Math.round(value / step) * step;
    }

    private static double rounded(double value, int decimals) {
        double power = Math.pow(10, decimals);
        return Math.rint(value * power) / power;
    }

    public Map<String, Object> cover(double coverPct) {
        long bare = Math.round(100 - scattered(coverPct, 4, 2, 100));
        long litter = Math.round((100 - bare) * 0.3);
        long stone = Math.min(3, 100 - bare - litter);
        return Map.of(
                "livingPct", 100 - bare - litter - stone, "litterPct", litter, "stonePct", stone, "barePct", bare);
    }

    public Map<String, Object> surfaceLife(double groups) {
        String[] names = {"beetle", "spider", "ant", "springtail", "snail", "woodlouse", "centipede"};
        Map<String, Object> counts = new LinkedHashMap<>();
        int found = (int) Math.round(scattered(groups, 0.6, 1, names.length));
        for (int i = 0; i < found; i++) {
            counts.put(names[i], 1 + random.nextInt(6));
        }
        return Map.of("quadratAreaM2", 0.25, "counts", counts);
    }

    public Map<String, Object> leaves(double vigour) {
        List<String> signs = vigour > 1.2
                ? List.of("even-green")
                : vigour > 0.9 ? List.of("pale-old-leaves") : List.of("pale-old-leaves", "stunted");
        return Map.of("signs", signs, "where", "crop");
    }

    public Map<String, Object> sward(double vigour) {
        return Map.of(
                "greenPct", Math.round(scattered(48 + 18 * vigour, 3, 20, 96)),
                "deadPct", Math.round(scattered(32 - 13 * vigour, 2, 2, 60)),
                "cloverPct", Math.round(scattered(4 + 13 * vigour, 2, 0, 55)),
                "speciesCount", (int) Math.round(scattered(3.5 + 2 * vigour, 0.6, 1, 12)));
    }

    public Map<String, Object> sap(double vigour) {
        return Map.of("brixPct", rounded(scattered(5 + 3 * vigour, 0.6), 1), "sapPh", rounded(scattered(6.2, 0.15), 1));
    }

    /** Three pushes; harder with depth, and at the pan, where there is one. */
    public Map<String, Object> probe(double strength, double panDepth, boolean dry) {
        List<Map<String, Object>> probes = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            double pan = panDepth > 0 ? scattered(panDepth, 18) : 0;
            double harder = (dry ? 1.35 : 1) * scattered(1, 0.05);
            List<Map<String, Object>> readings = new ArrayList<>();
            for (int depth = 75; depth <= 450; depth += 75) {
                double kPa = (strength * 0.55 + strength * 0.5 * depth / 450) * harder;
                if (pan > 0) {
                    kPa += 1900 * Math.exp(-Math.pow((depth - pan - 35) / 60, 2));
                }
                readings.add(Map.of("depthMm", depth, "kPa", toStep(scattered(kPa, 50, 50, 5000), 10)));
            }
            probes.add(Map.of("readings", readings));
        }
        return Map.of("tipDiameterMm", 12.7, "probes", probes);
    }

    /** Two runs of 444 mL in a ring of 150 mm: 25 mm of water each. */
    public Map<String, Object> ring(double rate, String level) {
        double second = 25 / scattered(rate, 0.12 * rate, 0.6, 900) * 3600;
        double first = second * scattered(0.55, 0.08, 0.3, 0.8);
        return Map.of(
                "ringDiameterMm",
                150,
                "depthLevel",
                level,
                "runs",
                List.of(
                        Map.of("volumeMl", 442, "seconds", (int) Math.max(5, first)),
                        Map.of("volumeMl", 442, "seconds", (int) Math.max(8, second))));
    }

    /** A stepped hole: a fast first wetting that settles to the lasting rate, read at uneven times. */
    public Map<String, Object> hole(double lastingRate) {
        List<Map<String, Object>> points = new ArrayList<>();
        double level = 270 + random.nextInt(20);
        int minute = 0;
        points.add(point(minute, level));
        for (int i = 0; i < 5 && level > 40; i++) {
            double rate = lastingRate * (1 + 1.6 * Math.exp(-1.3 * i)) * scattered(1, 0.05);
            int wait = (int) Math.max(7, Math.min(70, 14 / rate * 60 + random.nextInt(9) + 8 * i));
            double next = Math.max(0, Math.rint(level - rate * wait / 60));
            if (next < 5) {
                break;
            }
            minute += wait;
            level = next;
            points.add(point(minute, level));
        }
        if (points.size() < 3) {
            points.add(point(minute + 6, Math.max(0, level - Math.rint(lastingRate / 10))));
        }
        Map<String, Object> readings = new LinkedHashMap<>();
        readings.put("mode", "stepped");
        readings.put("holeDiameterMm", 220);
        readings.put("holeDepthMm", HOLE_DEPTH_MM);
        readings.put("presoaked", random.nextInt(8) > 0);
        readings.put("measure", "water-depth");
        readings.put("points", points);
        return readings;
    }

    private static Map<String, Object> point(int minute, double mm) {
        return Map.of("minute", minute, "mm", mm);
    }

    /** What the fingers would say of a class by the ribbon key. */
    public Map<String, Object> feel(TextureClass texture) {
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
        readings.put("ribbonMm", shortest + random.nextInt(11));
        readings.put(
                "feel",
                texture.code().startsWith("sand")
                        ? "gritty"
                        : texture.code().startsWith("silt") ? "smooth" : "neither");
        return readings;
    }

    /** A jar with the shares in the middle of a class. */
    public Map<String, Object> jar(double sandPct, double siltPct) {
        double total = 58 + random.nextInt(8);
        double sand = rounded(total * sandPct / 100, 0);
        double silt = rounded(total * siltPct / 100, 0);
        return Map.of(
                "sandMm",
                Math.max(2, sand),
                "siltMm",
                Math.max(2, sand) + Math.max(2, silt),
                "clayMm",
                Math.max(total, Math.max(2, sand) + Math.max(2, silt) + 2),
                "waterColumnMm",
                150,
                "waterTempC",
                16,
                "sandMarkSeconds",
                75,
                "siltMarkSeconds",
                46_000,
                "clayMarkSeconds",
                176_000,
                "dispersant",
                true,
                "waterClearAtEnd",
                true);
    }

    public Map<String, Object> structure(double score) {
        double upper = toStep(scattered(score - 0.3, 0.2, 1, 5), 0.5);
        double lower = toStep(scattered(score + 0.3, 0.2, 1, 5), 0.5);
        return Map.of(
                "key",
                "spade-block",
                "layers",
                List.of(Map.of("thicknessMm", 110, "score", upper), Map.of("thicknessMm", 90, "score", lower)));
    }

    public Map<String, Object> bySight(double score) {
        return Map.of("score", toStep(scattered(score, 0.2, 0, 2), 0.5));
    }

    public Map<String, Object> mottles(double pct, double grey) {
        long total = Math.round(scattered(pct, 1.5, 0, 60));
        long ofGrey = Math.min(total, Math.round(scattered(grey, 1, 0, 40)));
        long black = total > 12 ? 2 : 0;
        return Map.of("rustPct", Math.max(0, total - ofGrey - black), "blackPct", black, "greyPct", ofGrey);
    }

    public Map<String, Object> colour(double paler) {
        double value = toStep(scattered(3 + paler, 0.2, 2, 6), 0.5);
        return Map.of(
                "sample",
                Map.of("hue", "10YR", "value", value, "chroma", 2),
                "moist",
                true,
                "reference",
                Map.of("hue", "10YR", "value", 3, "chroma", 2, "moist", true, "sameSoil", true));
    }

    /** Three blocks; worms clump, so the scatter between blocks is wider than a Poisson count's. */
    public Map<String, Object> worms(double perBlock) {
        List<Map<String, Object>> blocks = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            int count = (int) Math.round(scattered(perBlock, 0.7 * Math.sqrt(perBlock) + 0.12 * perBlock, 0, 60));
            blocks.add(Map.of(
                    "lengthMm",
                    200,
                    "widthMm",
                    200,
                    "depthMm",
                    250,
                    "adults",
                    count / 3,
                    "juveniles",
                    count - count / 3));
        }
        return Map.of("blocks", blocks);
    }

    public Map<String, Object> roots(double share, String crop, double expectedMm, double panDepth, String landUse) {
        double depth = toStep(scattered(share, 0.05, 0.05, 1.2) * expectedMm, 5);
        Map<String, Object> readings = new LinkedHashMap<>();
        readings.put("eightyPctDepthMm", depth);
        readings.put("deepestMm", toStep(depth * scattered(1.35, 0.08, 1.05, 1.8), 5));
        readings.put("barrier", panDepth > 0 ? "flat-line" : share < 0.42 ? "water" : "none");
        readings.put("bent", panDepth > 0);
        readings.put("crop", crop);
        if (landUse.equals("pasture")) {
            readings.put("legume", true);
            readings.put("nodules", share > 0.7 ? "many" : "few");
        }
        return readings;
    }

    public Map<String, Object> pit(String texture, SimulatedPit soil) {
        double[] tops = {0, 250, 450, 700, 1000};
        List<Map<String, Object>> horizons = new ArrayList<>();
        for (int i = 0; i + 1 < tops.length; i++) {
            Map<String, Object> horizon = new LinkedHashMap<>();
            horizon.put("topMm", tops[i]);
            horizon.put("bottomMm", tops[i + 1]);
            horizon.put("textureClass", texture);
            horizon.put("structure", Math.min(5, toStep(soil.structure() + 0.3 * i, 0.5)));
            horizon.put("ph", rounded((i < 2 ? soil.ph() : soil.deepPh()) - 0.7, 1));
            horizon.put("ece", rounded(soil.ece() * (0.8 + 0.15 * i), 1));
            horizon.put("greyPct", i < 2 ? 0 : Math.round(soil.grey() * i));
            boolean pan = soil.panDepth() > 0 && i == 1;
            horizon.put("kPa", pan ? 2600 : 1200 + 120 * i);
            horizon.put("roots", i == 0 ? "many" : pan ? "few" : i == 1 ? "common" : "few");
            horizon.put("moisture", i == 3 && soil.grey() > 5 ? "saturated" : i > 1 ? "moist" : soil.topMoisture());
            horizons.add(horizon);
        }
        return Map.of("depthMm", 1000, "benched", true, "horizons", horizons);
    }

    /** Six to eight crumbs that hold with a chance that grows with the glue, and cloud with a chance of its own. */
    public Map<String, Object> crumbs(double glue, double cloud) {
        List<Map<String, Object>> crumbs = new ArrayList<>();
        int count = 6 + random.nextInt(3);
        for (int i = 0; i < count; i++) {
            Map<String, Object> crumb = new LinkedHashMap<>();
            double strength = scattered(glue, 0.14);
            if (strength < 0.35) {
                crumb.put("slake", "under-60s");
                crumb.put("collapseSeconds", 8 + random.nextInt(50));
            } else {
                crumb.put("slake", strength < 0.52 ? "gentle-swirl" : strength < 0.68 ? "strong-swirl" : "holds");
            }
            double drift = scattered(cloud, 0.13);
            String seen = drift > 0.62 ? "strong" : drift > 0.36 ? "faint" : "none";
            crumb.put("cloud10", seen);
            if (!seen.equals("none")) {
                crumb.put("cloud30", seen);
            }
            crumb.put("stone", random.nextInt(20) == 0);
            crumbs.add(crumb);
        }
        return Map.of("water", "rain", "airDry", true, "crumbs", crumbs);
    }

    public Map<String, Object> slump(double glue) {
        String outcome = glue > 0.72 ? "keeps-shape" : glue > 0.52 ? "softens" : glue > 0.38 ? "slumps" : "splatters";
        return Map.of("clods", List.of(Map.of("label", "here", "dryAtStart", true, "minutes", 5, "outcome", outcome)));
    }

    /** A meter in three slices. */
    public Map<String, Object> ph(double top, double deep) {
        double[] wanted = {top, top + (deep - top) * 0.4, deep};
        double[] tops = {0, 100, 200, 300};
        List<Map<String, Object>> layers = new ArrayList<>();
        double here = 0.08 * random.nextGaussian();
        for (int i = 0; i < wanted.length; i++) {
            layers.add(Map.of(
                    "topMm", tops[i], "bottomMm", tops[i + 1], "value", rounded(scattered(wanted[i] + here, 0.04), 1)));
        }
        return Map.of("kind", "meter-1to1", "layers", layers);
    }

    public Map<String, Object> fizz(double caco3Pct) {
        String seen =
                caco3Pct < 0.5 ? "nothing" : caco3Pct < 2 ? "few-bubbles" : caco3Pct < 10 ? "bubbling" : "low-foam";
        return Map.of("acid", "hcl-10", "seen", seen, "heard", caco3Pct < 0.5 ? "no" : "clear");
    }

    /** Three readings of a slurry of one part soil and one part water. */
    public Map<String, Object> salt(double ece, TextureGroup group, double ph) {
        double ec = group == TextureGroup.FINE
                ? (ece + 0.95) / 2.96
                : (ece + (group == TextureGroup.COARSE ? 0.06 : 0.77)) / 3.01;
        double here = scattered(ec, 0.05 * ec, 0.02, 60);
        List<Double> readings = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            readings.add(rounded(scattered(here, 0.02 * here, 0.01, 60), 2));
        }
        return Map.of(
                "mode",
                "slurry-1to1",
                "readings",
                readings,
                "compensated",
                true,
                "zeroChecked",
                true,
                "ph",
                rounded(ph, 1));
    }

    public Map<String, Object> kit(double n, double p, double k) {
        return Map.of(
                "n", toStep(scattered(n, 0.3, 0, 4), 0.5),
                "p", toStep(scattered(p, 0.3, 0, 4), 0.5),
                "k", toStep(scattered(k, 0.3, 0, 4), 0.5));
    }

    /** A laboratory's report of a composite sample. */
    /** @param esp {@code null} where the laboratory was not asked for sodium */
    public Map<String, Object> lab(double ph, double organic, double cec, Double esp) {
        List<Map<String, Object>> analytes = new ArrayList<>(List.of(
                analyte("ph-water", rounded(ph, 1), "pH"),
                analyte("organic-matter", rounded(organic, 1), "%"),
                analyte("cec", rounded(cec, 1), "cmol/kg"),
                analyte("ex-ca", rounded(cec * 0.68, 1), "cmol/kg"),
                analyte("ex-mg", rounded(cec * 0.16, 1), "cmol/kg"),
                analyte("ex-k", rounded(cec * 0.03, 2), "cmol/kg")));
        if (esp != null) {
            analytes.add(analyte("ex-na", rounded(cec * esp / 100, 2), "cmol/kg"));
        }
        return Map.of("analytes", analytes);
    }

    private static Map<String, Object> analyte(String code, double value, String unit) {
        return Map.of("code", code, "value", value, "unit", unit);
    }

    public Map<String, Object> breath(double co2) {
        return Map.of("co2MgKgDay", rounded(scattered(co2, 0.1 * co2, 1, 400), 0), "hours", 24, "incubationTempC", 21);
    }

    public Map<String, Object> biomass(double ugCPerG) {
        return Map.of(
                "ugCPerG",
                rounded(scattered(ugCPerG, 0.08 * ugCPerG, 20, 2000), 0),
                "minutesSinceDrops",
                1.5,
                "settleMinutes",
                21);
    }

    public Map<String, Object> temperatures(double soilTempC) {
        return Map.of(
                "areas",
                List.of(
                        Map.of("label", "bare", "cover", "bare", "tempC", rounded(soilTempC + 1.5, 1)),
                        Map.of("label", "cover", "cover", "canopy", "tempC", rounded(soilTempC, 1))));
    }
}
