package org.morphotera.core.photo.drawn;

import java.util.function.DoubleSupplier;
import org.morphotera.core.photo.Card;
import org.morphotera.core.photo.Picture;

/**
 * The card on a table with soil laid on it, seen by a pinhole camera that does not look straight down.
 *
 * @param rgb points from the top left, eight bits each of red, green and blue
 * @param view how the camera stands
 */
public record DrawnCard(int width, int height, int[] rgb, View view) {

    /**
     * Where the camera is and how it is turned.
     *
     * @param forward tilt about the horizontal, degrees
     * @param aside tilt about the vertical, degrees
     * @param turn about the line of sight, degrees
     * @param farMm distance of the card's middle
     */
    public record View(double forward, double aside, double turn, double farMm) {

        private static final double FOCAL = 620;

        private double[][] axes() {
            double a = Math.toRadians(forward);
            double b = Math.toRadians(aside);
            double c = Math.toRadians(turn);
            double[][] about = {{Math.cos(c), -Math.sin(c), 0}, {Math.sin(c), Math.cos(c), 0}, {0, 0, 1}};
            double[][] nod = {{1, 0, 0}, {0, Math.cos(a), -Math.sin(a)}, {0, Math.sin(a), Math.cos(a)}};
            double[][] shake = {{Math.cos(b), 0, Math.sin(b)}, {0, 1, 0}, {-Math.sin(b), 0, Math.cos(b)}};
            return times(times(nod, shake), about);
        }

        private static double[][] times(double[][] p, double[][] q) {
            double[][] product = new double[3][3];
            for (int i = 0; i < 3; i++) {
                for (int j = 0; j < 3; j++) {
                    for (int k = 0; k < 3; k++) {
                        product[i][j] += p[i][k] * q[k][j];
                    }
                }
            }
            return product;
        }

        /** Where a place of the card is seen, points from the left and the top. */
        public double[] seen(double xMm, double yMm, int width, int height) {
            double[][] axes = axes();
            double x = xMm - Card.WIDE_MM / 2;
            double y = yMm - Card.HIGH_MM / 2;
            double right = axes[0][0] * x + axes[0][1] * y;
            double down = axes[1][0] * x + axes[1][1] * y;
            double far = farMm + axes[2][0] * x + axes[2][1] * y;
            return new double[] {width / 2.0 + FOCAL * right / far, height / 2.0 + FOCAL * down / far};
        }

        /** Which place of the card is seen at a point, mm; not on the card where it lies beside it. */
        private double[] place(double[][] axes, double column, double row, int width, int height) {
            double[] ray = {(column - width / 2.0) / FOCAL, (row - height / 2.0) / FOCAL, 1};
            // the same ray, and the camera, as the card sees them
            double[] of = new double[3];
            for (int i = 0; i < 3; i++) {
                for (int k = 0; k < 3; k++) {
                    of[i] += axes[k][i] * ray[k];
                }
            }
            double[] eye = {-axes[2][0] * farMm, -axes[2][1] * farMm, -axes[2][2] * farMm};
            double along = -eye[2] / of[2];
            return new double[] {eye[0] + along * of[0] + Card.WIDE_MM / 2, eye[1] + along * of[1] + Card.HIGH_MM / 2};
        }
    }

    private static final int WIDE = 720;
    private static final int HIGH = 960;
    private static final double MARGIN_MM = 20;
    private static final double[] PAPER = {0.82, 0.82, 0.8};
    private static final double[] INK = {0.03, 0.03, 0.03};
    private static final double[] TABLE = Canvas.srgb(138, 110, 84);
    private static final int FINER = 2;

    /** As the core looks at it. */
    public Picture picture() {
        return Picture.of(width, height, i -> rgb[i]);
    }

    /**
     * @param soil linear light of the soil on its place
     */
    public static DrawnCard of(View view, double[] soil, Taken how, DoubleSupplier chance) {
        Canvas canvas = new Canvas(WIDE, HIGH, chance);
        double[][] axes = view.axes();
        for (int row = 0; row < HIGH; row++) {
            for (int column = 0; column < WIDE; column++) {
                double[] sum = new double[3];
                for (int part = 0; part < FINER * FINER; part++) {
                    double[] place = view.place(
                            axes,
                            column + (part % FINER + 0.5) / FINER,
                            row + (part / FINER + 0.5) / FINER,
                            WIDE,
                            HIGH);
                    double[] colour = at(place[0], place[1], soil);
                    double grain = colour == soil || colour == TABLE ? 0.85 + 0.3 * canvas.uneven(column, row, 3) : 1;
                    for (int channel = 0; channel < 3; channel++) {
                        sum[channel] += colour[channel] * grain / FINER / FINER;
                    }
                }
                canvas.set(column, row, sum, 1);
            }
        }
        return new DrawnCard(WIDE, HIGH, canvas.taken(how), view);
    }

    private static double[] at(double x, double y, double[] soil) {
        if (x < -MARGIN_MM || y < -MARGIN_MM || x > Card.WIDE_MM + MARGIN_MM || y > Card.HIGH_MM + MARGIN_MM) {
            return TABLE;
        }
        double acrossMark = Math.min(Math.abs(x), Math.abs(x - Card.WIDE_MM));
        double downMark = Math.min(Math.abs(y), Math.abs(y - Card.HIGH_MM));
        double out = 2 * Math.max(acrossMark, downMark);
        if (out < Card.MARK_MM) {
            return out < Card.CORE_MM || out > Card.FRAME_INSIDE_MM ? INK : PAPER;
        }
        for (Card.Patch patch : Card.PATCHES) {
            if (Math.abs(x - patch.xMm()) < Card.PATCH_WIDE_MM / 2
                    && Math.abs(y - Card.PATCH_Y_MM) < Card.PATCH_HIGH_MM / 2) {
                double grey = patch.reflectancePct() / 100;
                return new double[] {grey, grey, grey};
            }
        }
        if (Math.hypot(x - Card.SOIL_X_MM, y - Card.SOIL_Y_MM) < 16) {
            return soil;
        }
        double rim = Math.hypot(x - Card.DISH_X_MM, y - Card.DISH_Y_MM) - Card.DISH_RADIUS_MM;
        return Math.abs(rim) < 0.4 ? INK : PAPER;
    }
}
