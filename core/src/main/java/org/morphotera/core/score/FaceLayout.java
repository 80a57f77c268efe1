package org.morphotera.core.score;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.morphotera.core.soil.DepthLayer;

/**
 * How findings stand beside the ground on page and paper: the depth scale stretches, each band being as tall as what
 * was found in it, so that every finding stands beside its own soil. In a band the lowest comes first, then what stands
 * low, and the rest is folded into one line.
 *
 * @param deepestMm depth at the foot of the lowest band
 * @param bands all five, from the sky down
 */
public record FaceLayout(double deepestMm, List<FaceBand> bands) {

    /**
     * What is to be placed.
     *
     * @param layer in which it was read; {@code null} above the ground
     * @param bitesAtMm depth at which it is felt, where that says more than the middle of its layer
     * @param order the lower, the further up in its band
     * @param low whether it is told even where it is not the first of its band
     */
    public record Row(@Nullable DepthLayer layer, @Nullable Double bitesAtMm, double order, boolean low) {}

    /**
     * @param band its code
     * @param shown indexes of the rows that are told, the first of the band first
     * @param folded those that wait until they are asked for, in the same order
     */
    public record FaceBand(String band, double topMm, double bottomMm, List<Integer> shown, List<Integer> folded) {

        /** Whether nothing was found here. */
        public boolean holdsNothing() {
            return shown.isEmpty();
        }
    }

    /**
     * Heights of a drawing.
     *
     * @param first height of the first row of a band
     * @param line height of each further line
     * @param pad free space above and below the rows of a band
     * @param least least height of a band
     */
    public record Sizes(double first, double line, double pad, double least) {}

    private static final int MOST_SHOWN = 5;
    private static final double LEAST_DEPTH_MM = 400;
    private static final double BELOW_LAST_MM = 40;
    private static final double ROUND_TO_MM = 100;

    /** @param rows in any order */
    public static FaceLayout of(List<Row> rows, GroundPicture picture) {
        double deepest = deepest(rows, picture);
        List<FaceBand> bands = new ArrayList<>(DepthBand.values().length);
        for (DepthBand band : DepthBand.values()) {
            List<Integer> own = new ArrayList<>();
            for (int i = 0; i < rows.size(); i++) {
                if (bandOf(rows.get(i)) == band) {
                    own.add(i);
                }
            }
            own.sort(Comparator.comparingDouble(i -> rows.get(i).order()));
            List<Integer> shown = new ArrayList<>();
            List<Integer> folded = new ArrayList<>();
            for (int i : own) {
                boolean told = shown.isEmpty() || rows.get(i).low() && shown.size() < MOST_SHOWN;
                (told ? shown : folded).add(i);
            }
            bands.add(new FaceBand(
                    band.code(),
                    band.topMm(),
                    Math.min(band.bottomMm(), deepest),
                    List.copyOf(shown),
                    List.copyOf(folded)));
        }
        return new FaceLayout(deepest, List.copyOf(bands));
    }

    private static DepthBand bandOf(Row row) {
        if (row.layer() == null) {
            return DepthBand.ABOVE_GROUND;
        }
        return row.bitesAtMm() == null
                ? DepthBand.ofMiddle(row.layer())
                : DepthBand.ofMiddle(new DepthLayer(row.bitesAtMm(), row.bitesAtMm()));
    }

    /** At least 400 mm, a little below the deepest that was found, in whole decimetres; never below 5 m. */
    private static double deepest(List<Row> rows, GroundPicture picture) {
        double most = picture.deepestMm();
        for (Row row : rows) {
            most = row.layer() == null ? most : Math.max(most, row.layer().bottomMm());
        }
        double shown = Math.ceil((most + BELOW_LAST_MM) / ROUND_TO_MM) * ROUND_TO_MM;
        return Math.min(DepthLayer.DEEPEST_MM, Math.max(LEAST_DEPTH_MM, shown));
    }

    /** How tall a band is drawn. */
    static double height(FaceBand band, Sizes sizes) {
        int lines = Math.max(0, band.shown().size() - 1) + (band.folded().isEmpty() ? 0 : 1);
        double rows = band.holdsNothing() ? 0 : sizes.first() + lines * sizes.line() + 2 * sizes.pad();
        return Math.max(sizes.least(), rows);
    }

    /** The same in lengths, where a drawing can't let its lines find their own. */
    public Drawn drawn(Sizes sizes) {
        double[] tops = new double[bands.size() + 1];
        for (int i = 0; i < bands.size(); i++) {
            tops[i + 1] = tops[i] + height(bands.get(i), sizes);
        }
        return new Drawn(this, tops);
    }

    /** A face in lengths of its drawing, downward from its top. */
    public static final class Drawn {

        private final FaceLayout layout;
        private final double[] tops;

        private Drawn(FaceLayout layout, double[] tops) {
            this.layout = layout;
            this.tops = tops;
        }

        /** Where a band begins, from the sky down. */
        public double top(int band) {
            return tops[band];
        }

        /** Where the ground begins. */
        public double surface() {
            return tops[1];
        }

        public double height() {
            return tops[tops.length - 1];
        }

        /** Where a depth is drawn; what lies deeper than the face goes is drawn at its foot. */
        public double y(double mm) {
            for (int i = 1; i < layout.bands.size(); i++) {
                FaceBand band = layout.bands.get(i);
                if (mm < band.bottomMm()) {
                    double share = (mm - band.topMm()) / (band.bottomMm() - band.topMm());
                    return tops[i] + share * (tops[i + 1] - tops[i]);
                }
            }
            return height();
        }
    }
}
