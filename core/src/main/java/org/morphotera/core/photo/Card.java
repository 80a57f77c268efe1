package org.morphotera.core.photo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The printed card, as it is drawn and as it is found on a picture: four marks, each a black square in a black frame, at
 * the corners of an upright rectangle, with a dish's circle and grey patches between them. Lengths are in mm, places
 * from the middle of the upper left mark.
 */
public final class Card {

    /** Between the middles of the marks, across. */
    public static final double WIDE_MM = 150;

    /** Between the middles of the marks, down. */
    public static final double HIGH_MM = 220;

    /** Outer side of a mark's frame. */
    public static final double MARK_MM = 20;

    /** Inner side of the frame. */
    public static final double FRAME_INSIDE_MM = 14;

    /** Side of the square in the frame. */
    public static final double CORE_MM = 8;

    /** Where the dish stands: middle and radius. */
    public static final double DISH_X_MM = 75;

    public static final double DISH_Y_MM = 72;
    public static final double DISH_RADIUS_MM = 50;

    /** The patches: their middles' height, and size. */
    public static final double PATCH_Y_MM = 152;

    public static final double PATCH_WIDE_MM = 32;
    public static final double PATCH_HIGH_MM = 28;

    /** Where soil is laid to be compared: middle. */
    public static final double SOIL_X_MM = 75;

    public static final double SOIL_Y_MM = 190;

    /**
     * A grey patch.
     *
     * @param reflectancePct how much of the light it gives back
     * @param xMm of its middle
     */
    public record Patch(double reflectancePct, double xMm) {}

    /** The one of 18 % in the middle, for the usual reading. */
    public static final List<Patch> PATCHES = List.of(new Patch(50, 29), new Patch(18, 75), new Patch(9, 121));

    /** What a point must lack of the mean about it to be dark. */
    private static final double DARKER = 0.8;

    /** Reach of that mean, share of the long side. */
    private static final double ABOUT = 0.06;

    private static final double LEAST_CORE = 14;
    private static final int MOST_PARTS = 3000;

    /** Area of the frame over that of its square; by the card 3.19. */
    private static final double LEAST_RATIO = 1.7;

    private static final double MOST_RATIO = 6;

    /** How far the middles of frame and square may lie apart, shares of the square's side. */
    private static final double APART = 0.3;

    /** Marks of one card differ in size by perspective alone, by no more than this. */
    private static final double MOST_UNLIKE = 4;

    private static final double LONG_TO_SHORT = 1.1;
    private static final int BYTE = 0xFF;

    private final Picture picture;
    private final double[] x;
    private final double[] y;
    private final Perspective onPicture;

    private Card(Picture picture, double[] x, double[] y) {
        this.picture = picture;
        this.x = x;
        this.y = y;
        onPicture = Perspective.ofSquareTo(x, y);
    }

    /** The card as it lies on a picture; {@code null} when it is not to be seen whole, or does not stand upright. */
    public static Card find(Picture picture) {
        Parts parts = Parts.of(picture, dark(picture), LEAST_CORE);
        List<Parts.Part> marks = marks(parts);
        if (marks.size() != 4) {
            return null;
        }
        double[] x = new double[4];
        double[] y = new double[4];
        List<Comparator<Parts.Part>> corners = List.of(
                Comparator.comparingDouble(part -> part.x() + part.y()),
                Comparator.comparingDouble(part -> part.y() - part.x()),
                Comparator.comparingDouble(part -> -part.x() - part.y()),
                Comparator.comparingDouble(part -> part.x() - part.y()));
        for (int corner = 0; corner < 4; corner++) {
            Parts.Part mark = marks.stream().min(corners.get(corner)).orElseThrow();
            x[corner] = mark.x();
            y[corner] = mark.y();
        }
        if (!Perspective.convex(x, y)) {
            return null;
        }
        Card card = new Card(picture, x, y);
        double across = card.side(0, 1) + card.side(3, 2);
        double down = card.side(0, 3) + card.side(1, 2);
        return down > LONG_TO_SHORT * across ? card : null;
    }

    /** Points darker than what lies about them, by sums over the picture (Crow, 1984). */
    private static boolean[] dark(Picture picture) {
        int width = picture.width();
        int height = picture.height();
        double[] sums = new double[(width + 1) * (height + 1)];
        for (int row = 0; row < height; row++) {
            double line = 0;
            for (int column = 0; column < width; column++) {
                line += light(picture, row * width + column);
                sums[(row + 1) * (width + 1) + column + 1] = sums[row * (width + 1) + column + 1] + line;
            }
        }
        int reach = (int) Math.max(3, ABOUT * Math.max(width, height));
        boolean[] dark = new boolean[width * height];
        for (int row = 0; row < height; row++) {
            int top = Math.max(0, row - reach);
            int foot = Math.min(height, row + reach + 1);
            for (int column = 0; column < width; column++) {
                int left = Math.max(0, column - reach);
                int right = Math.min(width, column + reach + 1);
                double sum = sums[foot * (width + 1) + right]
                        - sums[top * (width + 1) + right]
                        - sums[foot * (width + 1) + left]
                        + sums[top * (width + 1) + left];
                double mean = sum / ((foot - top) * (right - left));
                dark[row * width + column] = light(picture, row * width + column) < DARKER * mean;
            }
        }
        return dark;
    }

    private static double light(Picture picture, int at) {
        return 0.2126 * picture.red(at) + 0.7152 * picture.green(at) + 0.0722 * picture.blue(at);
    }

