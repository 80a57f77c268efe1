package org.morphotera.training.trial;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.morphotera.core.CoreData;
import org.morphotera.core.method.FieldMethod;
import org.morphotera.core.soil.DepthLayer;
import org.morphotera.core.soil.SoilMoisture;
import org.morphotera.training.ground.MadeUpSoil;
import org.morphotera.training.ground.Scatter;
import org.morphotera.training.ground.SoilProperty;
import org.morphotera.training.method.Simulators;

/**
 * What instruments show on a made-up soil, by how water, salt and steel behave: water is let fall in small steps of
 * time, salt is thinned by the water that a paste would hold, steel meets more where it is dry. None of the engine's own
 * conversions is used. What is scored by eye comes from the methods' own made-up readings and is not here.
 */
final class Reader {

    private static final double STEP_MINUTES = 0.05;

    private final Day day;
    private final Random random;

    Reader(Day day, Random random) {
        this.day = day;
        this.random = random;
    }

    /** Any method: by instruments where they are here, else by the methods' own made-up readings. */
    Map<String, Object> any(FieldMethod<?> method, MadeUpSoil spot, DepthLayer layer, Scatter scatter) {
        return switch (method.card().id()) {
            case "ph" -> ph(spot);
            case "salinity" -> salinity(spot);
            case "penetration" -> penetration(spot);
            case "ring-infiltration" -> ring(spot, layer.topMm() >= DepthLayer.TOPSOIL_ENDS_MM);
            case "hole-drainage" -> hole(spot);
            case "earthworms" -> worms(spot);
            case "fizz" -> fizz(spot);
            case "crumb-stability" -> {
                Map<String, Object> crumbs = new LinkedHashMap<>(
                        Simulators.of(method).readings(spot, layer.topMm(), scatter, CoreData.BENCHMARKS));
                if (day.tapWater()) {
                    crumbs.put("water", "tap");
                }
                yield crumbs;
            }
            default -> Simulators.of(method).readings(spot, layer.topMm(), scatter, CoreData.BENCHMARKS);
        };
    }

    private double around(double value, double deviation) {
        return value + deviation * random.nextGaussian();
    }

    private static double to(double value, double step) {
        return Math.rint(value / step) * step;
    }

    private static double tenth(double value) {
        return Math.rint(value * 10) / 10;
    }

    /** A kit gives the two chips between which the colour lies; a meter a figure that drifts over the day. */
    Map<String, Object> ph(MadeUpSoil soil) {
        double top = soil.get(SoilProperty.PH);
        double deep = soil.get(SoilProperty.DEEP_PH);
        List<Map<String, Object>> layers = new ArrayList<>();
        int slices = day.phKit() && random.nextBoolean() ? 1 : 3;
        for (int i = 0; i < slices; i++) {
            double truth = i == 0 ? top : i == 1 ? (top + deep) / 2 : deep;
            Map<String, Object> layer = new LinkedHashMap<>();
            layer.put("topMm", 100 * i);
            layer.put("bottomMm", 100 * i + 100);
            if (day.phKit()) {
                double low = Math.floor(2 * around(truth, 0.3)) / 2;
                layer.put("chipLow", low);
                layer.put("chipHigh", low + 0.5);
            } else {
                layer.put("value", tenth(around(truth + day.phDrift(), 0.08)));
            }
            layers.add(layer);
        }
        return Map.of("kind", day.phKit() ? "vial-kit" : "meter-1to1", "layers", layers);
    }

