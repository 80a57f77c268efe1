package org.morphotera.core.photo;

/**
 * The threshold that parts figures into two groups which lie furthest from each other (Otsu, 1979), on a histogram.
 *
 * @param threshold figures over it belong to the upper group
 * @param below mean of the lower group; {@code NaN} when it is empty
 * @param above mean of the upper group; {@code NaN} when it is empty
 */
public record Otsu(double threshold, double below, double above) {

    private static final int BINS = 512;

    /**
     * @param n how many of {@code figures} count
     * @param low of the histogram; what lies outside falls into its ends
     */
    public static Otsu of(double[] figures, int n, double low, double high) {
        long[] counts = new long[BINS];
        double step = (high - low) / BINS;
        double sum = 0;
        for (int i = 0; i < n; i++) {
            int bin = (int) Math.max(0, Math.min(BINS - 1, Math.floor((figures[i] - low) / step)));
            counts[bin]++;
            sum += bin;
        }
        double best = -1;
        int first = 0;
        int last = 0;
        long under = 0;
        double sumUnder = 0;
        for (int bin = 0; bin < BINS - 1; bin++) {
            under += counts[bin];
            sumUnder += (double) bin * counts[bin];
            long over = n - under;
            if (under == 0 || over == 0) {
                continue;
            }
            double apart = sumUnder / under - (sum - sumUnder) / over;
            double between = (double) under * over * apart * apart;
            if (between > best) {
                best = between;
                first = bin;
                last = bin;
            } else if (between == best) {
                // where there is nothing between the groups, the middle of the gap
                last = bin;
            }
        }
        double threshold = low + step * ((first + last) / 2.0 + 1);
        double[] sums = new double[2];
        int[] sizes = new int[2];
        for (int i = 0; i < n; i++) {
            int group = figures[i] > threshold ? 1 : 0;
            sums[group] += figures[i];
            sizes[group]++;
        }
        return new Otsu(threshold, sums[0] / sizes[0], sums[1] / sizes[1]);
    }
}
