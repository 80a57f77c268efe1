package org.morphotera.core.method.aboveground.groundcover;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleSupplier;
import org.morphotera.core.method.aboveground.groundcover.GroundCover.Cover;
import org.morphotera.core.photo.Agreed;
import org.morphotera.core.photo.Lab;
import org.morphotera.core.photo.Otsu;
import org.morphotera.core.photo.PhotoReading;
import org.morphotera.core.photo.Picture;
import org.morphotera.core.photo.Spot;
import org.morphotera.core.photo.drawn.Drawn;
import org.morphotera.core.photo.drawn.Taken;
import org.morphotera.core.reading.Fields;
import org.morphotera.core.reading.Need;
import org.morphotera.core.reading.Range;
import org.morphotera.core.result.Evaluation;
import org.morphotera.core.result.Severity;
import org.morphotera.core.soil.Unit;
import org.morphotera.core.statistics.Sample;

/**
 * Ground cover at the points of a grid over a picture taken straight down. Living by excess green (Woebbecke and others,
 * 1995) over a threshold (Otsu, 1979); the rest by the likeness of its colour to places that were shown.
 */
public final class CoverPhoto implements PhotoReading<CoverPhoto.Inputs> {

    /** A place that was shown to be of a class. */
    public record Seed(Cover cover, Spot spot) {}

    /**
     * @param grid points across and down
     * @param seeds none: only living and not living are told apart
     */
    public record Inputs(Integer grid, List<Seed> seeds) {}

    private static final int USUAL_GRID = 10;
    private static final double DISC = 0.006;
    private static final double LEAST_THRESHOLD = 0.05;
    private static final double MOST_THRESHOLD = 0.20;

    /** Light of three channels under which a colour is no more than noise, of 765. */
    private static final int TOO_DARK = 30;

    /** How far on either side of the threshold greenness is in doubt. */
    private static final double GREEN_DOUBT = 0.015;

    /** Colours of one thing lie at least so far apart, in L*, a* and b*; less is chance of the few points of a seed. */
    private static final double[] LEAST_SCATTER = {4, 1.5, 2};

    /** What is surer than this is not asked about. */
    private static final double SURE = 0.75;

    /** Blocks a side, by which the light over the picture is followed. */
    private static final int BLOCKS = 12;

    private static final int FEWEST_OF_A_BLOCK = 30;

    @Override
    public String kind() {
        return "cover";
    }

    @Override
    public String method() {
        return "ground-cover";
    }

    @Override
    public Inputs read(Fields fields) {
        Integer grid = fields.count("grid", Range.between(5, 22), Need.OPTIONAL);
        fields.preset("grid", USUAL_GRID);
        List<Seed> seeds = fields.list(
                "seeds",
                Range.between(0, 60),
                Need.OPTIONAL,
                seed -> new Seed(seed.word("class", List.of(Cover.values()), Need.REQUIRED), Spot.read(seed)));
        return new Inputs(grid == null ? Integer.valueOf(USUAL_GRID) : grid, seeds == null ? List.of() : seeds);
    }

    @Override
    public Agreed agreed(Map<String, ?> proposed, Map<String, ?> recorded) {
        return Agreed.ofRows(proposed.get("points"), recorded.get("points"), Object::equals);
    }

    @Override
    public List<Drawn> draw(Map<String, ?> readings, Taken how, DoubleSupplier chance) {
        return List.of(Drawn.cover(
                share(readings, "litter"), share(readings, "stone"), share(readings, "living"), how, chance));
    }

    private static double share(Map<String, ?> readings, String code) {
        return readings.get("points") instanceof List<?> points
                ? (double) points.stream().filter(code::equals).count() / points.size()
                : PhotoReading.figure(readings, code + "Pct", 0) / 100;
    }

