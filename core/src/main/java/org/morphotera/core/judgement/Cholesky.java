package org.morphotera.core.judgement;

/**
 * The lower triangle L of a symmetric positive definite matrix A = L·Lᵀ (Golub and Van Loan, 2013, 4.2). Small and
 * plain, since the page runs it too.
 */
final class Cholesky {

    private final double[][] lower;

    private Cholesky(double[][] lower) {
        this.lower = lower;
    }

    /**
     * @param matrix the unit matrix and a positive semidefinite one; only its lower triangle is read. Every pivot of such a
     *     sum is 1 or more: what rounding takes under that is set to it
     */
    static Cholesky of(double[][] matrix) {
        int n = matrix.length;
        double[][] lower = new double[n][];
        for (int i = 0; i < n; i++) {
            double[] row = new double[i + 1];
            lower[i] = row;
            for (int j = 0; j <= i; j++) {
                double[] other = lower[j];
                double sum = matrix[i][j];
                for (int k = 0; k < j; k++) {
                    sum -= row[k] * other[k];
                }
                row[j] = j < i ? sum / other[j] : Math.sqrt(Math.max(1, sum));
            }
        }
        return new Cholesky(lower);
    }

    /** ln |A|. */
    double logDeterminant() {
        double sum = 0;
        for (int i = 0; i < lower.length; i++) {
            sum += 2 * Math.log(lower[i][i]);
        }
        return sum;
    }

    /** z of L·z = b; zᵀz is bᵀA⁻¹b. */
    double[] half(double[] b) {
        double[] z = new double[b.length];
        for (int i = 0; i < b.length; i++) {
            double sum = b[i];
            for (int k = 0; k < i; k++) {
                sum -= lower[i][k] * z[k];
            }
            z[i] = sum / lower[i][i];
        }
        return z;
    }

    /** x of A·x = b. */
    double[] solve(double[] b) {
        double[] x = half(b);
        for (int i = x.length - 1; i >= 0; i--) {
            x[i] /= lower[i][i];
            for (int k = 0; k < i; k++) {
                x[k] -= lower[i][k] * x[i];
            }
        }
        return x;
    }
}
