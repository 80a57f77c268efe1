package org.morphotera.core;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.DoubleSupplier;
import org.morphotera.core.method.block.colour.ColourPhoto;
import org.morphotera.core.photo.drawn.Drawn;
import org.morphotera.core.photo.drawn.Taken;

/** Pictures of what a test reads, drawn: for sample data, and for a soil that is made up. */
public final class PhotoScenes {

    private static final double USUAL_WATER_MM = 150;
    private static final int MOST_CRUMBS = 6;
    private static final double HOLDS = 1.04;
    private static final double SPREADS_PARTLY = 1.45;
    private static final double SPREADS = 2.2;

    /** Light that the water has lost, by its cloud. */
    private static final Map<String, Double> CLOUDS = Map.of("none", 0.0, "faint", 0.14, "strong", 0.4);

    private static final Set<String> OF_ITSELF = Set.of("under-60s", "within-10min");

    private PhotoScenes() {}

    /**
     * @param kind of the reading from pictures
     * @param readings of its method, as they would be recorded; what is missing is drawn as usual
     * @param chance evenly in 0..1; the same draws the same
     * @return a picture; of crumbs one before they were wetted, and one after ten minutes
     * @throws IllegalArgumentException when there is no such kind
     */
    public static List<Drawn> draw(String kind, Map<String, ?> readings, Taken how, DoubleSupplier chance) {
        return switch (kind) {
            case "cover" ->
                List.of(Drawn.cover(
                        share(readings, "litterPct", "litter"),
                        share(readings, "stonePct", "stone"),
                        share(readings, "livingPct", "living"),
                        how,
                        chance));
            case "jar" -> List.of(jar(readings, how, chance));
            case "colour" -> List.of(colour(readings, how, chance));
            case "crumbs" -> crumbs(readings, how, chance);
            default -> throw new IllegalArgumentException("no reading from pictures " + kind);
        };
    }

    private static double share(Map<String, ?> readings, String name, String code) {
        if (readings.get("points") instanceof List<?> points) {
            return (double) points.stream().filter(code::equals).count() / points.size();
        }
        return figure(readings, name, 0) / 100;
    }

    private static Drawn jar(Map<String, ?> readings, Taken how, DoubleSupplier chance) {
        double water = figure(readings, "waterColumnMm", USUAL_WATER_MM);
        double sand = figure(readings, "sandMm", 0.12 * water);
        double silt = figure(readings, "siltMm", sand + 0.1 * water);
        double clay = figure(readings, "clayMm", silt + 0.06 * water);
        return Drawn.jar(sand, silt, clay, water, how, chance);
    }

    private static Drawn colour(Map<String, ?> readings, Taken how, DoubleSupplier chance) {
        Map<?, ?> sample = readings.get("sample") instanceof Map<?, ?> chip ? chip : Map.of();
        return Drawn.colour(
                figure(sample, "value", 4),
                figure(sample, "chroma", 3),
                ColourPhoto.hueAngle(String.valueOf(sample.get("hue"))),
                how,
                chance);
    }

    private static List<Drawn> crumbs(Map<String, ?> readings, Taken how, DoubleSupplier chance) {
        List<?> crumbs = readings.get("crumbs") instanceof List<?> list ? list : List.of();
        double[] ratios = new double[Math.max(1, Math.min(MOST_CRUMBS, crumbs.size()))];
        double cloud = 0;
        for (int i = 0; i < ratios.length; i++) {
            Map<?, ?> crumb = i < crumbs.size() && crumbs.get(i) instanceof Map<?, ?> each ? each : Map.of();
            boolean fell = OF_ITSELF.contains(String.valueOf(crumb.get("slake")));
            ratios[i] = !fell ? HOLDS : Boolean.TRUE.equals(crumb.get("partly")) ? SPREADS_PARTLY : SPREADS;
            cloud = Math.max(cloud, CLOUDS.getOrDefault(String.valueOf(crumb.get("cloud10")), 0.0));
        }
        return Drawn.crumbs(ratios, cloud, how, chance);
    }

    private static double figure(Map<?, ?> tree, String name, double otherwise) {
        return tree.get(name) instanceof Number figure ? figure.doubleValue() : otherwise;
    }
}