    @Override
    public Answer propose(Inputs inputs, List<Picture> pictures) {
        Picture picture = pictures.get(0);
        double[] green = new double[picture.size()];
        for (int i = 0; i < green.length; i++) {
            green[i] = greenness(picture.red(i), picture.green(i), picture.blue(i));
        }
        double found = Otsu.of(green, green.length, -0.5, 1).threshold();
        double threshold = Math.max(LEAST_THRESHOLD, Math.min(MOST_THRESHOLD, found));
        double[] shade = shade(picture, green, threshold);
        List<Kind> kinds = kinds(picture, inputs.seeds(), shade);

        int grid = inputs.grid();
        List<Map<String, Object>> points = new ArrayList<>();
        List<String> codes = new ArrayList<>();
        Map<Cover, Integer> counts = new EnumMap<>(Cover.class);
        int unsure = 0;
        for (int row = 0; row < grid; row++) {
            for (int column = 0; column < grid; column++) {
                double x = (column + 0.5) / grid;
                double y = (row + 0.5) / grid;
                Told told = look(picture, x, y, threshold, kinds, shade);
                counts.merge(told.cover(), 1, Integer::sum);
                unsure += told.sure() < SURE ? 1 : 0;
                codes.add(told.cover().code());
                Map<String, Object> point = new LinkedHashMap<>();
                point.put("x", x);
                point.put("y", y);
                point.put("class", told.cover().code());
                point.put("sure", told.sure());
                points.add(point);
            }
        }
        double each = 100.0 / (grid * grid);
        Evaluation.Builder out = Evaluation.of(method());
        for (Cover cover : Cover.values()) {
            out.value(cover.code() + "Pct", each * counts.getOrDefault(cover, 0), Unit.PERCENT);
        }
        out.value("unsurePct", each * unsure, Unit.PERCENT)
                .value("greenThreshold", threshold, Unit.NONE)
                .series("points", points);
        if (kinds.isEmpty()) {
            out.note("ONLY_LIVING_OR_NOT", Severity.CAUTION);
        }
        if (unsure * 4 > grid * grid) {
            out.note("MANY_UNSURE", Severity.CAUTION);
        }
        return new Answer.Proposed(out.build(), Map.of("points", codes));
    }

    /** Excess green 2g − r − b of the shares of the three channels. */
    private static double greenness(double red, double green, double blue) {
        double sum = red + green + blue;
        return sum < TOO_DARK ? 0 : (2 * green - red - blue) / sum;
    }

    private record Told(Cover cover, double sure) {}

    private static Told look(Picture picture, double x, double y, double threshold, List<Kind> kinds, double[] shade) {
        double column = x * picture.width();
        double row = y * picture.height();
        int[] disc = picture.disc(column, row, radius(picture));
        double red = 0;
        double green = 0;
        double blue = 0;
        for (int at : disc) {
            red += picture.red(at);
            green += picture.green(at);
            blue += picture.blue(at);
        }
        double over = (greenness(red / disc.length, green / disc.length, blue / disc.length) - threshold) / GREEN_DOUBT;
        double sureOfGreen = 1 / (1 + Math.exp(-Math.abs(over)));
        if (over > 0) {
            return new Told(Cover.LIVING, sureOfGreen);
        }
        if (kinds.isEmpty()) {
            return new Told(Cover.BARE, sureOfGreen);
        }
        double[] colour = mean(picture, disc, shade);
        Map<Cover, Double> likeness = new EnumMap<>(Cover.class);
        for (Kind kind : kinds) {
            likeness.merge(kind.cover(), kind.distance(colour), Math::min);
        }
        Cover nearest = null;
        double least = 0;
        for (Map.Entry<Cover, Double> entry : likeness.entrySet()) {
            if (nearest == null || entry.getValue() < least) {
                nearest = entry.getKey();
                least = entry.getValue();
            }
        }
        double others = 0;
        for (double distance : likeness.values()) {
            others += Math.exp((least - distance) / 2);
        }
        return new Told(nearest, sureOfGreen / others);
    }

    private static double radius(Picture picture) {
        return Math.max(1, DISC * picture.width() / 2);
    }

    /** Mean colour of some points, with the light made even. */
    private static double[] mean(Picture picture, int[] points, double[] shade) {
        double[] sum = new double[3];
        for (int at : points) {
            Lab lab = Lab.of(picture, at);
            sum[0] += lab.l() - light(picture, at, shade);
            sum[1] += lab.a();
            sum[2] += lab.b();
        }
        for (int i = 0; i < sum.length; i++) {
            sum[i] /= points.length;
        }
        return sum;
    }

    /** What a place that was shown looks like. */
    private record Kind(Cover cover, double[] mean, double[] scatter) {

