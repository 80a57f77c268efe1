package org.morphotera.core.photo.drawn;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleSupplier;
import org.morphotera.core.photo.Picture;

/**
 * A picture with what is true of it.
 *
 * @param rgb points from the top left, eight bits each of red, green and blue
 * @param inputs what would be said of it: places as shares of width and height
 * @param truth figures by name
 */
public record Drawn(int width, int height, int[] rgb, Map<String, Object> inputs, Map<String, Object> truth) {

    private static final int WIDE = 640;
    private static final int HIGH = 480;

    /** As the core looks at it. */
    public Picture picture() {
        return Picture.of(width, height, i -> rgb[i]);
    }

    // Cover

    private static final double[] SOIL = Canvas.srgb(112, 84, 60);
    private static final double[] STRAW = Canvas.srgb(205, 180, 126);
    private static final double[] GRIT = Canvas.srgb(150, 150, 152);
    private static final double[] LEAF = Canvas.srgb(88, 132, 50);
    private static final String[] CLASSES = {"bare", "litter", "stone", "living"};

    /**
     * Ground from straight above.
     *
     * @param shares of litter, stone and living, 0..1 each; what is under nothing is bare
     * @return truth {@code points}: classes at a grid of 10 by 10; inputs {@code seeds}: three places of each class
     */
    public static Drawn cover(double litter, double stone, double living, Taken how, DoubleSupplier chance) {
        Canvas canvas = new Canvas(WIDE, HIGH, chance);
        byte[] what = new byte[WIDE * HIGH];
        for (int y = 0; y < HIGH; y++) {
            for (int x = 0; x < WIDE; x++) {
                double crumbs = 0.7 + 0.4 * canvas.uneven(x, y, 9) + 0.3 * canvas.uneven(x, y, 2.5);
                canvas.set(x, y, SOIL, crumbs);
            }
        }
        double[] wanted = {0, litter, stone, living};
        double[][] colours = {SOIL, STRAW, GRIT, LEAF};
        for (int kind = 1; kind < CLASSES.length; kind++) {
            // what is drawn later lies over some of what was before
            double over = 1;
            for (int later = kind + 1; later < CLASSES.length; later++) {
                over -= wanted[later];
            }
            double until = Math.min(1, wanted[kind] / Math.max(over, 0.01));
            int seen = 0;
            for (int tries = 0; seen < until * what.length && tries < 6000; tries++) {
                seen += piece(canvas, what, kind, colours[kind]);
            }
        }
        List<Object> points = new ArrayList<>();
        for (int i = 0; i < 100; i++) {
            int x = (int) ((i % 10 + 0.5) / 10 * WIDE);
            int y = (int) ((i / 10 + 0.5) / 10 * HIGH);
            points.add(CLASSES[what[y * WIDE + x]]);
        }
        List<Object> seeds = new ArrayList<>();
        for (int kind = 0; kind < CLASSES.length - 1; kind++) {
            int found = 0;
            for (int tries = 0; found < 3 && tries < 4000; tries++) {
                int x = (int) canvas.between(12, WIDE - 12);
                int y = (int) canvas.between(12, HIGH - 12);
                if (isAll(what, x, y, 4, kind)) {
                    found++;
                    Map<String, Object> seed = spot((x + 0.5) / WIDE, (y + 0.5) / HIGH);
                    seed.put("class", CLASSES[kind]);
                    seeds.add(seed);
                }
            }
        }
        Map<String, Object> inputs = new LinkedHashMap<>();
        inputs.put("seeds", seeds);
        return new Drawn(WIDE, HIGH, canvas.taken(how), inputs, new LinkedHashMap<>(Map.of("points", points)));
    }

    private static boolean isAll(byte[] what, int x, int y, int reach, int kind) {
        for (int dy = -reach; dy <= reach; dy++) {
            for (int dx = -reach; dx <= reach; dx++) {
                if (what[(y + dy) * WIDE + x + dx] != kind) {
                    return false;
                }
            }
        }
        return true;
    }

