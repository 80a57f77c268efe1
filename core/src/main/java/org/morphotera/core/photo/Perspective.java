package org.morphotera.core.photo;

/**
 * How a flat square lies on a picture: from its unit square to four corners (projective mapping; Heckbert, 1989).
 *
 * <p>Corners are in the order of (0, 0), (1, 0), (1, 1), (0, 1).
 */
public final class Perspective {

    private final double[] m;

    private Perspective(double... m) {
        this.m = m;
    }

    /**
     * @param x of the four corners, {@code y} likewise; no three of them on a line
     * @throws IllegalArgumentException unless the corners go round a convex square
     */
    public static Perspective ofSquareTo(double[] x, double[] y) {
        if (!convex(x, y)) {
            throw new IllegalArgumentException("the corners go round no convex square");
        }
        double dx1 = x[1] - x[2];
        double dx2 = x[3] - x[2];
        double dx3 = x[0] - x[1] + x[2] - x[3];
        double dy1 = y[1] - y[2];
        double dy2 = y[3] - y[2];
        double dy3 = y[0] - y[1] + y[2] - y[3];
        double area = dx1 * dy2 - dx2 * dy1;
        double g = (dx3 * dy2 - dx2 * dy3) / area;
        double h = (dx1 * dy3 - dx3 * dy1) / area;
        return new Perspective(
                x[1] - x[0] + g * x[1],
                x[3] - x[0] + h * x[3],
                x[0],
                y[1] - y[0] + g * y[1],
                y[3] - y[0] + h * y[3],
                y[0],
                g,
                h);
    }

    /** Whether four corners turn the same way all round. */
    static boolean convex(double[] x, double[] y) {
        int turns = 0;
        for (int i = 0; i < 4; i++) {
            int b = (i + 1) % 4;
            int c = (i + 2) % 4;
            double cross = (x[b] - x[i]) * (y[c] - y[b]) - (y[b] - y[i]) * (x[c] - x[b]);
            turns += cross > 0 ? 1 : cross < 0 ? -1 : 0;
        }
        return Math.abs(turns) == 4;
    }

    /** Across the picture; {@code NaN} for a place behind the camera. */
    public double x(double u, double v) {
        return (m[0] * u + m[1] * v + m[2]) / depth(u, v);
    }

    /** Down the picture; {@code NaN} for a place behind the camera. */
    public double y(double u, double v) {
        return (m[3] * u + m[4] * v + m[5]) / depth(u, v);
    }

    private double depth(double u, double v) {
        double depth = m[6] * u + m[7] * v + 1;
        return depth > 1e-9 ? depth : Double.NaN;
    }
}
