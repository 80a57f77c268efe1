package org.morphotera.core.score;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.soil.DepthLayer;

/**
 * Where things lie on a drawn face: the ground by depth with a row beside it for each finding, in order of depth, none
 * over another. Page and paper draw from the same; lengths are in pixels (or points) of the picture, downward.
 *
 * @param rowHeight room of each row
 * @param surface of the ground; what was read above it has its rows over this line
 * @param bottom of the drawn ground
 * @param maxDepthMm depth at the bottom
 * @param scale depth against height, joined by straight lines: most is read in the upper ground, so it is drawn larger
 *     where the face goes deep
 * @param groups rows read at the same layer, under one bracket
 * @param rowY middle of each row, in the order of the layers given
 */
public record FaceLayout(
        double height,
        double rowHeight,
        double surface,
        double bottom,
        double maxDepthMm,
        List<ScalePoint> scale,
        List<Group> groups,
        List<Double> rowY) {

    /**
     * Sizes of a picture.
     *
     * @param row height of a row
     * @param pad free space above the first and below the last row
     * @param leastAbove least height over the ground
     * @param leastSoil least height of the ground
     */
    public record Sizes(double row, double pad, double leastAbove, double leastSoil) {}

    /** A depth and where it is drawn. */
    public record ScalePoint(double mm, double y) {}

    /**
     * @param layer {@code null} above the ground
     * @param rows indexes into the layers given
     * @param lane brackets that overlap stand in lanes beside each other, from 0
     */
    public record Group(@Nullable DepthLayer layer, List<Integer> rows, int lane) {}

    private static final double LEAST_DEPTH_MM = 400;
    private static final double BELOW_LAST_MM = 40;
    private static final double ROUND_TO_MM = 100;
    private static final double SQUEEZE_BELOW_MM = 400;
    private static final double WORTH_SQUEEZING_MM = 200;
    private static final double UPPER_SHARE = 0.72;

    /** Lifts a row above the ground a little off the line. */
    private static final double LIFT = 4;

    private static final double FOOT = 8;

    /** @param layers of the findings to be drawn; {@code null} for one above the ground */
    public static FaceLayout of(List<DepthLayer> layers, Sizes sizes) {
        List<Integer> above =
                indexes(layers).filter(i -> layers.get(i) == null).boxed().toList();
        List<Integer> below = indexes(layers)
                .filter(i -> layers.get(i) != null)
                .boxed()
                .sorted(Comparator.<Integer>comparingDouble(
                                i -> layers.get(i).topMm() + layers.get(i).bottomMm())
                        .thenComparingDouble(i -> layers.get(i).topMm()))
                .toList();
        double surface = Math.max(sizes.leastAbove(), above.size() * sizes.row() + sizes.pad());
        double soil = Math.max(sizes.leastSoil(), below.size() * sizes.row() + 2 * sizes.pad());
        double bottom = surface + soil;
        double maxDepth = deepest(layers);
        List<ScalePoint> scale = scale(surface, soil, maxDepth);
        Double[] rowY = new Double[layers.size()];
        for (int n = 0; n < above.size(); n++) {
            rowY[above.get(n)] = surface - (above.size() - n) * sizes.row() + sizes.row() / 2 - LIFT;
        }
        double[] wanted = below.stream()
                .mapToDouble(
                        i -> y(scale, (layers.get(i).topMm() + layers.get(i).bottomMm()) / 2))
                .toArray();
        double[] placed = spread(wanted, sizes.row(), bottom - sizes.pad(), surface + sizes.pad() + sizes.row() / 2);
        for (int n = 0; n < below.size(); n++) {
            rowY[below.get(n)] = placed[n];
        }
        return new FaceLayout(
                bottom + FOOT,
                sizes.row(),
                surface,
                bottom,
                maxDepth,
                scale,
                groups(layers, above, below),
                Arrays.asList(rowY));
    }

    private static IntStream indexes(List<DepthLayer> layers) {
        return IntStream.range(0, layers.size());
    }

    /** Depth that the picture must reach, mm: at least 400, a little below the deepest layer, in whole decimetres. */
    static double deepest(List<DepthLayer> layers) {
        double most = 0;
        for (DepthLayer layer : layers) {
            most = layer == null ? most : Math.max(most, layer.bottomMm());
        }
        return Math.max(LEAST_DEPTH_MM, Math.ceil((most + BELOW_LAST_MM) / ROUND_TO_MM) * ROUND_TO_MM);
    }

    private static List<ScalePoint> scale(double surface, double soil, double maxDepth) {
        ScalePoint top = new ScalePoint(0, surface);
        ScalePoint foot = new ScalePoint(maxDepth, surface + soil);
        return maxDepth > SQUEEZE_BELOW_MM + WORTH_SQUEEZING_MM
                ? List.of(top, new ScalePoint(SQUEEZE_BELOW_MM, surface + soil * UPPER_SHARE), foot)
                : List.of(top, foot);
    }

    /** Where a depth is drawn; beyond the bottom the scale goes on. */
    public double y(double mm) {
        return y(scale, mm);
    }

    private static double y(List<ScalePoint> scale, double mm) {
        int i = 1;
        while (i < scale.size() - 1 && mm > scale.get(i).mm()) {
            i++;
        }
        ScalePoint from = scale.get(i - 1);
        ScalePoint to = scale.get(i);
        return from.y() + (to.y() - from.y()) * (mm - from.mm()) / (to.mm() - from.mm());
    }

    /**
     * Moves rows apart so that each is legible: in order, at least {@code gap} from each other, as near to where they
     * were wanted as that allows, none below {@code limit} and none above {@code start}.
     */
    static double[] spread(double[] wanted, double gap, double limit, double start) {
        double[] rows = new double[wanted.length];
        for (int i = 0; i < rows.length; i++) {
            rows[i] = Math.max(i == 0 ? start : rows[i - 1] + gap, wanted[i]);
        }
        double lowest = limit;
        for (int i = rows.length - 1; i >= 0; i--) {
            rows[i] = Math.min(rows[i], lowest);
            lowest = rows[i] - gap;
        }
        return rows;
    }

    private static List<Group> groups(List<DepthLayer> layers, List<Integer> above, List<Integer> below) {
        List<DepthLayer> brackets = new ArrayList<>();
        List<List<Integer>> rows = new ArrayList<>();
        if (!above.isEmpty()) {
            brackets.add(null);
            rows.add(new ArrayList<>(above));
        }
        for (int i : below) {
            DepthLayer layer = layers.get(i);
            if (!brackets.isEmpty() && layer.equals(brackets.get(brackets.size() - 1))) {
                rows.get(rows.size() - 1).add(i);
            } else {
                brackets.add(layer);
                rows.add(new ArrayList<>(List.of(i)));
            }
        }
        int[] lanes = lanes(brackets);
        return IntStream.range(0, brackets.size())
                .mapToObj(n -> new Group(brackets.get(n), List.copyOf(rows.get(n)), lanes[n]))
                .toList();
    }

    /** A lane for each bracket, so that those that overlap stand beside each other; touching ends do not overlap. */
    static int[] lanes(List<DepthLayer> brackets) {
        List<Double> ends = new ArrayList<>();
        int[] lanes = new int[brackets.size()];
        for (int n = 0; n < lanes.length; n++) {
            DepthLayer layer = brackets.get(n);
            double top = layer == null ? -1 : layer.topMm();
            double end = layer == null ? 0 : layer.bottomMm();
            int lane = 0;
            while (lane < ends.size() && ends.get(lane) > top) {
                lane++;
            }
            if (lane == ends.size()) {
                ends.add(end);
            } else {
                ends.set(lane, Math.max(ends.get(lane), end));
            }
            lanes[n] = lane;
        }
        return lanes;
    }
}