        /** Twice the logarithm of how unlikely a colour is of this kind, but for a constant. */
        double distance(double[] colour) {
            double distance = 0;
            for (int i = 0; i < mean.length; i++) {
                double off = (colour[i] - mean[i]) / scatter[i];
                distance += off * off + 2 * Math.log(scatter[i]);
            }
            return distance;
        }
    }

    /** The seeds, each with its own colour, and the scatter of its class within the seeds and between them. */
    private static List<Kind> kinds(Picture picture, List<Seed> seeds, double[] shade) {
        Map<Cover, List<double[]>> means = new EnumMap<>(Cover.class);
        Map<Cover, double[]> within = new EnumMap<>(Cover.class);
        for (Seed seed : seeds) {
            int[] disc = picture.disc(picture.column(seed.spot()), picture.row(seed.spot()), 2 * radius(picture));
            double[] mean = mean(picture, disc, shade);
            means.computeIfAbsent(seed.cover(), cover -> new ArrayList<>()).add(mean);
            double[] squares = within.computeIfAbsent(seed.cover(), cover -> new double[3]);
            for (int at : disc) {
                Lab lab = Lab.of(picture, at);
                double[] off = {lab.l() - light(picture, at, shade) - mean[0], lab.a() - mean[1], lab.b() - mean[2]};
                for (int i = 0; i < off.length; i++) {
                    squares[i] += off[i] * off[i] / disc.length;
                }
            }
        }
        List<Kind> kinds = new ArrayList<>();
        means.forEach((cover, each) -> {
            double[] scatter = new double[3];
            for (int i = 0; i < scatter.length; i++) {
                // a disc's mean scatters less than its points, and those near each other are alike: a half
                double own = Math.sqrt(within.get(cover)[i] / each.size()) / 2;
                scatter[i] = Math.max(LEAST_SCATTER[i], Math.hypot(own, between(each, i) / 2));
            }
            each.forEach(mean -> kinds.add(new Kind(cover, mean, scatter)));
        });
        return kinds;
    }

    /** Standard deviation of one channel over the means of seeds; 0 of one seed. */
    private static double between(List<double[]> means, int channel) {
        return Sample.of(means.stream().map(mean -> mean[channel]).toList()).standardDeviation();
    }

    // The light over the picture

    /** How much lighter a point lies than the picture's middle lightness, by the smooth surface. */
    private static double light(Picture picture, int at, double[] surface) {
        double x = 2.0 * (at % picture.width()) / picture.width() - 1;
        double y = 2.0 * (at / picture.width()) / picture.height() - 1;
        double[] terms = terms(x, y);
        double sum = 0;
        for (int i = 0; i < terms.length; i++) {
            sum += surface[i] * terms[i];
        }
        return sum;
    }

    /** A surface of the second order, without its constant: it must not move the whole picture. */
    private static double[] terms(double x, double y) {
        return new double[] {x, y, x * x - 1.0 / 3, x * y, y * y - 1.0 / 3};
    }

    /**
     * The smooth lightness over what is not living: the medians of blocks, by least squares that count blocks less which
     * lie far off (Tukey's biweight), since stones and straw are light too.
     */
    private static double[] shade(Picture picture, double[] green, double threshold) {
        List<double[]> blocks = new ArrayList<>();
        double[] seen = new double[(picture.width() / BLOCKS + 2) * (picture.height() / BLOCKS + 2)];
        for (int row = 0; row < BLOCKS; row++) {
            for (int column = 0; column < BLOCKS; column++) {
                int n = 0;
                for (int y = row * picture.height() / BLOCKS; y < (row + 1) * picture.height() / BLOCKS; y += 2) {
                    for (int x = column * picture.width() / BLOCKS;
                            x < (column + 1) * picture.width() / BLOCKS;
                            x += 2) {
                        int at = y * picture.width() + x;
                        if (green[at] <= threshold) {
                            seen[n++] = Lab.lightness(picture, at);
                        }
                    }
                }
                if (n >= FEWEST_OF_A_BLOCK) {
                    Arrays.sort(seen, 0, n);
                    double x = 2 * (column + 0.5) / BLOCKS - 1;
                    double y = 2 * (row + 0.5) / BLOCKS - 1;
                    blocks.add(new double[] {x, y, seen[n / 2]});
                }
            }
        }
        return Surface.through(blocks, CoverPhoto::terms);
    }
}
