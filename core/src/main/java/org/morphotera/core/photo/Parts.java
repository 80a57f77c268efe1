package org.morphotera.core.photo;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** The dark parts of a round piece of a picture, each of points that touch (also at corners). */
public final class Parts {

    /**
     * One part.
     *
     * @param x of its middle, points from the left; {@code y} from the top
     * @param area points
     */
    public record Part(double x, double y, double area) {}

    private final int width;
    private final int height;
    private final int[] labels;
    private final List<Part> all;
    private final double contrast;
    private final double restLightness;

    private Parts(int width, int height, int[] labels, List<Part> all, double contrast, double restLightness) {
        this.width = width;
        this.height = height;
        this.labels = labels;
        this.all = List.copyOf(all);
        this.contrast = contrast;
        this.restLightness = restLightness;
    }

    /**
     * Parts two groups of lightness within a disc (Otsu, 1979) and gathers what is of the darker.
     *
     * @param x of the disc's middle, {@code y} and {@code radius}, points
     * @param least share of the disc that a part must have, 0..1
     */
    public static Parts darkerThanTheRest(Picture picture, double x, double y, double radius, double least) {
        int width = picture.width();
        int height = picture.height();
        int[] labels = new int[width * height];
        Arrays.fill(labels, -1);
        double[] lightness = new double[width * height];
        int[] places = new int[width * height];
        int n = 0;
        for (int row = (int) Math.max(0, y - radius); row < Math.min(height, y + radius); row++) {
            for (int column = (int) Math.max(0, x - radius); column < Math.min(width, x + radius); column++) {
                double dx = column + 0.5 - x;
                double dy = row + 0.5 - y;
                if (dx * dx + dy * dy <= radius * radius) {
                    places[n] = row * width + column;
                    lightness[n++] = Lab.lightness(picture, row * width + column);
                }
            }
        }
        if (n == 0) {
            return new Parts(width, height, labels, List.of(), 0, 0);
        }
        Otsu otsu = Otsu.of(lightness, n, 0, 100);
        boolean[] dark = new boolean[width * height];
        double[] rest = new double[n];
        int others = 0;
        for (int i = 0; i < n; i++) {
            if (lightness[i] <= otsu.threshold()) {
                dark[places[i]] = true;
            } else {
                rest[others++] = lightness[i];
            }
        }
        Arrays.sort(rest, 0, others);
        double middle = others == 0 ? 0 : rest[others / 2];
        List<Part> parts = gathered(dark, labels, width, height, places, n, least * n);
        double contrast = Double.isNaN(otsu.above() - otsu.below()) ? 0 : otsu.above() - otsu.below();
        return new Parts(width, height, labels, parts, contrast, middle);
    }

    /**
     * Gathers the dark points of a whole picture.
     *
     * @param dark by point; none is dark afterwards
     * @param least points that a part must have
     */
    static Parts of(Picture picture, boolean[] dark, double least) {
        int[] labels = new int[dark.length];
        Arrays.fill(labels, -1);
        int[] places = new int[dark.length];
        int n = 0;
        for (int i = 0; i < dark.length; i++) {
            if (dark[i]) {
                places[n++] = i;
            }
        }
        List<Part> parts = gathered(dark, labels, picture.width(), picture.height(), places, n, least);
        return new Parts(picture.width(), picture.height(), labels, parts, 0, 0);
    }

    private static List<Part> gathered(
            boolean[] dark, int[] labels, int width, int height, int[] places, int n, double least) {
        List<Part> parts = new ArrayList<>();
        int[] stack = new int[n];
        for (int i = 0; i < n; i++) {
            if (!dark[places[i]]) {
                continue;
            }
            int size = 0;
            stack[size++] = places[i];
            dark[places[i]] = false;
            // what was taken from the stack stays at its foot
            int done = 0;
            double sumX = 0;
            double sumY = 0;
            while (done < size) {
                int at = stack[done++];
                int column = at % width;
                int row = at / width;
                sumX += column + 0.5;
                sumY += row + 0.5;
                for (int y = Math.max(0, row - 1); y <= Math.min(height - 1, row + 1); y++) {
                    for (int x = Math.max(0, column - 1); x <= Math.min(width - 1, column + 1); x++) {
                        if (dark[y * width + x]) {
                            dark[y * width + x] = false;
                            stack[size++] = y * width + x;
                        }
                    }
                }
            }
            if (size >= least) {
                for (int k = 0; k < size; k++) {
                    labels[stack[k]] = parts.size();
                }
                parts.add(new Part(sumX / size, sumY / size, size));
            }
        }
        return parts;
    }

    /** The parts, in the order in which they begin from the top. */
    public List<Part> all() {
        return all;
    }

    /** Number of the part at a place; −1 where there is none. */
    public int partAt(double x, double y) {
        int column = (int) Math.floor(x);
        int row = (int) Math.floor(y);
        return column < 0 || row < 0 || column >= width || row >= height ? -1 : labels[row * width + column];
    }

    /** Width of the picture, points. */
    public int width() {
        return width;
    }

    /** Height of the picture, points. */
    public int height() {
        return height;
    }

    /** How much lighter the rest is than what is dark, L*. */
    public double contrast() {
        return contrast;
    }

    /** Median lightness of the rest, L*. */
    public double restLightness() {
        return restLightness;
    }
}