    /** Squares that lie in the middle of a frame of fitting area, with a light gap between. */
    private static List<Parts.Part> marks(Parts parts) {
        List<Parts.Part> marks = new ArrayList<>();
        if (parts.all().size() > MOST_PARTS) {
            return marks;
        }
        for (int i = 0; i < parts.all().size(); i++) {
            Parts.Part core = parts.all().get(i);
            double side = Math.sqrt(core.area());
            if (parts.partAt(core.x(), core.y()) != i) {
                continue;
            }
            for (Parts.Part frame : parts.all()) {
                double ratio = frame.area() / core.area();
                if (ratio > LEAST_RATIO
                        && ratio < MOST_RATIO
                        && Math.hypot(frame.x() - core.x(), frame.y() - core.y()) < APART * side
                        && parts.partAt(core.x() + side * 2 / 3, core.y()) < 0
                        && parts.partAt(core.x() - side * 2 / 3, core.y()) < 0) {
                    // the middle of both is better known than that of one
                    double all = frame.area() + core.area();
                    marks.add(new Parts.Part(
                            (frame.x() * frame.area() + core.x() * core.area()) / all,
                            (frame.y() * frame.area() + core.y() * core.area()) / all,
                            all));
                }
            }
        }
        marks.sort(Comparator.comparingDouble(Parts.Part::area).reversed());
        List<Parts.Part> alike = new ArrayList<>();
        for (Parts.Part mark : marks) {
            if (mark.area() * MOST_UNLIKE > marks.get(0).area()) {
                alike.add(mark);
            }
        }
        return alike;
    }

    private double side(int from, int to) {
        return Math.hypot(x[to] - x[from], y[to] - y[from]);
    }

    /** How much longer one side is than the one across from it, at most; percent of their mean. 0 from straight above. */
    public double skewPct() {
        double across = Math.abs(side(0, 1) - side(3, 2)) / (side(0, 1) + side(3, 2));
        double down = Math.abs(side(0, 3) - side(1, 2)) / (side(0, 3) + side(1, 2));
        return 200 * Math.max(across, down);
    }

    /** Where a place of the card lies on the picture, points from the left. */
    public double x(double xMm, double yMm) {
        return onPicture.x(xMm / WIDE_MM, yMm / HIGH_MM);
    }

    /** Where a place of the card lies on the picture, points from the top. */
    public double y(double xMm, double yMm) {
        return onPicture.y(xMm / WIDE_MM, yMm / HIGH_MM);
    }

    /** Where a place of the card lies on {@link #straight()}, points from the left. */
    public double straightX(double xMm) {
        return middle(x) + (xMm - WIDE_MM / 2) * scale();
    }

    /** Where a place of the card lies on {@link #straight()}, points from the top. */
    public double straightY(double yMm) {
        return middle(y) + (yMm - HIGH_MM / 2) * scale();
    }

    /** Points of the straightened picture to a millimetre of the card. */
    public double scale() {
        return ((side(0, 1) + side(3, 2)) / WIDE_MM + (side(0, 3) + side(1, 2)) / HIGH_MM) / 4;
    }

    private static double middle(double[] corners) {
        return (corners[0] + corners[1] + corners[2] + corners[3]) / 4;
    }

    /**
     * Where the card's places lie on {@link #straight()}, shares of its width and height: {@code grey} (the patch of
     * 18 %), {@code soil}, and {@code dish} with its radius as a share of the width; {@code skewPct} of the picture as it
     * was taken.
     */
    public Map<String, Object> told() {
        Map<String, Object> told = new LinkedHashMap<>();
        told.put("skewPct", skewPct());
        told.put("grey", share(PATCHES.get(1).xMm(), PATCH_Y_MM));
        told.put("soil", share(SOIL_X_MM, SOIL_Y_MM));
        Map<String, Object> dish = share(DISH_X_MM, DISH_Y_MM);
        dish.put("radius", DISH_RADIUS_MM * scale() / picture.width());
        told.put("dish", dish);
        return told;
    }

    private Map<String, Object> share(double xMm, double yMm) {
        Map<String, Object> spot = new LinkedHashMap<>();
        spot.put("x", straightX(xMm) / picture.width());
        spot.put("y", straightY(yMm) / picture.height());
        return spot;
    }

    /** The picture as if taken from straight above the card, of the same size; what it does not show is white. */
    public Picture straight() {
        int width = picture.width();
        double left = straightX(0);
        double top = straightY(0);
        double scale = scale();
        return Picture.of(width, picture.height(), i -> {
            double u = (i % width + 0.5 - left) / scale / WIDE_MM;
            double v = (i / width + 0.5 - top) / scale / HIGH_MM;
            return between(onPicture.x(u, v) - 0.5, onPicture.y(u, v) - 0.5);
        });
    }

    /** The colour between four points, straight across and down. */
    private int between(double column, double row) {
        // not a number behind the camera
        if (!(column > -1 && row > -1 && column < picture.width() && row < picture.height())) {
            return 0xFFFFFF;
        }
        int at = picture.at(column, row);
        int right = picture.at(column + 1, row);
        int below = picture.at(column, row + 1);
        int across = picture.at(column + 1, row + 1);
        double s = column - Math.floor(column);
        double t = row - Math.floor(row);
        int rgb = 0;
        for (int channel = 0; channel < 3; channel++) {
            double upper = channel(at, channel) * (1 - s) + channel(right, channel) * s;
            double lower = channel(below, channel) * (1 - s) + channel(across, channel) * s;
            rgb = rgb << 8 | (int) Math.round(upper * (1 - t) + lower * t) & BYTE;
        }
        return rgb;
    }

    private int channel(int at, int channel) {
        return channel == 0 ? picture.red(at) : channel == 1 ? picture.green(at) : picture.blue(at);
    }
}
