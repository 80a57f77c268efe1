package org.morphotera.core.method.block.texturejar;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleSupplier;
import org.morphotera.core.photo.Agreed;
import org.morphotera.core.photo.Lab;
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
import org.morphotera.core.soil.Numbers;
import org.morphotera.core.soil.Unit;

/**
 * The three lines of a settled jar, from its colours along the line from its bottom to the top of its water: the cut into
 * four stretches of even colour that leaves the least sum of squares, found exactly by dynamic programming (Bellman and
 * Roth, 1969).
 */
public final class JarPhoto implements PhotoReading<JarPhoto.Inputs> {

    /**
     * @param bottom where the inside of the bottom is
     * @param waterTop where the water ends
     * @param waterColumnMm height of the water between them, mm
     */
    public record Inputs(Spot bottom, Spot waterTop, Double waterColumnMm) {}

    private static final List<String> LINES = List.of("sandMm", "siltMm", "clayMm");

    /** A line is put to the half of a millimetre. */
    private static final double SAME_MM = 0.5;

    private static final double USUAL_WATER_MM = 150;
    private static final int PARTS = 4;
    private static final int CUTS = PARTS - 1;
    private static final double BAND = 0.03;
    private static final double THINNEST_MM = 2;
    private static final double COST_RISES = 1.05;

    /** A line shorter than this holds too few points for four stretches; points of the reduced picture. */
    private static final int SHORTEST = 60;

    private static final int MOST_SAMPLES = 700;

    /** Glare is so light, so colourless, and so much lighter than what lies beside it at the same height. */
    private static final double GLARE_L = 85;

    private static final double GLARE_CHROMA = 14;
    private static final double GLARE_OVER = 10;

    /** A cut that parts colours which lie nearer, or takes less of the sum of squares beside it, may be none. */
    private static final double FAINT = 3;

    private static final double LITTLE_GAIN = 0.25;

    @Override
    public String kind() {
        return "jar";
    }

    @Override
    public String method() {
        return "texture-jar";
    }

    @Override
    public Inputs read(Fields fields) {
        return new Inputs(
                fields.group("bottom", Need.REQUIRED, Spot::read),
                fields.group("waterTop", Need.REQUIRED, Spot::read),
                fields.number("waterColumnMm", Unit.MM, Range.between(20, 5000), Need.REQUIRED));
    }

    @Override
    public Agreed agreed(Map<String, ?> proposed, Map<String, ?> recorded) {
        return Agreed.ofFigures(proposed, recorded, LINES, SAME_MM);
    }

    @Override
    public List<Drawn> draw(Map<String, ?> readings, Taken how, DoubleSupplier chance) {
        double water = PhotoReading.figure(readings, "waterColumnMm", USUAL_WATER_MM);
        double sand = PhotoReading.figure(readings, "sandMm", 0.12 * water);
        double silt = PhotoReading.figure(readings, "siltMm", sand + 0.1 * water);
        double clay = PhotoReading.figure(readings, "clayMm", silt + 0.06 * water);
        return List.of(Drawn.jar(sand, silt, clay, water, how, chance));
    }

    @Override
    public Answer propose(Inputs inputs, List<Picture> pictures) {
        Picture picture = pictures.get(0);
        double x0 = picture.column(inputs.bottom());
        double y0 = picture.row(inputs.bottom());
        double dx = picture.column(inputs.waterTop()) - x0;
        double dy = picture.row(inputs.waterTop()) - y0;
        double length = Math.hypot(dx, dy);
        if (length < SHORTEST) {
            return PhotoReading.refused("waterTop", "LINE_TOO_SHORT");
        }
        int n = (int) Math.min(MOST_SAMPLES, Math.floor(length));
        double[][] colours = new double[n][];
        for (int i = 0; i < n; i++) {
            double along = (i + 0.5) / n;
            colours[i] = across(picture, x0 + along * dx, y0 + along * dy, -dy / length, dx / length, BAND * length);
        }
        double column = inputs.waterColumnMm();
        int least = (int) Math.max(1, Math.ceil(THINNEST_MM * n / column));
        if (PARTS * least > n) {
            return PhotoReading.refused("waterColumnMm", "LINE_TOO_SHORT");
        }
        Squares squares = new Squares(colours);
        if (squares.cost(0, n) / n < 1) {
            return PhotoReading.refused("image", "NO_LINES");
        }
        double[][] up = best(squares, n, least, false);
        double[][] down = best(squares, n, least, true);
        int[] cuts = cuts(squares, up, n, least);
        double total = up[PARTS][n];

        Evaluation.Builder out = Evaluation.of(method());
        Map<String, Object> readings = new LinkedHashMap<>();
        StringBuilder unsure = new StringBuilder();
        for (int cut = 0; cut < CUTS; cut++) {
            int low = cuts[cut];
            while (low > 0 && up[cut + 1][low - 1] + down[CUTS - cut][low - 1] <= COST_RISES * total) {
                low--;
            }
            int high = cuts[cut];
            while (high < n && up[cut + 1][high + 1] + down[CUTS - cut][high + 1] <= COST_RISES * total) {
                high++;
            }
            double mm = column * cuts[cut] / n;
            out.value(LINES.get(cut), mm, Unit.MM, column * low / n, column * high / n);
            readings.put(LINES.get(cut), Numbers.significant(mm, 4));
            int from = cut == 0 ? 0 : cuts[cut - 1];
            int to = cut == CUTS - 1 ? n : cuts[cut + 1];
            if (faint(squares, from, cuts[cut], to)) {
                unsure.append(unsure.length() == 0 ? "" : ", ").append(cut + 1);
            }
        }
        readings.put("waterColumnMm", column);
        if (unsure.length() > 0) {
            out.note("LINES_UNSURE", Severity.CAUTION, Map.of("lines", unsure.toString()));
        }
        return new Answer.Proposed(out.build(), readings);
    }