    /** Salt of the paste's water, thinned to a slurry of equal weights; some comes into solution only then. */
    Map<String, Object> salinity(MadeUpSoil soil) {
        double pasteWater = switch (soil.texture().group()) {
            case COARSE -> 0.29;
            case MEDIUM -> 0.35;
            case FINE -> 0.40;
        };
        double here = around(1, 0.12) * soil.get(SoilProperty.ECE) * pasteWater + 0.03;
        List<Double> readings = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            readings.add(Math.max(0.01, Math.rint(100 * around(here, 0.03 * here)) / 100));
        }
        return Map.of("mode", "slurry-1to1", "readings", readings, "compensated", true);
    }

    /** Steel in soil: harder with depth and at the layer, much harder when dry, soft when wet. */
    private double kPa(double depthMm, double panMm, double place) {
        double moisture = day.moisture() == SoilMoisture.DRY ? 1.55 : day.moisture() == SoilMoisture.WET ? 0.75 : 1;
        double layer = panMm > 0 ? 1700 * Math.exp(-Math.pow((depthMm - panMm) / 55, 2)) : 0;
        return moisture * place * (520 + 1.7 * depthMm + layer);
    }

    Map<String, Object> penetration(MadeUpSoil soil) {
        List<Map<String, Object>> probes = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            double pan = soil.get(SoilProperty.PAN_DEPTH) > 0 ? around(soil.get(SoilProperty.PAN_DEPTH) + 25, 15) : 0;
            double place = Math.exp(0.1 * random.nextGaussian());
            probes.add(day.rod() ? push(pan, place) : gauge(pan, place));
        }
        return day.rod()
                ? Map.of("instrument", "rod", "probes", probes)
                : Map.of("instrument", "gauge", "tipDiameterMm", 12.7, "probes", probes);
    }

    private Map<String, Object> gauge(double pan, double place) {
        List<Map<String, Object>> readings = new ArrayList<>();
        Map<String, Object> probe = new LinkedHashMap<>();
        for (int depth = 75; depth <= 450; depth += 75) {
            double kPa = to(Math.max(0, around(kPa(depth, pan, place), 60)), 50);
            if (kPa > 4500) {
                probe.put("refusedAtMm", depth);
                break;
            }
            readings.add(Map.of("depthMm", depth, "kPa", kPa));
        }
        probe.put("readings", readings);
        return probe;
    }

    /** An arm feels about two megapascals as the end, give or take a fifth. */
    private Map<String, Object> push(double pan, double place) {
        double arm = 2000 * Math.exp(0.2 * random.nextGaussian());
        for (int depth = 20; depth <= 450; depth += 10) {
            if (kPa(depth, pan, place) > arm) {
                return Map.of("pushedToMm", depth, "stopsAtMm", depth);
            }
        }
        return Map.of("pushedToMm", 450);
    }

    /**
     * Rings: what goes straight down, what leaves sideways under a single ring's edge, and what dry soil sucks in at
     * first.
     */
    Map<String, Object> ring(MadeUpSoil soil, boolean at200) {
        double down = soil.get(at200 ? SoilProperty.INFILTRATION_AT_200 : SoilProperty.INFILTRATION);
        // soil.get is what a usual single ring of 150 mm shows; a wide or a double ring shows less
        double usual = 1 + 62 / (75 + 0.6 * 50);
        double sideways = day.doubleRing() ? 1.08 : 1 + 62 / (day.ringMm() / 2 + 0.6 * day.insertedMm());
        double lasting = down * sideways / usual * Math.exp(0.12 * random.nextGaussian());
        double suction = day.dry() ? 1.2 + 2.2 * random.nextDouble() : 0.3 + 0.7 * random.nextDouble();
        List<Map<String, Object>> runs = new ArrayList<>();
        double area = Math.PI * Math.pow(day.ringMm() / 2, 2);
        double volumeMl = Math.rint(area * 25 / 1000);
        int count = day.singleRun() ? 1 : 2;
        for (int run = 0; run < count; run++) {
            double rate = lasting * (1 + (run == 0 ? suction : 0.12 * suction));
            runs.add(Map.of("volumeMl", volumeMl, "seconds", Math.max(1, Math.rint(25 / rate * 3600))));
        }
        return Map.of(
                "ringDiameterMm",
                Math.rint(day.ringMm()),
                "insertedMm",
                Math.rint(day.insertedMm()),
                "depthLevel",
                at200 ? "at-200" : "surface",
                "runs",
                runs);
    }

    /** Water falls in a hole through its bottom and its wet wall; the first filling also wets the soil around. */
    Map<String, Object> hole(MadeUpSoil soil) {
        // soil.get is the lasting fall in a hole 220 mm wide when half full
        double conductivity =
                soil.get(SoilProperty.DRAINAGE) / (1 + 150 / 110.0) * Math.exp(0.1 * random.nextGaussian());
        double radius = day.augerMm() / 2;
        boolean presoaked = random.nextInt(5) > 0;
        double level = 270 + random.nextInt(25);
        double minute = 0;
        List<Map<String, Object>> points = new ArrayList<>();
        points.add(Map.of("minute", 0, "mm", level));
        double look = 10;
        double next = look;
        while (points.size() < 8 && minute < 400) {
            double thirst = (presoaked ? 0.15 : 1.6) * Math.exp(-minute / 40);
            level -= conductivity / 60 * (1 + thirst) * (1 + 2 * level / radius / 2) * STEP_MINUTES;
            minute += STEP_MINUTES;
            if (level < 8) {
                break;
            }
            if (minute >= next) {
                points.add(Map.of("minute", Math.rint(minute), "mm", Math.rint(around(level, 0.7))));
                look *= 1.35;
                next = Math.rint(minute + look);
            }
        }
        if (points.size() < 3) {
            return Map.of(
                    "mode",
                    "quick",
                    "holeDiameterMm",
                    Math.rint(day.augerMm()),
                    "startMm",
                    points.get(0).get("mm"),
                    "endMm",
                    8,
                    "minutes",
                    Math.max(0.5, Math.rint(minute * 10) / 10));
        }
        Map<String, Object> readings = new LinkedHashMap<>();
        readings.put("mode", "stepped");
        readings.put("holeDiameterMm", Math.rint(day.augerMm()));
        readings.put("holeDepthMm", 300);
        readings.put("presoaked", presoaked);
        readings.put("measure", "water-depth");
        readings.put("points", levelOrFalling(points));
        return readings;
    }

    private static List<Map<String, Object>> levelOrFalling(List<Map<String, Object>> points) {
        List<Map<String, Object>> falling = new ArrayList<>();
        double before = Double.MAX_VALUE;
        for (Map<String, Object> each : points) {
            double mm = Math.min(before, ((Number) each.get("mm")).doubleValue());
            falling.add(Map.of("minute", each.get("minute"), "mm", mm));
            before = mm;
        }
        return falling;
    }

    /** Worms clump: a gamma of places, a Poisson of each; fewer near the top when it is dry, hot or cold. */
    Map<String, Object> worms(MadeUpSoil soil) {
        double season = switch (day.season()) {
            case SPRING, AUTUMN -> 1;
            case SUMMER -> 0.6;
            case WINTER -> 0.7;
        };
        double mean = soil.get(SoilProperty.WORMS) * season * (day.dry() ? 0.45 : 1);
        List<Map<String, Object>> blocks = new ArrayList<>();
        int count = random.nextInt(3) == 0 ? 1 : 3;
        for (int i = 0; i < count; i++) {
            int worms = poisson(mean * Math.exp(0.35 * random.nextGaussian() - 0.06));
            int young = binomial(worms, 0.55);
            blocks.add(Map.of(
                    "lengthMm", 200, "widthMm", 200, "depthMm", 250, "adults", worms - young, "juveniles", young));
        }
        return Map.of("blocks", blocks);
    }

    private int poisson(double mean) {
        double limit = Math.exp(-mean);
        double product = random.nextDouble();
        int count = 0;
        while (product > limit) {
            product *= random.nextDouble();
            count++;
        }
        return count;
    }

    private int binomial(int n, double p) {
        int hits = 0;
        for (int i = 0; i < n; i++) {
            hits += random.nextDouble() < p ? 1 : 0;
        }
        return hits;
    }

    /** Vinegar foams on much lime only. */
    Map<String, Object> fizz(MadeUpSoil soil) {
        double lime = soil.get(SoilProperty.FIZZ) * (day.vinegar() ? 0.15 : 1);
        String seen = lime < 0.4 ? "nothing" : lime < 2 ? "few-bubbles" : lime < 10 ? "bubbling" : "low-foam";
        return Map.of("acid", day.vinegar() ? "vinegar" : "hcl-10", "seen", seen, "heard", lime < 0.4 ? "no" : "clear");
    }
}