    /** A straw, a stone or a leaf; how many points more are of its class now. */
    private static int piece(Canvas canvas, byte[] what, int kind, double[] colour) {
        double x0 = canvas.between(0, WIDE);
        double y0 = canvas.between(0, HIGH);
        double turn = canvas.between(0, Math.PI);
        double[] longest = {0, canvas.between(25, 80), canvas.between(8, 26), canvas.between(12, 40)};
        double[] narrow = {0, canvas.between(3, 6), longest[2] * canvas.between(0.6, 1), longest[3] * 0.4};
        double a = longest[kind];
        double b = narrow[kind];
        double tone = canvas.between(0.75, 1.15);
        int more = 0;
        int reach = (int) Math.ceil(a);
        for (int y = (int) y0 - reach; y <= y0 + reach; y++) {
            for (int x = (int) x0 - reach; x <= x0 + reach; x++) {
                if (x < 0 || y < 0 || x >= WIDE || y >= HIGH) {
                    continue;
                }
                double u = ((x - x0) * Math.cos(turn) + (y - y0) * Math.sin(turn)) / a;
                double v = ((y - y0) * Math.cos(turn) - (x - x0) * Math.sin(turn)) / b;
                boolean in = kind == 1 ? Math.abs(u) <= 1 && Math.abs(v) <= 1 : u * u + v * v <= 1;
                if (in) {
                    canvas.set(x, y, colour, tone * (0.85 + 0.3 * canvas.uneven(x, y, 5)));
                    if (what[y * WIDE + x] != kind) {
                        what[y * WIDE + x] = (byte) kind;
                        more++;
                    }
                }
            }
        }
        return more;
    }

    // Jar

    private static final double[][] LAYERS = {
        Canvas.srgb(168, 140, 98), Canvas.srgb(126, 98, 70), Canvas.srgb(148, 112, 84), Canvas.srgb(205, 198, 182)
    };
    private static final double[] ROOM = Canvas.srgb(92, 98, 96);

    /**
     * A settled jar in front of a dull wall.
     *
     * @param sandMm tops of the three layers over the bottom, rising; {@code waterMm} over them
     */
    public static Drawn jar(
            double sandMm, double siltMm, double clayMm, double waterMm, Taken how, DoubleSupplier chance) {
        int wide = 480;
        int high = 640;
        Canvas canvas = new Canvas(wide, high, chance);
        double left = 150;
        double right = 330;
        double foot = 600;
        double top = 70;
        double scale = (foot - top) / waterMm;
        double lean = Math.tan(Math.toRadians(how.tilt() * canvas.between(-1, 1)));
        double[] tones = {canvas.between(0.9, 1.1), canvas.between(0.9, 1.1), canvas.between(0.9, 1.1), 1};
        double shine = canvas.between(left + 25, right - 25);
        for (int y = 0; y < high; y++) {
            for (int x = 0; x < wide; x++) {
                double[] colour = ROOM;
                double factor = 1 + 0.1 * canvas.uneven(x, y, 60);
                if (x > left && x < right && y < foot && y > top - 30) {
                    double mm = (foot - y - 0.5 + lean * (x - (left + right) / 2)) / scale;
                    double wave = 0.8 * (canvas.uneven(x, 7, 30) - 0.5);
                    int layer = mm < sandMm + wave ? 0 : mm < siltMm + wave ? 1 : mm < clayMm + wave ? 2 : 3;
                    colour = y < top ? ROOM : LAYERS[layer];
                    // rounded glass: darker to the sides
                    double side = (x - left) / (right - left) * 2 - 1;
                    factor = tones[layer] * (1 - 0.35 * side * side) * (0.94 + 0.12 * canvas.uneven(x, y, 2));
                }
                canvas.set(x, y, colour, factor);
                if (x > left && x < right && Math.abs(x - shine) < 7 && y < foot) {
                    for (int channel = 0; channel < 3; channel++) {
                        canvas.light[channel][y * wide + x] += how.glare();
                    }
                }
            }
        }
        Map<String, Object> inputs = new LinkedHashMap<>();
        inputs.put("bottom", spot(0.5, foot / high));
        inputs.put("waterTop", spot(0.5, top / high));
        inputs.put("waterColumnMm", waterMm);
        Taken rest = new Taken(how.noise(), how.shade(), 0, 0, how.blur(), how.warmth());
        Map<String, Object> truth = new LinkedHashMap<>();
        truth.put("sandMm", sandMm);
        truth.put("siltMm", siltMm);
        truth.put("clayMm", clayMm);
        return new Drawn(wide, high, canvas.taken(rest), inputs, truth);
    }

    // Colour