    private static boolean faint(Squares squares, int from, int cut, int to) {
        double apart = 0;
        for (int channel = 0; channel < 3; channel++) {
            double step = squares.mean(channel, from, cut) - squares.mean(channel, cut, to);
            apart += step * step;
        }
        double without = squares.cost(from, to);
        double gain = without - squares.cost(from, cut) - squares.cost(cut, to);
        return Math.sqrt(apart) < FAINT || gain < LITTLE_GAIN * without;
    }

    /** Mean colour across the line at one height, glare left out. */
    private static double[] across(Picture picture, double x, double y, double sideX, double sideY, double half) {
        int reach = (int) Math.max(1, Math.floor(half));
        Lab[] seen = new Lab[2 * reach + 1];
        double[] lightness = new double[seen.length];
        for (int i = -reach; i <= reach; i++) {
            seen[i + reach] = Lab.of(picture, picture.at(x + i * sideX, y + i * sideY));
            lightness[i + reach] = seen[i + reach].l();
        }
        Arrays.sort(lightness);
        // the lower quartile: glare may lie over half of what is seen
        double usual = lightness[lightness.length / 4];
        double[] sum = new double[3];
        int n = 0;
        for (Lab lab : seen) {
            if (lab.l() > GLARE_L && lab.chroma() < GLARE_CHROMA && lab.l() > usual + GLARE_OVER) {
                continue;
            }
            sum[0] += lab.l();
            sum[1] += lab.a();
            sum[2] += lab.b();
            n++;
        }
        for (int i = 0; i < sum.length; i++) {
            sum[i] /= n;
        }
        return sum;
    }

    /** Sums of squares about the mean of any stretch, from running sums. */
    private static final class Squares {

        private final double[][] sums;
        private final double[] squares;

        Squares(double[][] colours) {
            sums = new double[3][colours.length + 1];
            squares = new double[colours.length + 1];
            for (int i = 0; i < colours.length; i++) {
                squares[i + 1] = squares[i];
                for (int channel = 0; channel < 3; channel++) {
                    double each = colours[i][channel];
                    sums[channel][i + 1] = sums[channel][i] + each;
                    squares[i + 1] += each * each;
                }
            }
        }

        double mean(int channel, int from, int to) {
            return (sums[channel][to] - sums[channel][from]) / (to - from);
        }

        double cost(int from, int to) {
            double cost = squares[to] - squares[from];
            for (double[] channel : sums) {
                double sum = channel[to] - channel[from];
                cost -= sum * sum / (to - from);
            }
            return Math.max(0, cost);
        }
    }

    /**
     * Least cost of so many stretches of the samples before a place, or from it on.
     *
     * @return by number of stretches, then by place 0..n; infinite where there is no room
     */
    private static double[][] best(Squares squares, int n, int least, boolean fromTop) {
        double[][] best = new double[PARTS + 1][n + 1];
        for (double[] row : best) {
            Arrays.fill(row, Double.POSITIVE_INFINITY);
        }
        best[0][fromTop ? n : 0] = 0;
        for (int parts = 1; parts <= PARTS; parts++) {
            for (int place = 0; place <= n; place++) {
                int room = fromTop ? n - place : place;
                if (parts == 1) {
                    if (room >= least) {
                        best[1][place] = fromTop ? squares.cost(place, n) : squares.cost(0, place);
                    }
                    continue;
                }
                double lowest = Double.POSITIVE_INFINITY;
                for (int size = least; size <= room - (parts - 1) * least; size++) {
                    double cost = fromTop
                            ? squares.cost(place, place + size) + best[parts - 1][place + size]
                            : squares.cost(place - size, place) + best[parts - 1][place - size];
                    lowest = Math.min(lowest, cost);
                }
                best[parts][place] = lowest;
            }
        }
        return best;
    }

    private static int[] cuts(Squares squares, double[][] up, int n, int least) {
        int[] cuts = new int[CUTS];
        int place = n;
        for (int parts = PARTS; parts > 1; parts--) {
            int found = place;
            double lowest = Double.POSITIVE_INFINITY;
            for (int at = (parts - 1) * least; at <= place - least; at++) {
                double cost = up[parts - 1][at] + squares.cost(at, place);
                if (cost < lowest) {
                    lowest = cost;
                    found = at;
                }
            }
            cuts[parts - 2] = found;
            place = found;
        }
        return cuts;
    }
}
