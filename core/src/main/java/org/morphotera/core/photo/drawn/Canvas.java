package org.morphotera.core.photo.drawn;

import java.util.function.DoubleSupplier;
import org.morphotera.core.photo.Lab;

/** Linear light to draw in, and what a camera makes of it. */
final class Canvas {

    private static final int LATTICE = 64;

    final int width;
    final int height;
    final double[][] light;
    private final DoubleSupplier chance;
    private final double[] lattice = new double[LATTICE * LATTICE];

    /** @param chance evenly in 0..1 */
    Canvas(int width, int height, DoubleSupplier chance) {
        this.width = width;
        this.height = height;
        this.chance = chance;
        light = new double[3][width * height];
        for (int i = 0; i < lattice.length; i++) {
            lattice[i] = chance.getAsDouble();
        }
    }

    /** About normal, of mean 0 and standard deviation 1: from a sum of four even ones. */
    double scatter() {
        double sum = chance.getAsDouble() + chance.getAsDouble() + chance.getAsDouble() + chance.getAsDouble();
        return (sum - 2) * Math.sqrt(3);
    }

    double between(double low, double high) {
        return low + (high - low) * chance.getAsDouble();
    }

    /** Sets a point to a colour, lighter or darker by a factor. */
    void set(int x, int y, double[] linear, double factor) {
        if (x >= 0 && y >= 0 && x < width && y < height) {
            for (int channel = 0; channel < 3; channel++) {
                light[channel][y * width + x] = linear[channel] * factor;
            }
        }
    }

    /** Smooth unevenness of about so many points, 0..1 (value noise; Perlin, 1985). */
    double uneven(double x, double y, double grain) {
        double u = x / grain;
        double v = y / grain;
        int column = (int) Math.floor(u);
        int row = (int) Math.floor(v);
        double s = ease(u - column);
        double t = ease(v - row);
        double top = at(column, row) * (1 - s) + at(column + 1, row) * s;
        double foot = at(column, row + 1) * (1 - s) + at(column + 1, row + 1) * s;
        return top * (1 - t) + foot * t;
    }

    private double at(int column, int row) {
        return lattice[(row & LATTICE - 1) * LATTICE + (column & LATTICE - 1)];
    }

    private static double ease(double t) {
        return t * t * (3 - 2 * t);
    }

    /** Linear light of a colour. */
    static double[] linear(double l, double a, double b) {
        double y = (l + 16) / 116;
        double[] xyz = {0.95047 * cube(y + a / 500), cube(y), 1.08883 * cube(y - b / 200)};
        double[] linear = {
            3.2404542 * xyz[0] - 1.5371385 * xyz[1] - 0.4985314 * xyz[2],
            -0.9692660 * xyz[0] + 1.8760108 * xyz[1] + 0.0415560 * xyz[2],
            0.0556434 * xyz[0] - 0.2040259 * xyz[1] + 1.0572252 * xyz[2],
        };
        for (int i = 0; i < linear.length; i++) {
            linear[i] = Math.max(0, linear[i]);
        }
        return linear;
    }

    private static double cube(double t) {
        return t > 6.0 / 29 ? t * t * t : (t - 16.0 / 116) * 3 * 36 / 841;
    }

    /** What the camera keeps: shade from one side to the other, a shine, blur, the light's colour, noise, levels. */
    int[] taken(Taken how) {
        double angle = between(0, 2 * Math.PI);
        double shineX = between(0.2, 0.8) * width;
        double shineY = between(0.2, 0.8) * height;
        double shineRadius = 0.12 * width;
        double[] cast = {1 + how.warmth(), 1, 1 - how.warmth()};
        int[] rgb = new int[width * height];
        for (int channel = 0; channel < 3; channel++) {
            double[] plane = light[channel].clone();
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    double along = ((x - width / 2.0) * Math.cos(angle) + (y - height / 2.0) * Math.sin(angle))
                            / (0.7 * width);
                    double lit = 1 - how.shade() * (0.5 + along);
                    double far = Math.hypot(x - shineX, y - shineY) / shineRadius;
                    double shine = how.glare() * Math.exp(-far * far * 2);
                    plane[y * width + x] = plane[y * width + x] * lit * cast[channel] + shine;
                }
            }
            plane = blurred(plane, how.blur());
            for (int i = 0; i < plane.length; i++) {
                double level = level(plane[i]) + how.noise() * scatter();
                rgb[i] |= (int) Math.max(0, Math.min(255, Math.rint(level))) << 8 * (2 - channel);
            }
        }
        return rgb;
    }

    private double[] blurred(double[] plane, double radius) {
        int reach = (int) Math.ceil(2 * radius);
        if (reach < 1) {
            return plane;
        }
        double[] weights = new double[2 * reach + 1];
        double sum = 0;
        for (int i = -reach; i <= reach; i++) {
            weights[i + reach] = Math.exp(-i * i / (2 * radius * radius));
            sum += weights[i + reach];
        }
        double[] across = new double[plane.length];
        double[] done = new double[plane.length];
        for (int pass = 0; pass < 2; pass++) {
            double[] from = pass == 0 ? plane : across;
            double[] to = pass == 0 ? across : done;
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    double mean = 0;
                    for (int i = -reach; i <= reach; i++) {
                        int column = pass == 0 ? Math.max(0, Math.min(width - 1, x + i)) : x;
                        int row = pass == 0 ? y : Math.max(0, Math.min(height - 1, y + i));
                        mean += weights[i + reach] * from[row * width + column];
                    }
                    to[y * width + x] = mean / sum;
                }
            }
        }
        return done;
    }

    private static double level(double linear) {
        double share = Math.max(0, Math.min(1, linear));
        return 255 * (share <= 0.0031308 ? 12.92 * share : 1.055 * Math.pow(share, 1 / 2.4) - 0.055);
    }

    /** Linear light of an sRGB colour. */
    static double[] srgb(int red, int green, int blue) {
        return new double[] {Lab.linear(red), Lab.linear(green), Lab.linear(blue)};
    }
}