    /**
     * Moist soil beside a grey card of 18 %.
     *
     * @param value of the soil, 1..9
     * @param chroma of the soil, 0..8; {@code hueAngle} in degrees of CIE 1976 L*a*b*
     */
    public static Drawn colour(double value, double chroma, double hueAngle, Taken how, DoubleSupplier chance) {
        int wide = 480;
        int high = 360;
        Canvas canvas = new Canvas(wide, high, chance);
        double luminance =
                value * (1.1914 + value * (-0.22533 + value * (0.23352 + value * (-0.020484 + value * 0.00081939))));
        double l = luminance > 0.8856 ? 116 * Math.cbrt(luminance / 100) - 16 : 9.033 * luminance;
        double strength = 5.5 * chroma;
        double[] soil = Canvas.linear(
                l, strength * Math.cos(Math.toRadians(hueAngle)), strength * Math.sin(Math.toRadians(hueAngle)));
        double[] grey = {0.18, 0.18, 0.18};
        double exposure = canvas.between(0.9, 1.6);
        for (int y = 0; y < high; y++) {
            for (int x = 0; x < wide; x++) {
                boolean card = x > 300 && x < 420 && y > 90 && y < 270;
                double grains = 0.88 + 0.16 * canvas.uneven(x, y, 4) + 0.08 * canvas.uneven(x, y, 1.7);
                canvas.set(x, y, card ? grey : soil, exposure * (card ? 1 : grains));
            }
        }
        Map<String, Object> inputs = new LinkedHashMap<>();
        inputs.put("grey", spot(0.75, 0.5));
        inputs.put("soil", spot(0.3, 0.5));
        Taken rest = new Taken(how.noise(), how.shade(), 0, 0, how.blur(), how.warmth());
        Map<String, Object> truth = new LinkedHashMap<>();
        truth.put("value", value);
        truth.put("chroma", chroma);
        truth.put("hueAngle", hueAngle);
        return new Drawn(wide, high, canvas.taken(rest), inputs, truth);
    }

    // Crumbs

    /**
     * A white dish with crumbs, before and after.
     *
     * @param ratios area after over before of each crumb, 1..2.5; at most six
     * @param cloud how much light the water has lost, 0..1
     */
    public static List<Drawn> crumbs(double[] ratios, double cloud, Taken how, DoubleSupplier chance) {
        List<Drawn> both = new ArrayList<>();
        double[] sizes = new double[ratios.length];
        double[] phases = new double[ratios.length];
        for (int i = 0; i < sizes.length; i++) {
            sizes[i] = 16 + 8 * chance.getAsDouble();
            phases[i] = 6 * chance.getAsDouble();
        }
        for (int when = 0; when < 2; when++) {
            Canvas canvas = new Canvas(480, 480, chance);
            double[] dish = Canvas.srgb(228, 228, 224);
            double[] crumb = Canvas.srgb(78, 56, 40);
            double dim = when == 0 ? 1 : 1 - cloud;
            for (int y = 0; y < 480; y++) {
                for (int x = 0; x < 480; x++) {
                    boolean inside = Math.hypot(x - 240, y - 240) < 200;
                    canvas.set(x, y, inside ? dish : ROOM, inside ? dim * (0.98 + 0.03 * canvas.uneven(x, y, 40)) : 1);
                }
            }
            for (int i = 0; i < ratios.length; i++) {
                double angle = 2 * Math.PI * i / ratios.length;
                double x0 = 240 + 115 * Math.cos(angle);
                double y0 = 240 + 115 * Math.sin(angle);
                double size = sizes[i] * (when == 0 ? 1 : Math.sqrt(ratios[i]));
                for (int y = (int) (y0 - 60); y < y0 + 60; y++) {
                    for (int x = (int) (x0 - 60); x < x0 + 60; x++) {
                        double around = Math.atan2(y - y0, x - x0);
                        double edge =
                                size * (1 + 0.12 * Math.sin(3 * around + phases[i]) + 0.06 * Math.sin(7 * around));
                        if (Math.hypot(x - x0, y - y0) < edge) {
                            canvas.set(x, y, crumb, 0.8 + 0.5 * canvas.uneven(x, y, 4));
                        }
                    }
                }
            }
            Taken rest = new Taken(how.noise(), how.shade() / 2, 0, 0, how.blur(), how.warmth());
            Map<String, Object> ring = spot(0.5, 0.5);
            ring.put("radius", 0.41);
            Map<String, Object> inputs = new LinkedHashMap<>(Map.of("dish", ring));
            List<Object> listed = new ArrayList<>();
            for (double ratio : ratios) {
                listed.add(ratio);
            }
            Map<String, Object> truth = new LinkedHashMap<>(Map.of("ratios", listed, "cloud", cloud));
            both.add(new Drawn(480, 480, canvas.taken(rest), inputs, truth));
        }
        return both;
    }

    private static Map<String, Object> spot(double x, double y) {
        Map<String, Object> spot = new LinkedHashMap<>();
        spot.put("x", x);
        spot.put("y", y);
        return spot;
    }
}
