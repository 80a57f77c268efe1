package org.morphotera.core.method.block.texturejar;

import org.morphotera.core.soil.Composition;

/**
 * What a jar holds, from the heights of what has settled at its three marks. Grains that start low in the column arrive
 * early, so each line holds a part of every class: with sizes spread evenly over ln(size) within each class, that part
 * follows from Stokes' law, and the amounts are those that give the heights that were read, none of them under 0.
 */
public final class JarInversion {

    /** The classes of sand, silt and clay, µm. */
    private static final double[][] CLASSES = {{50, 2000}, {2, 50}, {0.1, 2}};

    private static final int N = CLASSES.length;

    /** Below this a set of classes can't be told apart by these marks. */
    private static final double SINGULAR = 1e-12;

    /** Share of each class (column) that has settled at each mark (row). */
    private final double[][] settled = new double[N][N];

    private final double[][] inverse;

    /** @param cutsUm the sizes that have just settled from the top at the marks of sand, silt and clay, falling */
    public JarInversion(double... cutsUm) {
        for (int mark = 0; mark < N; mark++) {
            for (int part = 0; part < N; part++) {
                settled[mark][part] = settledShare(CLASSES[part][0], CLASSES[part][1], cutsUm[mark]);
            }
        }
        this.inverse = inverse(settled);
    }

    /**
     * Share of a class on the bottom when a size has just settled from the top: all that is larger, and of smaller
     * grains the share that the ratio of their speeds gives.
     *
     * @param fromUm smallest size of the class
     * @param toUm largest size of the class
     * @param cutUm the size that has just settled
     */
    public static double settledShare(double fromUm, double toUm, double cutUm) {
        double share = 0;
        if (cutUm > fromUm) {
            double up = Math.min(toUm, cutUm);
            share += (up * up - fromUm * fromUm) / (2 * cutUm * cutUm);
        }
        if (toUm > cutUm) {
            share += Math.log(toUm / Math.max(fromUm, cutUm));
        }
        return share / Math.log(toUm / fromUm);
    }

    /**
     * The amounts, %.
     *
     * @param sand height at the mark of sand as a share of the height at the last mark
     * @param silt height at the mark of silt as a share of the height at the last mark
     * @return {@code null} where nothing fits
     */
    public Composition amounts(double sand, double silt) {
        double[] heights = {sand, silt, 1};
        double[] x = inverse == null ? null : times(inverse, heights);
        if (x == null || x[0] < 0 || x[1] < 0 || x[2] < 0) {
            x = leastSquares(heights);
        }
        double sum = x[0] + x[1] + x[2];
        return sum <= 0 ? null : new Composition(pct(x[0], sum), pct(x[1], sum), pct(x[2], sum));
    }

    /** The last digit of a sum must not make a share of more than all. */
    private static double pct(double amount, double sum) {
        return Math.min(100, 100 * amount / sum);
    }

    /** Non-negative least squares over every set of classes: with three there are seven. */
    private double[] leastSquares(double[] heights) {
        double[] best = new double[N];
        double smallest = Double.POSITIVE_INFINITY;
        for (int set = 1; set < 1 << N; set++) {
            double[] x = solved(set, heights);
            if (x != null) {
                double residual = residual(x, heights);
                if (residual < smallest) {
                    smallest = residual;
                    best = x;
                }
            }
        }
        return best;
    }

    /** The normal equations of some classes, by elimination; {@code null} where one would be under 0. */
    private double[] solved(int set, double[] heights) {
        double[][] normal = new double[N][N + 1];
        for (int i = 0; i < N; i++) {
            if ((set >> i & 1) == 0) {
                normal[i][i] = 1;
                continue;
            }
            for (int mark = 0; mark < N; mark++) {
                for (int j = 0; j < N; j++) {
                    normal[i][j] += (set >> j & 1) == 0 ? 0 : settled[mark][i] * settled[mark][j];
                }
                normal[i][N] += settled[mark][i] * heights[mark];
            }
        }
        for (int i = 0; i < N; i++) {
            if (Math.abs(normal[i][i]) < SINGULAR) {
                return null;
            }
            for (int row = 0; row < N; row++) {
                double factor = row == i ? 0 : normal[row][i] / normal[i][i];
                for (int j = i; j <= N; j++) {
                    normal[row][j] -= factor * normal[i][j];
                }
            }
        }
        double[] x = new double[N];
        for (int i = 0; i < N; i++) {
            x[i] = normal[i][N] / normal[i][i];
            if (x[i] < 0) {
                return null;
            }
        }
        return x;
    }

    private double residual(double[] x, double[] heights) {
        double sum = 0;
        double[] reached = times(settled, x);
        for (int mark = 0; mark < N; mark++) {
            sum += Math.pow(reached[mark] - heights[mark], 2);
        }
        return sum;
    }

    private static double[] times(double[][] matrix, double[] x) {
        double[] product = new double[N];
        for (int i = 0; i < N; i++) {
            for (int j = 0; j < N; j++) {
                product[i] += matrix[i][j] * x[j];
            }
        }
        return product;
    }

    /** By cofactors; {@code null} where the marks do not tell the classes apart. */
    private static double[][] inverse(double[][] m) {
        double[][] inverse = new double[N][N];
        double determinant = 0;
        for (int i = 0; i < N; i++) {
            for (int j = 0; j < N; j++) {
                int r = (j + 1) % N;
                int s = (j + 2) % N;
                int p = (i + 1) % N;
                int q = (i + 2) % N;
                inverse[i][j] = m[r][p] * m[s][q] - m[r][q] * m[s][p];
            }
        }
        for (int j = 0; j < N; j++) {
            determinant += m[0][j] * inverse[j][0];
        }
        if (Math.abs(determinant) < SINGULAR) {
            return null;
        }
        for (double[] row : inverse) {
            for (int j = 0; j < N; j++) {
                row[j] /= determinant;
            }
        }
        return inverse;
    }
}
