package org.morphotera.core.method.aboveground.groundcover;

import java.util.Arrays;
import java.util.List;

/** A smooth surface through scattered figures by weighted least squares, robust to some that lie far off. */
final class Surface {

    /** Terms of a surface at a place. */
    interface Terms {
        double[] at(double x, double y);
    }

    private static final int ROUNDS = 6;
    private static final double BIWEIGHT = 4.685;
    private static final double MAD_TO_SD = 1.4826;

    /** Keeps a surface flat where too little is seen to bend it. */
    private static final double RIDGE = 0.5;

    private Surface() {}

    /**
     * Fits a constant and the terms.
     *
     * @param seen x, y and the figure there
     * @return the factors of the terms, without the constant; zeros where fewer places than factors were seen
     */
    static double[] through(List<double[]> seen, Terms terms) {
        int size = terms.at(0, 0).length + 1;
        double[] factors = new double[size];
        if (seen.size() < 2 * size) {
            return Arrays.copyOfRange(factors, 1, size);
        }
        double[] weights = new double[seen.size()];
        Arrays.fill(weights, 1);
        for (int round = 0; round < ROUNDS; round++) {
            factors = solved(seen, terms, weights, size);
            double[] off = new double[seen.size()];
            for (int i = 0; i < off.length; i++) {
                off[i] = Math.abs(seen.get(i)[2] - value(factors, terms.at(seen.get(i)[0], seen.get(i)[1])));
            }
            double[] sorted = off.clone();
            Arrays.sort(sorted);
            double spread = Math.max(0.5, MAD_TO_SD * sorted[sorted.length / 2]) * BIWEIGHT;
            for (int i = 0; i < off.length; i++) {
                double u = off[i] / spread;
                weights[i] = u >= 1 ? 0 : (1 - u * u) * (1 - u * u);
            }
        }
        return Arrays.copyOfRange(factors, 1, size);
    }

    private static double value(double[] factors, double[] terms) {
        double sum = factors[0];
        for (int i = 0; i < terms.length; i++) {
            sum += factors[i + 1] * terms[i];
        }
        return sum;
    }

    /** The normal equations, by Gauss's elimination with the largest pivot. */
    private static double[] solved(List<double[]> seen, Terms terms, double[] weights, int size) {
        double[][] matrix = new double[size][size + 1];
        double[] row = new double[size];
        row[0] = 1;
        for (int i = 0; i < weights.length; i++) {
            double[] place = seen.get(i);
            System.arraycopy(terms.at(place[0], place[1]), 0, row, 1, size - 1);
            for (int j = 0; j < size; j++) {
                for (int k = 0; k < size; k++) {
                    matrix[j][k] += weights[i] * row[j] * row[k];
                }
                matrix[j][size] += weights[i] * row[j] * place[2];
            }
        }
        for (int i = 1; i < size; i++) {
            matrix[i][i] += RIDGE;
        }
        for (int i = 0; i < size; i++) {
            int pivot = i;
            for (int j = i + 1; j < size; j++) {
                pivot = Math.abs(matrix[j][i]) > Math.abs(matrix[pivot][i]) ? j : pivot;
            }
            double[] kept = matrix[i];
            matrix[i] = matrix[pivot];
            matrix[pivot] = kept;
            for (int j = i + 1; j < size; j++) {
                double share = matrix[i][i] == 0 ? 0 : matrix[j][i] / matrix[i][i];
                for (int k = i; k <= size; k++) {
                    matrix[j][k] -= share * matrix[i][k];
                }
            }
        }
        double[] factors = new double[size];
        for (int i = size - 1; i >= 0; i--) {
            double sum = matrix[i][size];
            for (int k = i + 1; k < size; k++) {
                sum -= matrix[i][k] * factors[k];
            }
            factors[i] = matrix[i][i] == 0 ? 0 : sum / matrix[i][i];
        }
        return factors;
    }
}
