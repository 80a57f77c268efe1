package org.morphotera.core.photo;

import java.util.function.IntUnaryOperator;

/**
 * A picture as sRGB points (IEC 61966-2-1), row by row from the top left, with at most {@link #LONGEST_SIDE} points on
 * its long side.
 */
public final class Picture {

    /** A larger picture is reduced to this; points. */
    public static final int LONGEST_SIDE = 1024;

    /** No picture of more points is taken in. */
    public static final int MOST_POINTS = 12_000_000;

    private static final int BYTE = 0xFF;

    /** Levels of 255 between the darkest and the lightest point, under which nothing is to be seen. */
    private static final int NO_CONTRAST = 6;

    /** Under this lightness of its lightest hundredth a picture is black; levels of 255. */
    private static final int BLACK = 40;

    private final int width;
    private final int height;
    private final int[] rgb;

    private Picture(int width, int height, int[] rgb) {
        this.width = width;
        this.height = height;
        this.rgb = rgb;
    }

    /**
     * A picture, reduced by averaging the points that fall into one.
     *
     * @param width points, at least 1; {@code height} likewise
     * @param rgbAt point by its number from the top left: red, green and blue, eight bits each
     * @throws IllegalArgumentException when there are none, or more than {@link #MOST_POINTS}
     */
    public static Picture of(int width, int height, IntUnaryOperator rgbAt) {
        if (width < 1 || height < 1 || (long) width * height > MOST_POINTS) {
            throw new IllegalArgumentException("a picture has 1 to " + MOST_POINTS + " points");
        }
        int longest = Math.max(width, height);
        int wide = longest <= LONGEST_SIDE ? width : Math.max(1, (int) ((long) width * LONGEST_SIDE / longest));
        int high = longest <= LONGEST_SIDE ? height : Math.max(1, (int) ((long) height * LONGEST_SIDE / longest));
        int[] points = new int[wide * high];
        for (int y = 0; y < high; y++) {
            int top = (int) ((long) y * height / high);
            int bottom = (int) ((long) (y + 1) * height / high);
            for (int x = 0; x < wide; x++) {
                int left = (int) ((long) x * width / wide);
                int right = (int) ((long) (x + 1) * width / wide);
                int red = 0;
                int green = 0;
                int blue = 0;
                for (int row = top; row < bottom; row++) {
                    int end = row * width + right;
                    for (int i = row * width + left; i < end; i++) {
                        int point = rgbAt.applyAsInt(i);
                        red += point >> 16 & BYTE;
                        green += point >> 8 & BYTE;
                        blue += point & BYTE;
                    }
                }
                int n = (bottom - top) * (right - left);
                int half = n / 2;
                points[y * wide + x] = (red + half) / n << 16 | (green + half) / n << 8 | (blue + half) / n;
            }
        }
        return new Picture(wide, high, points);
    }

    /** Points across. */
    public int width() {
        return width;
    }

    /** Points down. */
    public int height() {
        return height;
    }

    /** How many points there are. */
    public int size() {
        return rgb.length;
    }

    /** Red of a point, 0..255. */
    public int red(int at) {
        return rgb[at] >> 16 & BYTE;
    }

    /** Green of a point, 0..255. */
    public int green(int at) {
        return rgb[at] >> 8 & BYTE;
    }

    /** Blue of a point, 0..255. */
    public int blue(int at) {
        return rgb[at] & BYTE;
    }

    /** The point nearest to a column and row, which may lie outside. */
    public int at(double column, double row) {
        int x = (int) Math.max(0, Math.min(width - 1, Math.floor(column)));
        int y = (int) Math.max(0, Math.min(height - 1, Math.floor(row)));
        return y * width + x;
    }

    /** Column of a place, in points from the left. */
    public double column(Spot spot) {
        return spot.x() * width;
    }

    /** Row of a place, in points from the top. */
    public double row(Spot spot) {
        return spot.y() * height;
    }

    /** The points of a disc, at least the one in its middle. */
    public int[] disc(double column, double row, double radius) {
        int reach = (int) Math.ceil(radius);
        int[] found = new int[(2 * reach + 1) * (2 * reach + 1)];
        int n = 0;
        int middle = at(column, row);
        int x0 = middle % width;
        int y0 = middle / width;
        for (int y = Math.max(0, y0 - reach); y <= Math.min(height - 1, y0 + reach); y++) {
            for (int x = Math.max(0, x0 - reach); x <= Math.min(width - 1, x0 + reach); x++) {
                if ((x - x0) * (x - x0) + (y - y0) * (y - y0) <= radius * radius) {
                    found[n++] = y * width + x;
                }
            }
        }
        int[] points = new int[Math.max(1, n)];
        points[0] = middle;
        System.arraycopy(found, 0, points, 0, n);
        return points;
    }

    /**
     * What makes a picture useless whatever is looked for: the code of a fault, or {@code null}.
     *
     * @return {@code PICTURE_BLACK}, {@code PICTURE_BLANK}
     */
    public String fault() {
        int[] counts = new int[BYTE + 1];
        for (int i = 0; i < rgb.length; i++) {
            counts[(red(i) * 2 + green(i) * 5 + blue(i)) / 8]++;
        }
        int dark = share(counts, 0.005);
        int light = share(counts, 0.995);
        if (light < BLACK) {
            return "PICTURE_BLACK";
        }
        return light - dark < NO_CONTRAST ? "PICTURE_BLANK" : null;
    }

    /** The level under which a share of the points lies. */
    private int share(int[] counts, double share) {
        long seen = 0;
        for (int level = 0; level < counts.length; level++) {
            seen += counts[level];
            if (seen >= share * rgb.length) {
                return level;
            }
        }
        return counts.length - 1;
    }
}
